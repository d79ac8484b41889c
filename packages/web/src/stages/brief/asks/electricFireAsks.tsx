import { ELECTROSTATIC_RANGES, FLAME_ASKS } from '@anvilstone/schema';
import { Choice, TextField, Tick } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { askOf, without, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

const RANGE_WORDS = {
  conductive: 'Conducts: below 10⁴ Ω',
  dissipative: 'Dissipates: 10⁴ to 10¹¹ Ω',
  insulating: 'Insulating: from 10¹¹ Ω',
} as const;

function ElectrostaticFields({ asks, set }: AskFieldsProps) {
  const ask = asks.electrostatic!;
  return (
    <FieldRow>
      <div className="col-span-2">
        <Choice
          label="Its surface"
          value={ask.range}
          options={ELECTROSTATIC_RANGES.map((value) => ({ value, label: RANGE_WORDS[value] }))}
          onChange={(range) => set({ electrostatic: { ...ask, range } })}
        />
      </div>
      <QuantityField
        label="Lowest humidity in service"
        dimension="fraction"
        value={ask.driestRhPct}
        bounds={bounds.humidity}
        hint="% RH; empty = not asked"
        onChange={(driestRhPct) => set({ electrostatic: { ...ask, driestRhPct } })}
        onClear={() => {
          const { driestRhPct: _gone, ...rest } = ask;
          set({ electrostatic: rest });
        }}
      />
      <div className="pt-5">
        <Tick
          label="The surface is rubbed, sanded or cleaned in service"
          checked={ask.worn === true}
          onChange={(on) => {
            const { worn: _was, ...rest } = ask;
            set({ electrostatic: on ? { ...rest, worn: true } : rest });
          }}
        />
      </div>
    </FieldRow>
  );
}

export const electricFireAsks: readonly AskKind[] = [
  askOf(
    'electrostatic',
    { range: 'dissipative', driestRhPct: 30 },
    {
      id: 'electrostatic',
      title: 'Electrostatic range',
      explains: 'For electronics, powders and vapours. “Contains carbon” is no rating: only a measured print counts.',
      Fields: ElectrostaticFields,
    },
  ),
  askOf(
    'insulation',
    { voltageV: 230 },
    {
      id: 'insulation',
      title: 'Electrical insulation',
      explains: 'Field across the thinnest wall. Screening only: the electrical code governs live parts.',
      Fields: ({ asks, set }) => (
        <FieldRow>
          <QuantityField
            label="Maximum voltage"
            dimension="voltage"
            value={asks.insulation!.voltageV}
            bounds={bounds.voltage}
            onChange={(voltageV) => set({ insulation: { voltageV } })}
          />
        </FieldRow>
      ),
    },
  ),
  {
    ...askOf('flameClass', 'V-0', {
      id: 'flame',
      title: 'Flame class',
      explains:
        'After UL 94. A class holds from its tested thickness upwards; a rating on moulded bars does not cover a print.',
      Fields: ({ asks, set }) => (
        <FieldRow>
          <Choice
            label="At least"
            value={asks.flameClass!}
            options={FLAME_ASKS.map((value) => ({ value, label: value }))}
            onChange={(flameClass) => set({ flameClass })}
          />
          <QuantityField
            label="Rated at"
            dimension="length"
            value={asks.flameThicknessMm}
            bounds={bounds.flameThickness}
            hint="empty = its thinnest wall"
            onChange={(flameThicknessMm) => set({ flameThicknessMm })}
            onClear={() => set({ flameThicknessMm: undefined })}
          />
        </FieldRow>
      ),
    }),
    remove: (asks) => without(without(asks, 'flameClass'), 'flameThicknessMm'),
  },
  askOf('oxygenIndexPct', 28, {
    id: 'oxygen-index',
    title: 'Oxygen index',
    explains: 'Lowest oxygen content in which it keeps burning; air has 21 %. Rail and ship rules ask for it.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <QuantityField
          label="At least"
          dimension="fraction"
          value={asks.oxygenIndexPct}
          bounds={bounds.oxygenIndex}
          onChange={(oxygenIndexPct) => set({ oxygenIndexPct })}
        />
      </FieldRow>
    ),
  }),
  {
    ...askOf('smokeStandard', 'ISO 5659-2', {
      id: 'smoke',
      title: 'Smoke',
      explains: 'Smoke density and toxicity to a standard. Only a stated result counts.',
      Fields: ({ asks, set }) => (
        <FieldRow>
          <TextField
            label="To the standard"
            value={asks.smokeStandard!}
            maxLength={80}
            error={asks.smokeStandard!.trim() === '' ? 'Name the standard, or remove this requirement.' : undefined}
            onChange={(smokeStandard) => set({ smokeStandard })}
          />
          <QuantityField
            label="Maximum smoke"
            dimension="ratio"
            value={asks.smokeAtMost}
            bounds={bounds.smoke}
            hint="in the standard’s unit; empty = any result"
            onChange={(smokeAtMost) => set({ smokeAtMost })}
            onClear={() => set({ smokeAtMost: undefined })}
          />
        </FieldRow>
      ),
    }),
    remove: (asks) => without(without(asks, 'smokeStandard'), 'smokeAtMost'),
  },
];
