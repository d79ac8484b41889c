import type { ImportSettings } from '@anvilstone/schema';
import { TEST_PARAMETERS, type Condition } from '@anvilstone/core/materials';
import { headerMeaning } from '../reading/headerMeaning.ts';
import type { RawTable } from '../table.ts';

/** A column with what it is taken for: chosen by the person, else proposed from its heading. */
export interface MappedColumn {
  column: number;
  header: string;
  target: string;
  unit: string | null;
  conditions: Partial<Record<Condition, string | number>>;
  guessed: boolean;
}

export type Layout = 'wide' | 'long';

export function mapColumns(table: RawTable, settings: ImportSettings): { columns: MappedColumn[]; layout: Layout } {
  const chosen = new Map((settings.columns ?? []).map((one) => [one.column, one]));
  const columns = table.header.map((header, column): MappedColumn => {
    const proposal = headerMeaning(header);
    const choice = chosen.get(column);
    if (!choice) return { column, header, ...proposal, guessed: true };
    return {
      column,
      header,
      target: choice.target,
      unit: choice.unit ?? (choice.target === proposal.target ? proposal.unit : null),
      conditions: {
        ...(choice.target === proposal.target ? proposal.conditions : {}),
        ...knownConditions(choice.conditions ?? {}),
      },
      guessed: false,
    };
  });
  return { columns, layout: settings.layout ?? detectLayout(columns) };
}

const PLACES = ['specimen', 'crystallinity', 'orientation', 'conditioning', 'temperatureC'];
const knownConditions = (given: Record<string, string | number>): MappedColumn['conditions'] =>
  Object.fromEntries(
    Object.entries(given).filter(([name, value]) => (PLACES.includes(name) || name in TEST_PARAMETERS) && value !== ''),
  );

/** A column of property names and one of values make a row an observation. */
function detectLayout(columns: readonly MappedColumn[]): Layout {
  const has = (target: string) => columns.some((one) => one.target === target);
  return has('record') || (has('observation.property') && has('observation.value')) ? 'long' : 'wide';
}
