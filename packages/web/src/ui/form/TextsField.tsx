import { useState } from 'react';
import { controlLook, Field } from '../fields.tsx';

/** Several short texts in one line, with commas between. A comma being typed does not vanish: what is typed stays as it is. */
export function TextsField({
  label,
  value,
  error,
  hint,
  onChange,
}: {
  label: string;
  value: readonly string[];
  error?: string | undefined;
  hint?: string | undefined;
  onChange: (value: string[]) => void;
}) {
  const [typed, setTyped] = useState<string | null>(null);
  return (
    <Field label={label} error={error} hint={hint}>
      {(ids) => (
        <input
          {...ids}
          className={controlLook}
          value={typed ?? value.join(', ')}
          onChange={({ target: { value: text } }) => {
            setTyped(text);
            onChange(
              text
                .split(',')
                .map((one) => one.trim())
                .filter((one) => one !== ''),
            );
          }}
          onBlur={() => setTyped(null)}
        />
      )}
    </Field>
  );
}
