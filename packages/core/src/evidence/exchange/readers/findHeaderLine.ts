import type { TableRow } from '../table.ts';

const LINES_TO_LOOK_AT = 20;
const NUMBER = /^[<>≤≥~±]?\s*[-+]?\d/;

/**
 * Index of the line that names the columns: among the first lines the one that has the most filled cells of words, and
 * that is followed by a line about as wide. Sheets often begin with a title and an address.
 */
export function findHeaderLine(lines: readonly TableRow[]): number {
  let best = 0;
  let bestScore = -Infinity;
  for (let i = 0; i < Math.min(LINES_TO_LOOK_AT, lines.length - 1); i++) {
    const filled = lines[i]!.cells.map((cell) => cell.trim()).filter(Boolean);
    const words = filled.filter((cell) => !NUMBER.test(cell)).length;
    const numbers = filled.length - words;
    const distinct = new Set(filled).size;
    const score = words + distinct - 3 * numbers - i * 0.5;
    if (score > bestScore) {
      bestScore = score;
      best = i;
    }
  }
  return best;
}
