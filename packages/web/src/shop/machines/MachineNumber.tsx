import { machine as schema, type Machine } from '@anvilstone/schema';
import type { Dimension } from '@anvilstone/core/foundations';
import { QuantityField, type Bounds } from '../../ui/QuantityField.tsx';

type NumberKeys<T> = { [K in keyof T]-?: NonNullable<T[K]> extends number ? K : never }[keyof T] & string;

const boundsOf = (name: string): Bounds => {
  const found = (schema.properties as Record<string, Bounds & { anyOf?: Bounds[] }>)[name];
  return found?.anyOf?.[0] ?? found ?? { exclusiveMinimum: 0, maximum: 100_000 };
};

/** A number of a machine, or of a part of it, within the bounds of the schema. */
export function MachineNumber<T extends object>({
  machine,
  change,
  name,
  label,
  dimension,
}: {
  machine: T;
  change: (next: Partial<T>) => void;
  name: NumberKeys<T>;
  label: string;
  dimension: Dimension;
}) {
  return (
    <QuantityField
      label={label}
      dimension={dimension}
      value={(machine[name] as number | null) ?? undefined}
      bounds={boundsOf(name)}
      onChange={(value) => change({ [name]: value } as unknown as Partial<T>)}
    />
  );
}

/** One that a machine need not state. */
export function OptionalMachineNumber({
  machine,
  optional,
  name,
  label,
  dimension,
}: {
  machine: Machine;
  optional: (key: NumberKeys<Machine>, value: number | undefined) => void;
  name: NumberKeys<Machine>;
  label: string;
  dimension: Dimension;
}) {
  return (
    <QuantityField
      label={label}
      dimension={dimension}
      value={machine[name] ?? undefined}
      bounds={boundsOf(name)}
      hint={machine[name] === undefined ? 'not stated' : undefined}
      onChange={(value) => optional(name, value)}
      onClear={() => optional(name, undefined)}
    />
  );
}
