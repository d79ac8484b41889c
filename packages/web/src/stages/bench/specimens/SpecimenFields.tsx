import { findMethod } from '@anvilstone/core/evidence';
import {
  CONDITIONINGS,
  LOAD_DIRECTIONS,
  PRINT_DEFECTS,
  type Campaign,
  type Specimen,
  type SpoolInStock,
} from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField, Tick } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import type { Workshop } from '../../../workers/workshop.ts';
import { CONDITIONING_WORDS, DEFECT_WORDS, DIRECTION_WORDS } from '../words.ts';

export interface SpecimenFieldsProps {
  specimen: Specimen;
  campaign: Campaign;
  library: Workshop;
  spools: readonly SpoolInStock[];
  tested: boolean;
  onChange: (to: (one: Specimen) => Specimen) => void;
  onRemove: () => void;
}

/** How one specimen was made, how the print went, what it measures, and which way it was loaded. */
export function SpecimenFields({
  specimen,
  campaign,
  library,
  spools,
  tested,
  onChange,
  onRemove,
}: SpecimenFieldsProps) {
  const gradeId = campaign.arms.find(({ id }) => id === specimen.armId)?.gradeId;
  const own = spools.filter(({ spool }) => spool.gradeId === gradeId);
  const method = findMethod(campaign.methodId);
  const has = (id: 'widthMm' | 'thicknessMm') => method?.sizes.some((size) => size.id === id);
  const set = <K extends keyof Specimen>(field: K, value: Specimen[K] | undefined) =>
    onChange(({ [field]: _was, ...rest }) => (value === undefined ? rest : { ...rest, [field]: value }) as Specimen);
  const measured = (field: 'massG' | 'widthMm' | 'thicknessMm', label: string, dimension: 'mass' | 'length') => (
    <QuantityField
      label={label}
      dimension={dimension}
      value={specimen[field]}
      bounds={{ exclusiveMinimum: 0, maximum: 30_000 }}
      onChange={(value) => set(field, value)}
      onClear={() => set(field, undefined)}
    />
  );
  return (
    <div className="grid grid-cols-5 narrow:grid-cols-2 gap-3">
      <Choice
        label="Spool"
        value={specimen.spoolId ?? ''}
        options={[
          { value: '', label: 'not said' },
          ...own.map(({ spool }) => ({ value: spool.id, label: `${spool.id}, ${spool.colour}` })),
        ]}
        onChange={(value) => set('spoolId', value === '' ? undefined : value)}
      />
      <Choice
        label="Machine"
        value={specimen.machineId ?? ''}
        options={[
          { value: '', label: 'not said' },
          ...library.machines.map(({ id, name }) => ({ value: id, label: name })),
        ]}
        onChange={(value) => set('machineId', value === '' ? undefined : value)}
      />
      <Choice
        label="Moisture state"
        value={specimen.conditioning}
        options={CONDITIONINGS.map((value) => ({ value, label: CONDITIONING_WORDS[value] }))}
        onChange={(value) => set('conditioning', value)}
      />
      <Choice
        label="Loaded"
        value={specimen.loadDirection}
        options={LOAD_DIRECTIONS.map((value) => ({ value, label: DIRECTION_WORDS[value] }))}
        onChange={(value) => set('loadDirection', value)}
      />
      {measured('massG', 'Mass', 'mass')}
      {has('widthMm') && measured('widthMm', 'Width, measured', 'length')}
      {has('thicknessMm') && measured('thicknessMm', 'Thickness, measured', 'length')}
      <div className="col-span-3 narrow:col-span-2">
        <TextField
          label="Print outcome"
          value={specimen.note ?? ''}
          maxLength={4000}
          onChange={(note) => set('note', note === '' ? undefined : note)}
        />
      </div>
      <fieldset className="col-span-4 narrow:col-span-2 flex flex-wrap gap-x-4 gap-y-1">
        <legend className="text-xs text-quiet">Print defects seen</legend>
        {PRINT_DEFECTS.map((defect) => (
          <Tick
            key={defect}
            label={DEFECT_WORDS[defect]}
            checked={specimen.defects.includes(defect)}
            onChange={(on) =>
              set(
                'defects',
                PRINT_DEFECTS.filter((one) => (one === defect ? on : specimen.defects.includes(one))),
              )
            }
          />
        ))}
      </fieldset>
      <div className="self-end text-right">
        {!tested && (
          <Button look="quiet" aria-label={`Remove ${specimen.id}`} onClick={onRemove}>
            Remove it
          </Button>
        )}
      </div>
    </div>
  );
}
