import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { useId } from 'react';
import { sectionDepthMm } from './sectionDepth.ts';

const VIEW = { width: 720, height: 230 };
const ROOT_X = 70;
const AXIS_Y = 104;
const LONGEST = 400;
const DEEPEST = 90;
/** A slender arm drawn to scale would be a line; its depth is never drawn thinner than this. */
const THINNEST = 22;

/** The arm from the side and its section, with load, layers, dimensions and the place that breaks first. */
export function ArmSketch({
  brief,
  orientation,
  label,
  force,
}: {
  brief: Brief;
  orientation: BuildOrientation;
  label: (mm: number) => string;
  /** The largest load, in the user's units. */
  force: string;
}) {
  const hatch = useId();
  const { spanMm, section, filletRadiusMm } = brief.part;
  const depthMm = sectionDepthMm(section);
  const widthMm = section.kind === 'rectangle' ? section.widthMm : depthMm;
  const scale = Math.min(LONGEST / spanMm, DEEPEST / depthMm);
  const length = Math.max(60, spanMm * scale);
  const depth = Math.max(THINNEST, depthMm * scale);
  const fillet = Math.min(depth, Math.max(0, filletRadiusMm * scale), 30);
  const top = AXIS_Y - depth / 2;
  const bottom = AXIS_Y + depth / 2;
  const end = ROOT_X + length;
  const notToScale = depth > depthMm * scale * 1.05 || length > spanMm * scale * 1.05;
  const outline = `M${ROOT_X} ${top - fillet} Q${ROOT_X} ${top} ${ROOT_X + fillet} ${top} H${end} V${bottom} H${ROOT_X + fillet} Q${ROOT_X} ${bottom} ${ROOT_X} ${bottom + fillet} Z`;
  return (
    <figure>
      <svg
        viewBox={`0 0 ${VIEW.width} ${VIEW.height}`}
        className="w-full"
        role="img"
        aria-label={describe(brief, orientation)}
      >
        <defs>
          <pattern
            id={`${hatch}-wall`}
            width="7"
            height="7"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <line y2="7" className="stroke-line-strong" />
          </pattern>
          <LayerPattern
            id={`${hatch}-side`}
            lines={orientation === 'XY' ? 'along' : orientation === 'ZX' ? 'upright' : 'none'}
          />
          <LayerPattern
            id={`${hatch}-cut`}
            lines={orientation === 'XY' ? 'along' : orientation === 'XZ' ? 'upright' : 'none'}
          />
        </defs>
        <rect x={ROOT_X - 22} y="22" width="22" height={VIEW.height - 66} fill={`url(#${hatch}-wall)`} />
        <line x1={ROOT_X} x2={ROOT_X} y1="22" y2={VIEW.height - 44} className="stroke-ink stroke-2" />
        <path d={outline} className="fill-sunken" />
        <path d={outline} fill={`url(#${hatch}-side)`} className="stroke-ink stroke-[1.5]" />
        {section.kind === 'tube' && (
          <TubeBore depth={depth} wall={Math.min(depth / 2 - 1, section.wallMm * (depth / depthMm))} end={end} />
        )}
        <g className="fill-ember stroke-ember">
          <line x1={end - 6} x2={end - 6} y1={top - 48} y2={top - 9} className="stroke-2" />
          <path d={`M${end - 11} ${top - 12} h10 l-5 10z`} />
          <circle cx={ROOT_X + fillet * 0.3} cy={top - fillet * 0.3 + 1} r="6" className="fill-none stroke-2" />
        </g>
        <text x={end + 2} y={top - 34} className="fill-ember text-[13px] font-semibold">
          {brief.loadCases.length === 1 ? force : `${brief.loadCases.length} loads, up to ${force}`}
        </text>
        <Dimension x1={ROOT_X} x2={end - 6} y={VIEW.height - 24} text={label(spanMm)} from={bottom} />
        <g className="stroke-quiet">
          <line x1={end + 16} x2={end + 16} y1={top} y2={bottom} />
          <line x1={end + 11} x2={end + 21} y1={top} y2={top} />
          <line x1={end + 11} x2={end + 21} y1={bottom} y2={bottom} />
        </g>
        <text x={end + 26} y={AXIS_Y + 4} className="fill-ink text-[13px]">
          {label(depthMm)}
        </text>
        <SectionView fill={`url(#${hatch}-cut)`} section={section} widthMm={widthMm} depthMm={depthMm} label={label} />
      </svg>
      <figcaption className="text-xs text-quiet">
        <span className="text-ember">Ringed: the most stressed place, the outer tension fibre at the root.</span>{' '}
        {LAYERS_IN_WORDS[orientation]}
        {notToScale && ' Depth drawn larger than to scale.'}
      </figcaption>
    </figure>
  );
}

const LAYERS_IN_WORDS: Record<BuildOrientation, string> = {
  XY: 'XY flat: layers stacked in the direction of the load. Bending runs within the layers; shear tries to slide them.',
  XZ: 'XZ on edge: layers stacked sideways, seen here as one face. Bending and shear both stay within the layers.',
  ZX: 'ZX upright: layers stacked along the arm. Bending pulls straight across them, the weak direction.',
};

function describe({ part, loadCases }: Brief, orientation: BuildOrientation): string {
  return `Arm of ${part.spanMm} mm held at its left end, ${part.section.kind} section, ${loadCases.length} loads down at its right end, built ${orientation}`;
}

function LayerPattern({ id, lines }: { id: string; lines: 'along' | 'upright' | 'none' }) {
  return (
    <pattern id={id} width="6" height="6" patternUnits="userSpaceOnUse">
      {lines === 'along' && <line x2="6" y1="3" y2="3" className="stroke-line-strong stroke-[0.8]" />}
      {lines === 'upright' && <line x1="3" x2="3" y2="6" className="stroke-line-strong stroke-[0.8]" />}
    </pattern>
  );
}

function TubeBore({ depth, wall, end }: { depth: number; wall: number; end: number }) {
  return (
    <g className="stroke-ink" strokeDasharray="7 4">
      <line x1={ROOT_X} x2={end} y1={AXIS_Y - depth / 2 + wall} y2={AXIS_Y - depth / 2 + wall} />
      <line x1={ROOT_X} x2={end} y1={AXIS_Y + depth / 2 - wall} y2={AXIS_Y + depth / 2 - wall} />
    </g>
  );
}

function Dimension({ x1, x2, y, text, from }: { x1: number; x2: number; y: number; text: string; from: number }) {
  return (
    <g className="stroke-quiet">
      <line x1={x1} x2={x2} y1={y} y2={y} />
      <line x1={x1} x2={x1} y1={from + 6} y2={y + 5} />
      <line x1={x2} x2={x2} y1={from + 6} y2={y + 5} />
      <text x={(x1 + x2) / 2} y={y - 5} textAnchor="middle" className="fill-ink stroke-none text-[13px]">
        {text}
      </text>
    </g>
  );
}

const CUT = { x: 625, size: 76 };

/** The cross-section, to scale in itself. */
function SectionView({
  section,
  widthMm,
  depthMm,
  fill,
  label,
}: {
  section: Brief['part']['section'];
  widthMm: number;
  depthMm: number;
  fill: string;
  label: (mm: number) => string;
}) {
  const scale = CUT.size / Math.max(widthMm, depthMm);
  const width = Math.max(8, widthMm * scale);
  const depth = Math.max(8, depthMm * scale);
  return (
    <g>
      {section.kind === 'rectangle' ? (
        <>
          <rect x={CUT.x - width / 2} y={AXIS_Y - depth / 2} width={width} height={depth} className="fill-sunken" />
          <rect
            x={CUT.x - width / 2}
            y={AXIS_Y - depth / 2}
            width={width}
            height={depth}
            fill={fill}
            className="stroke-ink stroke-[1.5]"
          />
        </>
      ) : (
        <>
          <circle cx={CUT.x} cy={AXIS_Y} r={depth / 2} className="fill-sunken" />
          <circle cx={CUT.x} cy={AXIS_Y} r={depth / 2} fill={fill} className="stroke-ink stroke-[1.5]" />
          {section.kind === 'tube' && (
            <circle
              cx={CUT.x}
              cy={AXIS_Y}
              r={Math.max(0, depth / 2 - section.wallMm * scale)}
              className="fill-surface stroke-ink"
            />
          )}
        </>
      )}
      <text x={CUT.x} y={AXIS_Y + depth / 2 + 20} textAnchor="middle" className="fill-ink text-[13px]">
        {section.kind === 'tube'
          ? `wall ${label(section.wallMm)}`
          : section.kind === 'round'
            ? `⌀ ${label(section.diameterMm)}`
            : `${label(widthMm)} wide`}
      </text>
      <text x={CUT.x} y={AXIS_Y - CUT.size / 2 - 14} textAnchor="middle" className="fill-quiet text-[12px]">
        section
      </text>
    </g>
  );
}
