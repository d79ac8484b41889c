import { formatNumber as f } from '@anvilstone/core/foundations';
import type { LaminateReport } from './report.ts';

const TILE = { width: 60, height: 36, gap: 8, text: 10 };
const ACROSS = 4;
const SPACING_MM = 3;
const r = (value: number) => Number(value.toFixed(2));

/**
 * Every ply as a drawing of its own, from below, its lines at its angle to the x-axis: for the bench and the print’s traveller.
 * Tiles stand for the part; lines show the direction and not every strand. Loops follow as closed paths. Millimetres.
 */
export function plySheetSvg({ name, plies, loops }: Pick<LaminateReport, 'name' | 'plies' | 'loops'>): string {
  const rows = Math.ceil((plies.length + loops.length) / ACROSS);
  const [width, height] = [
    ACROSS * (TILE.width + TILE.gap) + TILE.gap,
    rows * (TILE.height + TILE.gap + TILE.text) + TILE.gap + 10,
  ];
  const placeOf = (i: number) =>
    [
      TILE.gap + (i % ACROSS) * (TILE.width + TILE.gap),
      TILE.gap + 10 + Math.floor(i / ACROSS) * (TILE.height + TILE.gap + TILE.text),
    ] as const;
  const tiles = [
    ...plies.map((ply, i) => tile(i, ply, ...placeOf(i))),
    ...loops.map((loop, i) => loopTile(loop, ...placeOf(plies.length + i))),
  ];
  return [
    `<svg xmlns="http://www.w3.org/2000/svg" width="${width}mm" height="${height}mm" viewBox="0 0 ${width} ${height}" font-family="Archivo, Helvetica, Arial, sans-serif">`,
    `<title>${escaped(name)}</title>`,
    `<text x="${TILE.gap}" y="10" font-size="6" fill="#26221d">${escaped(name)}: ${plies.length} plies from below, x to the right</text>`,
    ...tiles,
    '</svg>',
    '',
  ].join('\n');
}

function tile(index: number, ply: LaminateReport['plies'][number], x: number, y: number): string {
  const [cx, cy] = [x + TILE.width / 2, y + TILE.height / 2];
  const reach = Math.hypot(TILE.width, TILE.height) / 2;
  const angle = (-ply.angleDeg * Math.PI) / 180;
  const [dx, dy] = [Math.cos(angle), Math.sin(angle)];
  const count = Math.floor(reach / SPACING_MM);
  const lines = Array.from({ length: 2 * count + 1 }, (_, k) => {
    const off = (k - count) * SPACING_MM;
    const [px, py] = [cx - dy * off, cy + dx * off];
    return `M${r(px - dx * reach)} ${r(py - dy * reach)}L${r(px + dx * reach)} ${r(py + dy * reach)}`;
  });
  return [
    `<clipPath id="ply${index}"><rect x="${r(x)}" y="${r(y)}" width="${TILE.width}" height="${TILE.height}"/></clipPath>`,
    `<path d="${lines.join('')}" fill="none" stroke="#6b655c" stroke-width="0.6" clip-path="url(#ply${index})"/>`,
    `<rect x="${r(x)}" y="${r(y)}" width="${TILE.width}" height="${TILE.height}" fill="none" stroke="#26221d" stroke-width="0.5"/>`,
    `<text x="${r(x)}" y="${r(y + TILE.height + 5)}" font-size="4" fill="#26221d">${index + 1}: ${f(ply.angleDeg)}°, ${f(ply.thicknessMm)} mm, ${escaped(ply.name)}</text>`,
  ].join('\n');
}

/** Strands beside each other as closed paths in the proportions of the loop; at most eight are drawn. */
function loopTile(loop: LaminateReport['loops'][number], x: number, y: number): string {
  const { radiusMm, apartMm, acrossMm = 0, turns, layers } = loop.laid;
  const outerMm = radiusMm + loop.packWidthMm;
  const scale = Math.min((TILE.width - 4) / (apartMm + 2 * outerMm), (TILE.height - 4) / (acrossMm + 2 * outerMm));
  const drawn = Math.min(8, turns);
  const paths = Array.from({ length: drawn }, (_, i) => {
    const r0 = radiusMm + ((i + 0.5) / drawn) * loop.packWidthMm;
    const [w, h] = [(apartMm + 2 * r0) * scale, (acrossMm + 2 * r0) * scale];
    return `<rect x="${r(x + (TILE.width - w) / 2)}" y="${r(y + (TILE.height - h) / 2)}" width="${r(w)}" height="${r(h)}" rx="${r(r0 * scale)}"/>`;
  });
  return [
    `<g fill="none" stroke="#6b655c" stroke-width="0.6">${paths.join('')}</g>`,
    `<rect x="${r(x)}" y="${r(y)}" width="${TILE.width}" height="${TILE.height}" fill="none" stroke="#26221d" stroke-width="0.5"/>`,
    `<text x="${r(x)}" y="${r(y + TILE.height + 5)}" font-size="4" fill="#26221d">${escaped(loop.name)}: ${turns} beside × ${layers} over, radius ${f(radiusMm)} mm</text>`,
  ].join('\n');
}

const escaped = (text: string) => text.replace(/[<>&"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
