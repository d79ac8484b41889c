import { combinationName } from '@anvilstone/core/decisions';
import { combinableLoads } from '@anvilstone/core/shapes';
import { loadCombination, type Brief, type LoadCombination } from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { Tick } from '../../../ui/fields.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { QuantityField, type Bounds } from '../../../ui/QuantityField.tsx';
import { withCombination, withNewCombination, withoutCombination } from './combinations.ts';
import { useEdit } from '../editBrief.ts';

const MOST = 12;
const FEWEST = 2;

/** Which loads act at the same time; all others are alternatives. */
export function CombinationsPanel({ brief }: { brief: Brief }) {
  const edit = useEdit();
  const loads = combinableLoads(brief);
  const { combinations = [] } = brief;
  if (loads.length < FEWEST) return null;
  return (
    <Panel
      title="Load combinations"
      aside={
        <Button
          disabled={combinations.length >= MOST}
          onClick={() => edit(withNewCombination(brief), 'add-combination')}
        >
          Add a combination
        </Button>
      }
    >
      <p className="text-xs text-quiet">
        {combinations.length === 0
          ? 'Each load is checked alone. Combine loads that act at the same time: a shock on top of a steady pull, or two directions at once.'
          : 'At each location their utilisations add up, and so do their deflections. All other loads are alternatives.'}
      </p>
      <div className="mt-2 flex flex-col gap-4">
        {combinations.map((one) => (
          <Combination key={one.id} brief={brief} one={one} />
        ))}
      </div>
    </Panel>
  );
}

function Combination({ brief, one }: { brief: Brief; one: LoadCombination }) {
  const edit = useEdit();
  const name = combinationName(one, brief);
  const change = (part: Partial<LoadCombination>, field: string) =>
    edit(withCombination(brief, one.id, part), `${one.id}-${field}`);
  return (
    <fieldset className="border-l-3 border-line pl-3">
      <legend className="text-sm font-semibold">{name}</legend>
      <div className="flex flex-wrap gap-x-4 gap-y-1">
        {combinableLoads(brief).map(({ id, name: loadName }) => {
          const on = one.loadIds.includes(id);
          return (
            <Tick
              key={id}
              label={loadName}
              checked={on}
              disabled={on && one.loadIds.length <= FEWEST}
              onChange={(wanted) =>
                change(
                  { loadIds: wanted ? [...one.loadIds, id] : one.loadIds.filter((other) => other !== id) },
                  'loads',
                )
              }
            />
          );
        })}
      </div>
      <div className="mt-1 grid grid-cols-[14rem_auto] items-end justify-between gap-4">
        <QuantityField
          label="Combined deflection limit"
          dimension="length"
          value={one.maxMovementMm}
          bounds={loadCombination.properties.maxMovementMm as Bounds}
          hint="empty = largest limit of the loads"
          onChange={(maxMovementMm) => change({ maxMovementMm }, 'limit')}
          onClear={() => change({ maxMovementMm: undefined as never }, 'limit')}
        />
        <Button
          look="quiet"
          aria-label={`Remove ${name}`}
          onClick={() => edit(withoutCombination(brief, one.id), 'remove-combination')}
        >
          Remove
        </Button>
      </div>
    </fieldset>
  );
}
