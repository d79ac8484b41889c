import { parseQuantity, formatNumber } from '@anvilstone/core/foundations';
import { useState } from 'react';
import { controlLook, Field } from '../../../ui/fields.tsx';

/** A plain number; its unit is chosen beside it. Undefined: emptied. What cannot be read stays, with the reason. */
export function NumberField({
  label,
  value,
  whole = false,
  error,
  onChange,
}: {
  label: string;
  value: number | undefined;
  whole?: boolean;
  error?: string | undefined;
  onChange: (value: number | undefined) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  const parsed = typed === null || typed.trim() === '' ? null : parseQuantity(typed, 'ratio');
  const complaint =
    parsed && !parsed.ok
      ? parsed.message
      : parsed?.ok && whole && !Number.isInteger(parsed.canonical)
        ? 'Enter a whole number.'
        : undefined;
  return (
    <Field label={label} error={complaint ?? error}>
      {(ids) => (
        <input
          {...ids}
          inputMode="decimal"
          autoComplete="off"
          className={controlLook}
          value={typed ?? (value === undefined ? '' : formatNumber(value, 8))}
          onChange={(event) => {
            const text = event.target.value;
            setTyped(text);
            if (text.trim() === '') onChange(undefined);
            const read = parseQuantity(text, 'ratio');
            if (read.ok && (!whole || Number.isInteger(read.canonical))) onChange(read.canonical);
          }}
          onBlur={() => complaint === undefined && setTyped(null)}
        />
      )}
    </Field>
  );
}
