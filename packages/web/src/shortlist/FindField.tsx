import { useEffect, useState } from 'react';
import { controlLook, Field } from '../ui/fields.tsx';

const SETTLED_MS = 120;

/** Typed here at once, handed on once the typing settles: the address cannot follow every keystroke. */
export function FindField({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const [text, setText] = useState(value);
  useEffect(() => {
    if (text === value) return;
    const timer = setTimeout(() => onChange(text), SETTLED_MS);
    return () => clearTimeout(timer);
  }, [text, value, onChange]);
  return (
    <Field label="Find">
      {(ids) => (
        <input
          {...ids}
          type="search"
          className={controlLook}
          placeholder="name, maker, family"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      )}
    </Field>
  );
}
