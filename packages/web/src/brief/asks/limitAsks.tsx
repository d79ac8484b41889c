import { orientationChoices } from '../../ui/orientationChoices.ts';
import { ORIENTATIONS } from '@anvilstone/schema';
import { useBench } from '../../parts/bench.ts';
import { Tick } from '../../ui/fields.tsx';
import { QuantityField } from '../../ui/QuantityField.tsx';
import { bounds } from '../bounds.ts';
import { useIssue } from '../editBrief.ts';
import { askOf, type AskFieldsProps, type AskKind } from './askKind.ts';
import { FieldRow } from './FieldRow.tsx';

function MachineFields({ asks, set }: AskFieldsProps) {
  const { library } = useBench();
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
        <p className="w-full text-xs text-fail">Tick at least one machine, or remove this ask.</p>
      )}
    </div>
  );
}

function OrientationFields({ asks, set }: AskFieldsProps) {
  const chosen = asks.orientations!;
  const { part } = useBench().brief;
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
    title: 'Warns before it breaks',
    explains:
      'It must bow, whiten or creak before it breaks. What snaps, and what parts between its layers, is refused.',
  }),
  askOf('maxMassG', 150, {
    id: 'mass',
    title: 'Mass limit',
    explains: 'The most one part may weigh, printed solid.',
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
    explains: 'The most one good part may cost: filament, machine hours, handling and failed prints.',
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
    explains: 'Leave it off and any machine of the workshop may print the part.',
    Fields: MachineFields,
  }),
  askOf('orientations', ['XY'], {
    id: 'orientations',
    title: 'Only this way up',
    explains: 'Leave it off and all three build orientations are tried.',
    Fields: OrientationFields,
  }),
];
