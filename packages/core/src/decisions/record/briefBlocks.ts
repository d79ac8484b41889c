import { inSentence, type UnitSystem, formatNumber, formatQuantity } from '@anvilstone/core/foundations';
import { findAgent } from '@anvilstone/core/materials';
import { everyLoadCase } from '@anvilstone/core/shapes';
import type { Decision } from '@anvilstone/schema';
import { loadName } from '../wording/loadName.ts';
import { askSentences, limitWords, LOAD_KIND_WORDS, sizeWords, timeWords } from '../wording/briefWords.ts';
import type { RecordBlock } from './recordBlock.ts';

/** A brief as it is read: what it is for, its loads as a table, and what else is asked in sentences. */
export function briefBlocks(
  { brief, machines, agents = [] }: Pick<Decision, 'brief' | 'machines' | 'agents'>,
  units: UnitSystem,
): RecordBlock[] {
  const machine = (id: string) => machines.find((one) => one.id === id)?.name ?? id;
  const agent = (id: string) => (agents.find((one) => one.id === id) ?? findAgent(id))?.name ?? id;
  return [
    ...(brief.purpose ? [{ kind: 'text', text: brief.purpose } as const] : []),
    {
      kind: 'table',
      head: ['Load', 'Load type', 'How large', 'How long', 'At', 'Safety factor', 'Limits'],
      wide: 0,
      rows: everyLoadCase(brief).map((load) => [
        loadName(brief, load.id)!,
        inSentence(LOAD_KIND_WORDS[load.kind ?? 'lasting'].title),
        `${sizeWords(load, units)}${load.direction === 'width' ? ' sideways' : ''}`,
        timeWords(load),
        formatQuantity(load.temperatureC, 'temperature', units),
        formatNumber(load.safetyFactor),
        limitWords(load, units).join(', ') || 'none',
      ]),
    },
    { kind: 'list', items: askSentences(brief, units, machine, agent) },
  ];
}
