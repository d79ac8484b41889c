import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { askOf, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';
import { FluidFields } from './FluidFields.tsx';

function OutdoorsFields({ asks, set }: AskFieldsProps) {
  const ask = asks.outdoors!;
  const change = (part: Partial<typeof ask>) => set({ outdoors: { ...ask, ...part } });
  return (
    <FieldRow>
      <QuantityField
        label="Outdoor hours per year"
        dimension="time"
        value={ask.hoursPerYear}
        bounds={bounds.outdoorHours}
        hint="8766 h = always"
        onChange={(hoursPerYear) => change({ hoursPerYear })}
      />
      <QuantityField
        label="Years outdoors"
        dimension="ratio"
        value={ask.years}
        bounds={bounds.outdoorYears}
        onChange={(years) => change({ years })}
      />
      <QuantityField
        label="Minimum strength retained"
        dimension="fraction"
        value={ask.keepPct}
        bounds={bounds.outdoorKeep}
        hint="also applied to the loads"
        onChange={(keepPct) => change({ keepPct })}
      />
    </FieldRow>
  );
}

export const weatherAsks: readonly AskKind[] = [
  askOf('fluids', [{ agentId: 'mineral-oil', contact: 'splash', temperatureC: 23, hours: 50 }], {
    id: 'fluids',
    title: 'Chemical contact',
    explains:
      'Oils, cleaners, water, solvents, disinfectants, de-icer. A polymer may resist a fluid and still crack in it under tension. Cleaning counts.',
    Fields: FluidFields,
    wide: true,
  }),
  askOf(
    'outdoors',
    { hoursPerYear: 8766, years: 3, keepPct: 60 },
    {
      id: 'outdoors',
      title: 'Outdoor exposure',
      explains: 'Sun, rain and frost reduce strength year by year; some polymers embrittle in one summer.',
      Fields: OutdoorsFields,
    },
  ),
];
