import type { Dimension } from '@anvilstone/core/foundations';
import { defaultCompanyRules, type RuleMeaning, ruleValue } from '@anvilstone/core/materials';
import { companyRules as schema, type CompanyRules } from '@anvilstone/schema';
import { QuantityField, type Bounds } from '../../ui/QuantityField.tsx';
import { useSay } from '../../ui/useSay.ts';

const DIMENSIONS: Record<string, Dimension> = { '°C': 'temperature', USD: 'money', h: 'time', '%': 'fraction' };

/** One policy value: what it is, why its default is what it is, and what a new workshop has. */
export function RuleField({
  meaning,
  rules,
  onChange,
  onClear,
}: {
  meaning: RuleMeaning;
  rules: CompanyRules;
  onChange: (value: number | string) => void;
  onClear: (() => void) | undefined;
}) {
  const say = useSay();
  const { id, title, unit = '', choices, reason } = meaning;
  const value = rules[id];
  const usual = defaultCompanyRules[id];
  const differs = value !== usual;
  return (
    <div
      className={`grid grid-cols-[minmax(0,1fr)_13rem] narrow:grid-cols-1 gap-4 border-b border-line py-2 last:border-0 ${differs ? 'bg-ember-ground' : ''} -mx-4 px-4`}
    >
      <div>
        <p className="font-semibold">{title}</p>
        <p className="text-xs text-quiet">
          {say(reason)}
          {differs && <span className="text-ember"> Default: {ruleValue(meaning, usual)}.</span>}
        </p>
      </div>
      {choices ? (
        <div role="radiogroup" aria-label={title} className="flex flex-col gap-1 text-sm">
          {Object.entries(choices).map(([choice, words]) => (
            <label key={choice} className="flex cursor-pointer items-start gap-2">
              <input
                type="radio"
                name={id}
                className="mt-1 accent-(--ember)"
                checked={value === choice}
                onChange={() => onChange(choice)}
              />
              {words}
            </label>
          ))}
        </div>
      ) : (
        <QuantityField
          label={<span className="sr-only">{title}</span>}
          dimension={unit === 'share' ? 'ratio' : (DIMENSIONS[unit] ?? 'ratio')}
          value={value as number | undefined}
          bounds={schema.properties[id] as Bounds}
          hint={unit === 'share' ? 'share, 0 to 1' : unit in DIMENSIONS ? '' : unit}
          onChange={onChange}
          {...(onClear ? { onClear } : {})}
        />
      )}
    </div>
  );
}
