import { QuantityField } from '../../ui/QuantityField.tsx';
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
        label="Outside, hours a year"
        dimension="time"
        value={ask.hoursPerYear}
        bounds={bounds.outdoorHours}
        hint="8766 h = always"
        onChange={(hoursPerYear) => change({ hoursPerYear })}
      />
      <QuantityField
        label="For how many years"
        dimension="ratio"
        value={ask.years}
        bounds={bounds.outdoorYears}
        onChange={(years) => change({ years })}
      />
      <QuantityField
        label="Strength left at the end, at least"
        dimension="fraction"
        value={ask.keepPct}
        bounds={bounds.outdoorKeep}
        hint="the loads also find only what is left"
        onChange={(keepPct) => change({ keepPct })}
      />
    </FieldRow>
  );
}

export const weatherAsks: readonly AskKind[] = [
  askOf('fluids', [{ agentId: 'mineral-oil', contact: 'splash', temperatureC: 23, hours: 50 }], {
    id: 'fluids',
    title: 'Fluids touch it',
    explains:
      'Oils, cleaners, water, solvents, disinfectants, de-icer. A polymer may stand a fluid and still crack in it where it is pulled. Cleaning it counts.',
    Fields: FluidFields,
    wide: true,
  }),
  askOf(
    'outdoors',
    { hoursPerYear: 8766, years: 3, keepPct: 60 },
    {
      id: 'outdoors',
      title: 'Stands in the open',
      explains: 'Sun, rain and frost take strength year by year; some polymers turn brittle in one summer.',
      Fields: OutdoorsFields,
    },
  ),
];
