/** A decimal comma is one. Undefined: no number. */
export function numberOf(cell: string): number | undefined {
  const value = Number(/^-?\d+,\d+$/.test(cell.trim()) ? cell.trim().replace(',', '.') : cell);
  return cell.trim() !== '' && Number.isFinite(value) ? value : undefined;
}
