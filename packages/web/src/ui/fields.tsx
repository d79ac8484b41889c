import { useId, type ReactNode } from 'react';

/** Label, control, and whatever is wrong with it, in that order and tied together for screen readers. */
export function Field({
  label,
  error,
  hint,
  children,
}: {
  label: ReactNode;
  error?: string | undefined;
  hint?: ReactNode;
  children: (ids: { id: string; 'aria-describedby': string; 'aria-invalid': boolean }) => ReactNode;
}) {
  const id = useId();
  return (
    <div className="min-w-0">
      <label htmlFor={id} className="mb-0.5 block text-xs text-quiet">
        {label}
      </label>
      {children({ id, 'aria-describedby': `${id}-note`, 'aria-invalid': error !== undefined })}
      <div id={`${id}-note`} className="text-xs">
        {error !== undefined ? (
          <p className="mt-0.5 text-fail">{error}</p>
        ) : (
          hint && <p className="mt-0.5 text-quiet">{hint}</p>
        )}
      </div>
    </div>
  );
}

export const controlLook =
  'w-full rounded border border-line-strong bg-surface px-2 py-1 text-base aria-invalid:border-fail aria-invalid:bg-fail-ground';

export function TextField({
  label,
  value,
  onChange,
  error,
  maxLength,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  maxLength?: number;
}) {
  return (
    <Field label={label} error={error}>
      {(ids) => (
        <input
          {...ids}
          className={controlLook}
          value={value}
          maxLength={maxLength}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}

export function TextArea({
  label,
  value,
  onChange,
  error,
  rows = 3,
  maxLength = 4000,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  rows?: number;
  maxLength?: number;
}) {
  return (
    <Field label={label} error={error}>
      {(ids) => (
        <textarea
          {...ids}
          className={controlLook}
          rows={rows}
          value={value}
          maxLength={maxLength}
          onChange={(event) => onChange(event.target.value)}
        />
      )}
    </Field>
  );
}

export function Choice<T extends string>({
  label,
  value,
  options,
  error,
  onChange,
}: {
  label: ReactNode;
  value: T;
  options: readonly { value: T; label: string }[];
  error?: string | undefined;
  onChange: (value: T) => void;
}) {
  return (
    <Field label={label} error={error}>
      {(ids) => (
        <select {...ids} className={controlLook} value={value} onChange={(event) => onChange(event.target.value as T)}>
          {options.map((option) => (
            <option key={option.value} value={option.value}>
              {option.label}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

export function Tick({
  label,
  checked,
  disabled = false,
  onChange,
}: {
  label: ReactNode;
  checked: boolean;
  disabled?: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex items-start gap-2 text-sm">
      <input
        type="checkbox"
        className="mt-0.5 accent-(--ember)"
        checked={checked}
        disabled={disabled}
        onChange={(event) => onChange(event.target.checked)}
      />
      <span>{label}</span>
    </label>
  );
}
