import type { Drawing, Mark, Role } from '@anvilstone/core/foundations';

/** Strokes and fills on the page’s own ground, light or dark. */
const STROKE: Record<Role, string> = {
  grid: 'stroke-line',
  axis: '',
  series: 'stroke-ink stroke-2',
  need: '',
  'need-line': 'stroke-ember stroke-[1.5]',
  limit: 'stroke-ember stroke-[1.5]',
  mark: 'stroke-line-strong',
  'part-0': '',
  'part-1': '',
  'part-2': '',
  'part-3': '',
};
const FILL: Record<Role, string> = {
  grid: '',
  axis: 'fill-quiet',
  series: 'fill-ink',
  need: 'fill-ember-ground',
  'need-line': 'fill-ember',
  limit: 'fill-ember',
  mark: 'fill-quiet',
  'part-0': 'fill-quiet',
  'part-1': 'fill-line-strong',
  'part-2': 'fill-line',
  'part-3': 'fill-ink',
};

/** Paints a drawing; its numbers stand in a table beside it. */
export function DrawingView({ drawing }: { drawing: Drawing }) {
  return (
    <svg
      viewBox={`0 0 ${drawing.width} ${drawing.height}`}
      className="w-full"
      role="img"
      aria-label={`${drawing.title}; the table below holds its numbers`}
    >
      {drawing.marks.map((mark, i) => (
        <MarkView key={i} mark={mark} />
      ))}
    </svg>
  );
}

function MarkView({ mark }: { mark: Mark }) {
  switch (mark.kind) {
    case 'path':
      return <path d={mark.d} strokeDasharray={mark.dash} className={`fill-none ${STROKE[mark.role]}`} />;
    case 'rect':
      return (
        <rect x={mark.x} y={mark.y} width={mark.width} height={mark.height} className={FILL[mark.role]}>
          {mark.title && <title>{mark.title}</title>}
        </rect>
      );
    case 'text':
      return (
        <text
          x={mark.x}
          y={mark.y}
          textAnchor={mark.anchor}
          className={`text-[11px] ${FILL[mark.role]} ${mark.bold ? 'font-bold' : ''}`}
        >
          {mark.text}
        </text>
      );
  }
}
