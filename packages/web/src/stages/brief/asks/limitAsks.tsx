import { orientationChoices } from '../../../ui/orientationChoices.ts';
import { ORIENTATIONS } from '@anvilstone/schema';
import { usePartContext } from '../../parts/partContext.ts';
import { Tick } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { askOf, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

function MachineFields({ asks, set }: AskFieldsProps) {
  const { library } = usePartContext();
  const issue = useIssue('/asks/machineIds');
  const chosen = asks.machineIds!;
  return (
    <div className="flex flex-wrap gap-x-4 gap-y-1">
      {library.machines.map((machine) => (
        <Tick
          key={machine.id}
          label={machine.name}
          checked={chosen.includes(machine.id)}
          onChange={(on) =>
            set({ machineIds: on ? [...chosen, machine.id] : chosen.filter((id) => id !== machine.id) })
          }
        />
      ))}
      {(chosen.length === 0 || issue) && (
        <p className="w-full text-xs text-fail">Choose at least one machine, or remove this requirement.</p>
      )}
    </div>
  );
}

function OrientationFields({ asks, set }: AskFieldsProps) {
  const chosen = asks.orientations!;
  const { part } = usePartContext().brief;
  return (
    <div className="flex gap-4">
      {orientationChoices(part).map(({ value: one, label }) => (
        <Tick
          key={one}
          label={label}
          checked={chosen.includes(one)}
          onChange={(on) => {
            const next = ORIENTATIONS.filter((other) => (other === one ? on : chosen.includes(other)));
            if (next.length > 0) set({ orientations: [...next] });
          }}
        />
      ))}
    </div>
  );
}

export const limitAsks: readonly AskKind[] = [
  askOf('mustWarn', true, {
    id: 'warns',
    title: 'Warning before failure',
    explains: 'It must bow, whiten or creak before it fails. Brittle grades and interlayer failures are rejected.',
  }),
  askOf('maxMassG', 150, {
    id: 'mass',
    title: 'Mass limit',
    explains: 'Maximum mass of one part, printed solid.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <QuantityField
          label="At most"
          dimension="mass"
          value={asks.maxMassG}
          bounds={bounds.mass}
          onChange={(maxMassG) => set({ maxMassG })}
        />
      </FieldRow>
    ),
  }),
  askOf('maxCostUsd', 25, {
    id: 'cost',
    title: 'Cost limit',
    explains: 'Maximum cost of one good part: filament, machine time, labour and failed prints.',
    Fields: ({ asks, set }) => (
      <FieldRow>
        <QuantityField
          label="At most"
          dimension="money"
          value={asks.maxCostUsd}
          bounds={bounds.cost}
          onChange={(maxCostUsd) => set({ maxCostUsd })}
        />
      </FieldRow>
    ),
  }),
  askOf('machineIds', [], {
    id: 'machines',
    title: 'Only these machines',
    explains: 'Without it, any available machine may print the part.',
    Fields: MachineFields,
  }),
  askOf('orientations', ['XY'], {
    id: 'orientations',
    title: 'Only this build orientation',
    explains: 'Without it, all three build orientations are evaluated.',
    Fields: OrientationFields,
  }),
];
