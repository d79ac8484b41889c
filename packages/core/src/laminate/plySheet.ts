import { formatNumber as f } from '../units/formatQuantity.ts';
import type { LaminateReport } from './report.ts';

const TILE = { width: 60, height: 36, gap: 8, text: 10 };
const ACROSS = 4;
const SPACING_MM = 3;
const r = (value: number) => Number(value.toFixed(2));

/**
 * Every ply as a drawing of its own, from below, its lines at its angle to the x-axis: for the bench and the print’s traveller.
 * Tiles stand for the part; lines show the direction and not every strand. Millimetres.
 */
export function plySheetSvg({ name, plies }: Pick<LaminateReport, 'name' | 'plies'>): string {
  const rows = Math.ceil(plies.length / ACROSS);
  const [width, height] = [
    ACROSS * (TILE.width + TILE.gap) + TILE.gap,
    rows * (TILE.height + TILE.gap + TILE.text) + TILE.gap + 10,
  ];
  const tiles = plies.map((ply, i) => {
    const x = TILE.gap + (i % ACROSS) * (TILE.width + TILE.gap);
    const y = TILE.gap + 10 + Math.floor(i / ACROSS) * (TILE.height + TILE.gap + TILE.text);
    return tile(i, ply, x, y);
  });
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

const escaped = (text: string) => text.replace(/[<>&"]/g, (sign) => `&#${sign.charCodeAt(0)};`);
