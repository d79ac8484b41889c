import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { without, type AskFieldsProps, type AskKind, type Asks } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

type Heat = NonNullable<Asks['heat']>;

/** An ask for heat that asks for nothing would be an empty row in the brief. */
function withHeat(asks: Asks, heat: Heat): Asks {
  return Object.keys(heat).length === 0 ? without(asks, 'heat') : { ...asks, heat };
}

function withoutHeat(asks: Asks, ...keys: (keyof Heat)[]): Asks {
  const heat = { ...asks.heat };
  for (const key of keys) delete heat[key];
  return withHeat(asks, heat);
}

function SteadyFields({ asks: { heat = {} }, set }: AskFieldsProps) {
  return (
    <FieldRow>
      <QuantityField
        label="Continuous temperature"
        dimension="temperature"
        value={heat.steadyC}
        bounds={bounds.temperature}
        onChange={(steadyC) => set({ heat: { ...heat, steadyC } })}
      />
      <QuantityField
        label="Total duration"
        dimension="time"
        value={heat.steadyH}
        bounds={bounds.steadyDuration}
        hint="empty = duration of the loads"
        onChange={(steadyH) => set({ heat: { ...heat, steadyH } })}
        onClear={() => {
          const { steadyH: _gone, ...rest } = heat;
          set({ heat: rest });
        }}
      />
    </FieldRow>
  );
}

function PeakFields({ asks: { heat }, set }: AskFieldsProps) {
  const peak = heat!.peak!;
  const issue = useIssue('/asks/heat/peak/temperatureC');
  const change = (part: Partial<typeof peak>) => set({ heat: { ...heat, peak: { ...peak, ...part } } });
  return (
    <FieldRow>
      <QuantityField
        label="Peak temperature"
        dimension="temperature"
        value={peak.temperatureC}
        bounds={bounds.temperature}
        error={issue}
        onChange={(temperatureC) => change({ temperatureC })}
      />
      <QuantityField
        label="Duration"
        dimension="time"
        value={peak.durationH}
        bounds={bounds.peakDuration}
        onChange={(durationH) => change({ durationH })}
      />
    </FieldRow>
  );
}

function ColdestFields({ asks: { heat }, set }: AskFieldsProps) {
  const issue = useIssue('/asks/heat/coldestC');
  return (
    <FieldRow>
      <QuantityField
        label="Lowest temperature"
        dimension="temperature"
        value={heat?.coldestC}
        bounds={bounds.temperature}
        error={issue}
        onChange={(coldestC) => set({ heat: { ...heat, coldestC } })}
      />
    </FieldRow>
  );
}

export const checksUnderLoad: readonly AskKind[] = [
  {
    id: 'steady',
    title: 'Service temperature, continuous',
    explains: 'The highest temperature it sees for long periods, loaded, air temperature included.',
    isAsked: (asks) => asks.heat?.steadyC !== undefined,
    add: (asks) => withHeat(asks, { ...asks.heat, steadyC: 50 }),
    remove: (asks) => withoutHeat(asks, 'steadyC', 'steadyH'),
    Fields: SteadyFields,
  },
  {
    id: 'peak',
    title: 'Service temperature, peak',
    explains: 'The highest short-term temperature and its duration: full sun on a dark part, a wash, a nearby heater.',
    isAsked: (asks) => asks.heat?.peak !== undefined,
    add: (asks) =>
      withHeat(asks, {
        ...asks.heat,
        peak: { temperatureC: Math.max(65, (asks.heat?.steadyC ?? 0) + 10), durationH: 2 },
      }),
    remove: (asks) => withoutHeat(asks, 'peak'),
    Fields: PeakFields,
  },
  {
    id: 'coldest',
    title: 'Low-temperature toughness',
    explains: 'The lowest temperature in service. A grade that is brittle there is rejected, whatever its strength.',
    isAsked: (asks) => asks.heat?.coldestC !== undefined,
    add: (asks) => withHeat(asks, { ...asks.heat, coldestC: -20 }),
    remove: (asks) => withoutHeat(asks, 'coldestC'),
    Fields: ColdestFields,
  },
];
