import { CONDITIONINGS } from '@anvilstone/schema';
import { useAppDispatch, useAppSelector } from '../../../sync/store/store.ts';
import { Choice } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { conditionChosen, type LibraryAt } from '../../../sync/store/gradesView.ts';

const DIRECTIONS = [
  { value: 'in-plane', label: 'in the layer plane' },
  { value: 'across', label: 'across the layers' },
] as const;
const STATES = { dry: 'dry', conditioned: 'conditioned (50 % RH)', wet: 'saturated' };
const BOUNDS = { minimum: -60, maximum: 300 };

/** Direction, moisture and temperature at which every resolved value on the page is meant. */
export function ConditionChooser() {
  const at = useAppSelector((state) => state.gradesView.at);
  const dispatch = useAppDispatch();
  const choose = (change: Partial<LibraryAt>) => dispatch(conditionChosen(change));
  return (
    <fieldset className="flex items-start gap-2 narrow:flex-wrap">
      <legend className="sr-only">Values are shown at</legend>
      <div className="w-38">
        <Choice
          label="Direction"
          value={at.direction}
          options={DIRECTIONS}
          onChange={(direction) => choose({ direction })}
        />
      </div>
      <div className="w-40">
        <Choice
          label="Moisture state"
          value={at.conditioning}
          options={CONDITIONINGS.map((value) => ({ value, label: STATES[value] }))}
          onChange={(conditioning) => choose({ conditioning })}
        />
      </div>
      <div className="w-24">
        <QuantityField
          label="Temperature"
          dimension="temperature"
          value={at.temperatureC}
          bounds={BOUNDS}
          onChange={(temperatureC) => choose({ temperatureC })}
        />
      </div>
    </fieldset>
  );
}
