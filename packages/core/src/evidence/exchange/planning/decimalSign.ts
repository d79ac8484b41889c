import type { ImportSettings } from '@anvilstone/schema';
import { decimalEvidence, type DecimalSign } from '../reading/readCell.ts';
import type { RawTable } from '../table.ts';
import type { Questions } from './questions.ts';

/** So many more cells of one kind than of the other settle it. */
const BEYOND_DOUBT = 200;

/**
 * The decimal sign of a file: what it shows beyond doubt. Where every number can be read two ways, the person is asked;
 * until then a point is taken, and nothing can be imported.
 */
export function decimalSign(
  table: RawTable,
  columns: readonly number[],
  settings: ImportSettings,
  delimiter: string | null,
  questions: Questions,
): DecimalSign {
  if (settings.decimal) return settings.decimal;
  const seen = { point: 0, comma: 0 };
  let either: { line: number; text: string } | undefined;
  for (const { line, cells } of table.rows) {
    if (Math.abs(seen.comma - seen.point) >= BEYOND_DOUBT) break;
    for (const column of columns) {
      const evidence = decimalEvidence(cells[column]!);
      if (evidence === 'point' || evidence === 'comma') seen[evidence] += 1;
      // “1.250” in a file with commas between the columns is a plain decimal; “1,250” never is certain.
      else if (evidence === 'either' && (cells[column]!.includes(',') || delimiter === ';'))
        either ??= { line, text: cells[column]! };
    }
  }
  if (seen.comma > seen.point) return 'comma';
  if (seen.point > 0 || !either) return 'point';
  const { text } = either;
  const digits = /\d[\d.,]*\d/.exec(text)![0];
  const [asDecimal, asThousands] = [digits.replace(',', '.'), digits.replace(/[.,]/, '')];
  const whichSign = digits.includes(',') ? 'comma' : 'point';
  const other = whichSign === 'comma' ? 'point' : 'comma';
  const answer = questions.ask(
    'decimal',
    () => ({
      kind: 'decimal',
      text: `Is “${digits}” ${asDecimal} or ${asThousands}?`,
      detail: 'Every number with a separator in this file can be read two ways.',
      choices: [
        { id: whichSign, label: asDecimal, means: `the ${whichSign} is the decimal sign` },
        { id: other, label: asThousands, means: `the ${whichSign} separates thousands` },
      ],
    }),
    either,
  );
  return (answer as DecimalSign | undefined) ?? 'point';
}
