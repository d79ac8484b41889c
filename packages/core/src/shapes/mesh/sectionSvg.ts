import type { MeshSection } from './section.ts';

const r = (mm: number) => Number(mm.toFixed(4));

/** The outlines of a section as one SVG path in mm, y upwards turned to SVG’s downwards; holes by the even-odd rule. */
export const sectionPathOf = ({ loops }: Pick<MeshSection, 'loops'>): string =>
  loops.map((loop) => `M${loop.map(([u, v]) => `${r(u)} ${r(-v)}`).join('L')}Z`).join('');

/** A section as a drawing at true size, with its centroid and principal axes. */
export function sectionSvg(section: MeshSection, title: string): string {
  const points = section.loops.flat();
  const bound = (of: (point: readonly [number, number]) => number, pick: (a: number, b: number) => number) =>
    points.map(of).reduce((a, b) => pick(a, b));
  const [left, right] = [bound(([u]) => u, Math.min), bound(([u]) => u, Math.max)];
  const [top, bottom] = [-bound(([, v]) => v, Math.max), -bound(([, v]) => v, Math.min)];
  const margin = 0.08 * Math.max(right - left, bottom - top);
  const box = [left - margin, top - margin, right - left + 2 * margin, bottom - top + 2 * margin].map(r);
  const [cx, cy] = [section.centroidMm[0], -section.centroidMm[1]];
  const angle = (-section.principal.angleDeg * Math.PI) / 180;
  const reach = 0.6 * Math.max(right - left, bottom - top);
  const line = (a: number) =>
    `M${r(cx - reach * Math.cos(a))} ${r(cy - reach * Math.sin(a))}L${r(cx + reach * Math.cos(a))} ${r(cy + reach * Math.sin(a))}`;
  const words = title.replace(/[<>&"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${box[2]}mm" height="${box[3]}mm" viewBox="${box.join(' ')}">`,
    `<title>${words}</title>`,
    `<path d="${sectionPathOf(section)}" fill="#d9d5cd" fill-rule="evenodd" stroke="#26221d" stroke-width="${r(margin / 20)}"/>`,
    `<path d="${line(angle)}${line(angle + Math.PI / 2)}" fill="none" stroke="#a8451c" stroke-width="${r(margin / 30)}" stroke-dasharray="${r(margin / 3)} ${r(margin / 6)}"/>`,
    '</svg>',
    '',
  ].join('\n');
}
