import type { Drawing, Mark, Role } from './drawing.ts';

/** Looks on white paper: a need is warm and everything else quiet, as on the page. */
const LOOK: Record<Role, { stroke?: string; fill?: string; width?: number }> = {
  grid: { stroke: '#d5d0c5', width: 1 },
  axis: { fill: '#5f5b52' },
  series: { stroke: '#22211e', fill: '#22211e', width: 2 },
  need: { fill: '#fbe9dc' },
  'need-line': { stroke: '#a8470f', fill: '#a8470f', width: 1.5 },
  limit: { stroke: '#a8470f', fill: '#a8470f', width: 1.5 },
  mark: { stroke: '#77726a', fill: '#5f5b52', width: 1 },
  'part-0': { fill: '#5f5b52' },
  'part-1': { fill: '#a39d90' },
  'part-2': { fill: '#d5d0c5' },
  'part-3': { fill: '#22211e' },
};

/** A drawing as an SVG file of its own, on white. */
export function drawingSvg(drawing: Drawing, font = 'Archivo, Helvetica, Arial, sans-serif'): string {
  const { width, height, title, marks } = drawing;
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" viewBox="0 0 ${width} ${height}" width="${width}" height="${height}" font-family="${font}" font-size="11">`,
    `<title>${escaped(title)}</title>`,
    `<rect width="${width}" height="${height}" fill="#ffffff"/>`,
    ...marks.map(markSvg),
    '</svg>',
  ].join('\n');
}

function markSvg(mark: Mark): string {
  const look = LOOK[mark.role];
  switch (mark.kind) {
    case 'path':
      return `<path d="${mark.d}" fill="none" stroke="${look.stroke ?? '#22211e'}" stroke-width="${look.width ?? 1}"${mark.dash ? ` stroke-dasharray="${mark.dash}"` : ''}/>`;
    case 'rect':
      return `<rect x="${mark.x}" y="${mark.y}" width="${mark.width}" height="${mark.height}" fill="${look.fill ?? 'none'}"/>`;
    case 'text':
      return `<text x="${mark.x}" y="${mark.y}" text-anchor="${mark.anchor}" fill="${look.fill ?? '#22211e'}"${mark.bold ? ' font-weight="bold"' : ''}>${escaped(mark.text)}</text>`;
  }
}

const escaped = (text: string) =>
  text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');
