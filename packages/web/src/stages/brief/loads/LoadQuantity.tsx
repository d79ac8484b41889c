import { loadCase as loadCaseSchema, type LoadCase } from '@anvilstone/schema';
import { QuantityField, type Bounds } from '../../../ui/QuantityField.tsx';
import { useIssue } from '../editBrief.ts';
import { dimensionOf } from '../../../ui/form/fieldWords.ts';

export type ChangeLoad = (change: Partial<LoadCase>, field: string) => void;
type NumberField = { [K in keyof LoadCase]-?: Required<LoadCase>[K] extends number ? K : never }[keyof LoadCase];

/** One number of a load, with the bounds of the schema and what the server says of it. */
export function LoadQuantity({
  loadCase,
  index,
  field,
  label,
  hint,
  optional = false,
  onChange,
}: {
  loadCase: LoadCase;
  index: number;
  field: NumberField;
  label: string;
  hint?: string;
  optional?: boolean;
  onChange: ChangeLoad;
}) {
  const issue = useIssue(`/loadCases/${index}/${field}`);
  const dimension =
    field === 'safetyFactor' ||
    field === 'cycles' ||
    field === 'stressRatio' ||
    field === 'onShare' ||
    field === 'shockFactor'
      ? 'ratio'
      : dimensionOf(field);
  return (
    <QuantityField
      label={label}
      dimension={dimension}
      value={loadCase[field]}
      bounds={loadCaseSchema.properties[field] as Bounds}
      error={issue}
      hint={hint}
      onChange={(value) => onChange({ [field]: value }, field)}
      {...(optional ? { onClear: () => onChange({ [field]: undefined }, field) } : {})}
    />
  );
}
