import { controlLook, Field } from '../../ui/fields.tsx';

/** A password: never shown, and told to the browser’s keeper of passwords for what it is. */
export function PasswordField({
  label,
  value,
  onChange,
  isNew = false,
  error,
  hint,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  isNew?: boolean;
  error?: string | undefined;
  hint?: string;
}) {
  return (
    <Field label={label} error={error} hint={hint}>
      {(ids) => (
        <input
          {...ids}
          type="password"
          autoComplete={isNew ? 'new-password' : 'current-password'}
          className={controlLook}
          value={value}
          maxLength={200}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}
