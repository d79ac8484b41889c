import type { Amount, Statement } from '@anvilstone/schema';
import { definitionOf } from '../units/dimensions.ts';
import { joined } from './statement.ts';

const MARKED = /\{([−-]?[\d.]+) ([^}]+)\}/;
const DIMENSIONS = ['length', 'stress', 'temperature', 'temperatureDifference', 'force', 'mass', 'energy'] as const;

/**
 * A text of a table whose amounts are marked, as in “Chars above {220 °C}”, as a statement.
 * @throws Error an amount in a unit that the computation does not work in: the table is at fault
 */
export function fromMarked(text: string): Statement {
  const pieces = text.split(MARKED);
  if (pieces.length === 1) return text;
  const statements: Statement[] = [];
  for (let i = 0; i < pieces.length; i += 3) {
    statements.push(pieces[i]!);
    if (i + 1 < pieces.length)
      statements.push({ says: '{0}', values: [amountOf(Number(pieces[i + 1]!.replace('−', '-')), pieces[i + 2]!)] });
  }
  return joined(statements, '');
}

function amountOf(value: number, unit: string): Amount {
  const dimension = DIMENSIONS.find((one) => definitionOf(one).metric === unit);
  if (!dimension) throw new Error(`{${value} ${unit}}: no amount that a table may hold`);
  return { value, dimension };
}
