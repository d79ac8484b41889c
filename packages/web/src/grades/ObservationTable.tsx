import { PROPERTY_DEFINITIONS } from '@anvilstone/core';
import type { Observation } from '@anvilstone/schema';

/** Evidence as it was reported: value, conditions, source. What was not stated is said to be so. */
export function ObservationTable({ observations }: { observations: readonly Observation[] }) {
  return (
    <table className="w-full text-sm">
      <thead>
        <tr className="text-left text-xs text-quiet">
          {['Property', 'Value', 'Conditions', 'Source'].map((title) => (
            <th key={title} className="pr-3 font-normal">
              {title}
            </th>
          ))}
        </tr>
      </thead>
      <tbody>
        {observations.map((one) => (
          <tr key={one.id} className="border-t border-line align-top">
            <td className="py-0.5 pr-3">{PROPERTY_DEFINITIONS[one.property].title}</td>
            <td className="py-0.5 pr-3 whitespace-nowrap">
              {one.value ?? `${one.low} to ${one.high}`} {one.unit}
              {one.standardDeviation !== undefined && ` ± ${one.standardDeviation}`}
              {one.count !== undefined && `, n = ${one.count}`}
            </td>
            <td className="py-0.5 pr-3 text-quiet">
              {[
                one.specimen ?? 'specimen not stated',
                one.orientation,
                one.conditioning,
                one.temperatureC === undefined ? undefined : `${one.temperatureC} °C`,
                one.hdtStressMPa === undefined ? undefined : `at ${one.hdtStressMPa} MPa`,
                one.method,
              ]
                .filter(Boolean)
                .join(', ')}
            </td>
            <td className="py-0.5 text-quiet">
              {one.reference}
              {one.note && <span className="block text-unknown">{one.note}</span>}
            </td>
          </tr>
        ))}
      </tbody>
    </table>
  );
}
