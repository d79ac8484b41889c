import {
  formatNumber,
  formatQuantity,
  definitionOf,
  fromCanonical,
  parseQuantity,
  type Dimension,
  type UnitSystem,
} from '@anvilstone/core/foundations';
import { useState, type ReactNode } from 'react';
import { useAppSelector } from '../sync/store/store.ts';
import { controlLook, Field } from './fields.tsx';

/** Bounds as a JSON Schema states them, in canonical units. */
export interface Bounds {
  minimum?: number;
  exclusiveMinimum?: number;
  maximum?: number;
}

export interface QuantityFieldProps {
  label: ReactNode;
  dimension: Dimension;
  /** Canonical units; undefined shows an empty field. */
  value: number | undefined;
  onChange: (canonical: number) => void;
  /** Present: the field may be emptied. */
  onClear?: () => void;
  bounds?: Bounds;
  error?: string | undefined;
  hint?: ReactNode;
}

/**
 * A number with its unit. Reads "12 lbf", "140 °F" or "3/16 in" whatever the unit system; a bare number has the system's
 * unit. What cannot be used stays in the field with the reason beside it, and the last usable value stays in force.
 */
export function QuantityField({
  label,
  dimension,
  value,
  onChange,
  onClear,
  bounds = {},
  error,
  hint,
}: QuantityFieldProps) {
  const units = useAppSelector((state) => state.settings.units);
  const shown = value === undefined ? '' : editable(value, dimension, units);
  // What is being typed, or could not be used; null shows the value itself, so that undo and other units show at once.
  const [typed, setTyped] = useState<{ text: string; complaint: string | undefined } | null>(null);
  const unit = definitionOf(dimension)[units];

  const read = (text: string) => {
    if (text.trim() === '' && onClear) {
      setTyped({ text, complaint: undefined });
      onClear();
      return;
    }
    const parsed = parseQuantity(text, dimension, units);
    const complaint = parsed.ok ? outside(parsed.canonical, bounds, dimension, units) : parsed.message;
    setTyped({ text, complaint });
    if (parsed.ok && complaint === undefined) onChange(parsed.canonical);
  };

  const complaint = typed?.complaint;
  const inForce =
    value === undefined ? 'Nothing is asked' : `${formatQuantity(value, dimension, units, 6)} stays in force`;
  return (
    <Field label={label} error={complaint === undefined ? error : `${complaint} ${inForce}.`} hint={hint}>
      {(ids) => (
        <span className="relative block">
          <input
            {...ids}
            inputMode="text"
            autoComplete="off"
            className={`${controlLook} pr-12`}
            value={typed?.text ?? shown}
            onChange={(event) => read(event.target.value)}
            // A fault stays until it is corrected; a usable entry is shown in the system's unit again.
            onBlur={() => complaint === undefined && setTyped(null)}
          />
          <span
            className="pointer-events-none absolute top-1/2 right-2 -translate-y-1/2 text-xs text-quiet"
            aria-hidden="true"
          >
            {unit}
          </span>
        </span>
      )}
    </Field>
  );
}

function editable(canonical: number, dimension: Dimension, units: UnitSystem): string {
  const unit = definitionOf(dimension)[units];
  const number = unit === '' ? canonical : fromCanonical(canonical, unit, dimension);
  return formatNumber(number, 6);
}

function outside(
  value: number,
  { minimum, exclusiveMinimum, maximum }: Bounds,
  dimension: Dimension,
  units: UnitSystem,
): string | undefined {
  const show = (bound: number) => formatQuantity(bound, dimension, units, 6);
  if (exclusiveMinimum !== undefined && value <= exclusiveMinimum) return `Must be above ${show(exclusiveMinimum)}.`;
  if (minimum !== undefined && value < minimum) return `Must be ${show(minimum)} or more.`;
  if (maximum !== undefined && value > maximum) return `Must be ${show(maximum)} or less.`;
  return undefined;
}
