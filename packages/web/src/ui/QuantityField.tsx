import {
  formatNumber,
  formatQuantity,
  definitionOf,
  fromCanonical,
  parseQuantity,
  type Dimension,
  type UnitSystem,
} from '@anvilstone/core';
import { useEffect, useState, type ReactNode } from 'react';
import { useAppSelector } from '../app/store.ts';
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
  const [text, setText] = useState(shown);
  const [typing, setTyping] = useState(false);
  const [complaint, setComplaint] = useState<string>();
  const unit = definitionOf(dimension)[units];

  // Follow the value (undo, another field, other units) unless it is being typed here or a fault is still shown.
  useEffect(() => {
    if (typing) return;
    setText(shown);
    setComplaint(undefined);
  }, [shown, typing]);

  const read = (typed: string) => {
    setText(typed);
    if (typed.trim() === '' && onClear) {
      setComplaint(undefined);
      onClear();
      return;
    }
    const parsed = parseQuantity(typed, dimension, units);
    const fault = parsed.ok ? outside(parsed.canonical, bounds, dimension, units) : parsed.message;
    setComplaint(fault);
    if (parsed.ok && fault === undefined) onChange(parsed.canonical);
  };

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
            value={text}
            onFocus={() => setTyping(true)}
            onChange={(event) => read(event.target.value)}
            onBlur={() => {
              // A fault stays visible until it is put right; a usable entry is shown in the system's unit again.
              if (complaint === undefined) setTyping(false);
            }}
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
