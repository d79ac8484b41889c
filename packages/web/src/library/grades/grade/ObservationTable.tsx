import { PROPERTY_DEFINITIONS, reportedText } from '@anvilstone/core/materials';
import type { Observation } from '@anvilstone/schema';
import { conditionWords, SOURCE_WORDS } from '../conditionWords.ts';

/** Evidence as it was reported: value, conditions, source. What was not stated is said to be so. */
export function ObservationTable({
  observations,
  named = true,
  usedId,
}: {
  observations: readonly Observation[];
  /** Whether each row says which property it is of. */
  named?: boolean;
  /** The one the resolved value rests on. */
  usedId?: string | undefined;
}) {
  const titles = [...(named ? ['Property'] : []), 'Reported', 'Conditions', 'Source'];
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="text-left text-xs text-quiet">
          {titles.map((title) => (
            <th key={title} scope="col" className="pr-3 font-normal">
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {observations.map((one) => (
          <tr key={one.id} className="border-t border-line align-top">
            {named && <td className="py-0.5 pr-3">{PROPERTY_DEFINITIONS[one.property].title}</td>}
            <td className="py-0.5 pr-3 whitespace-nowrap">
              {reportedText(one)}
              {one.standardDeviation !== undefined && ` ± ${one.standardDeviation}`}
              {one.count !== undefined && `, n = ${one.count}`}
              {one.id === usedId && <span className="ml-1 text-xs text-ember">used</span>}
            </td>
            <td className="py-0.5 pr-3 text-quiet">
              {conditionWords(one).map(({ text, missing }, i) => (
                <span key={text} className={missing ? 'text-unknown' : ''}>
                  {i > 0 && ', '}
                  {text}
                </span>
              ))}
            </td>
            <td className="py-0.5 text-quiet">
              {SOURCE_WORDS[one.source]}: {one.reference}
              {one.date && `, ${one.date}`}
              {one.note && <span className="block text-unknown">{one.note}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
