import { useEffect, useState } from 'react';
import { controlLook, Field } from '../../../ui/fields.tsx';

const SETTLED_MS = 120;

/** Typed here at once, handed on once the typing settles: the address cannot follow every keystroke. */
export function FindField({ value, onChange }: { value: string; onChange: (value: string) => void }) {
  const [text, setText] = useState(value);
  const [handedOn, setHandedOn] = useState(value);
  const [seen, setSeen] = useState(value);
  // The address changed by itself, for example by going back: that counts. What comes back of our own does not.
  if (value !== seen) {
    setSeen(value);
    if (value !== handedOn) {
      setText(value);
      setHandedOn(value);
    }
  }
  useEffect(() => {
    if (text === handedOn) return;
    const timer = setTimeout(() => {
      setHandedOn(text);
      onChange(text);
    }, SETTLED_MS);
    return () => clearTimeout(timer);
  }, [text, handedOn, onChange]);
  return (
    <Field label="Find">
      {(ids) => (
        <input
          {...ids}
          type="search"
          className={controlLook}
          placeholder="name, family"
          value={text}
          onChange={(event) => setText(event.target.value)}
        />
      )}
    </Field>
  );
}
