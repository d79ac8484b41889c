import type { Brief, Conditioning, EvidenceClass, Grade, CompanyRules, PropertyId } from '@anvilstone/schema';
import { isClassColumn, TABLE_COLUMNS, type TableColumn } from '@anvilstone/core/evaluation';
import { type UnitSystem, formatQuantity, ROOM_C } from '@anvilstone/core/foundations';
import {
  uncarriedDifferences,
  PROPERTY_DEFINITIONS,
  type ResolveAt,
  resolve,
  resolveClass,
} from '@anvilstone/core/materials';

/** How a value stands to the base’s. */
export type Against =
  | { kind: 'base' }
  | { kind: 'percent'; percent: number }
  /** Of temperatures the difference: a percentage of a Celsius number would mean nothing. */
  | { kind: 'kelvin'; kelvin: number }
  /** Of what spans many powers of ten, such as a resistivity. */
  | { kind: 'decades'; decades: number }
  | { kind: 'class'; equal: boolean }
  | { kind: 'refused'; why: string }
  | { kind: 'unknown' };

export interface PropertyCell {
  /** Canonical unit, or the index of a class; null: unknown. Infinite is a bar that did not break. */
  value: number | null;
  evidence: EvidenceClass | null;
  against: Against;
}

/** One property of all finalists at one condition. */
export interface PropertyRow {
  id: string;
  title: string;
  property: PropertyId;
  /** “in plane, 23 °C, dry” */
  condition: string;
  cells: readonly PropertyCell[];
}

const MOISTURE: Record<Conditioning, string> = { dry: 'dry', conditioned: 'equilibrium at 50 % RH', wet: 'saturated' };

/** The warmest at which a load of the brief acts, or the part sits for long, °C. */
export function warmestC(brief: Brief): number {
  return Math.max(
    ROOM_C,
    brief.asks.heat?.steadyC ?? ROOM_C,
    ...brief.loadCases.map(({ temperatureC }) => temperatureC),
  );
}

/**
 * Every property that at least one finalist has, at the part’s own moisture state: at 23 °C, stiffness and strength again
 * across the layers and at the warmest that the part has to stand. The first grade is the base of every percentage.
 */
export function propertyRows(
  brief: Brief,
  grades: readonly Grade[],
  rules: CompanyRules,
  units: UnitSystem,
): PropertyRow[] {
  const hotC = warmestC(brief);
  return TABLE_COLUMNS.flatMap((column): PropertyRow[] => {
    const { kind } = PROPERTY_DEFINITIONS[column.property];
    const isMechanical = kind === 'strength' || kind === 'modulus';
    const base = { conditioning: brief.moisture, ...(column.parameters ? { parameters: column.parameters } : {}) };
    const at: ResolveAt[] = [{ ...base, direction: 'in-plane' }];
    if (isMechanical) at.push({ ...base, direction: 'across' });
    if (isMechanical && hotC > ROOM_C) at.push({ ...base, direction: 'in-plane', temperatureC: hotC });
    return at
      .map((where) => rowOf(column, where, grades, rules, isMechanical, units))
      .filter(({ cells }) => cells.some(({ value }) => value !== null));
  });
}

function rowOf(
  column: TableColumn,
  where: ResolveAt,
  grades: readonly Grade[],
  rules: CompanyRules,
  isMechanical: boolean,
  units: UnitSystem,
): PropertyRow {
  const found = grades.map((grade) => reading(column, where, grade, rules));
  const temperatureC = where.temperatureC ?? ROOM_C;
  const condition = isClassColumn(column)
    ? 'as classed'
    : [
        ...(isMechanical ? [where.direction === 'across' ? 'across layers' : 'in plane'] : []),
        ...(PROPERTY_DEFINITIONS[column.property].dimension === 'temperature'
          ? []
          : [formatQuantity(temperatureC, 'temperature', units)]),
        MOISTURE[where.conditioning],
      ].join(', ');
  return {
    id: [column.id, where.direction, temperatureC].join(' '),
    title: column.title,
    property: column.property,
    condition,
    cells: found.map((one, i): PropertyCell => ({
      value: one.value,
      evidence: one.evidence,
      against: i === 0 ? { kind: 'base' } : againstBase(column, found[0]!, one),
    })),
  };
}

interface Reading {
  value: number | null;
  evidence: EvidenceClass | null;
  used: Grade['observations'][number] | undefined;
}

function reading(column: TableColumn, where: ResolveAt, grade: Grade, rules: CompanyRules): Reading {
  const none: Reading = { value: null, evidence: null, used: undefined };
  const usedOf = (id: string | undefined) => grade.observations.find((one) => one.id === id);
  if (isClassColumn(column)) {
    const found = resolveClass(grade, column.property);
    if (!found.known) return none;
    const value = PROPERTY_DEFINITIONS[column.property].classes!.indexOf(found.classValue);
    return { value, evidence: found.evidence, used: usedOf(found.observationId) };
  }
  const found = resolve(grade, column.property, where, rules);
  return found.known ? { value: found.value, evidence: found.evidence, used: usedOf(found.observationId) } : none;
}

function againstBase({ property, parameters }: TableColumn, base: Reading, one: Reading): Against {
  if (base.value === null || one.value === null) return { kind: 'unknown' };
  const differences = uncarriedDifferences(property, base.used, one.used, parameters);
  if (differences.length > 0) return { kind: 'refused', why: differences.map(({ text }) => text).join('; ') };
  const { classes, dimension, logarithmic } = PROPERTY_DEFINITIONS[property];
  if (classes) return { kind: 'class', equal: base.value === one.value };
  if (dimension === 'temperature') return { kind: 'kelvin', kelvin: one.value - base.value };
  if (logarithmic && base.value > 0 && one.value > 0)
    return { kind: 'decades', decades: Math.log10(one.value / base.value) };
  if (!Number.isFinite(base.value) || !Number.isFinite(one.value) || base.value === 0)
    return base.value === one.value ? { kind: 'percent', percent: 0 } : { kind: 'unknown' };
  return { kind: 'percent', percent: 100 * (one.value / base.value - 1) };
}
