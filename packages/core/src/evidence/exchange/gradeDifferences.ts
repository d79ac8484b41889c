import type { FieldDifference, Grade, Observation } from '@anvilstone/schema';
import { reportedText, PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { cellOf, GRADE_FIELDS, OBSERVATION_FIELDS } from './fields.ts';

/** Fields of the grade itself that differ between two states of it. */
export function fieldDifferences(before: Grade, after: Grade): FieldDifference[] {
  return GRADE_FIELDS.flatMap((field) => {
    const [old, now] = [cellOf(before, field), cellOf(after, field)];
    return old === now
      ? []
      : [{ field: field.header, before: old === null ? null : String(old), after: now === null ? null : String(now) }];
  });
}

/** What an observation is of, with the conditions that tell it from its neighbours. */
export const observationName = (one: Observation) =>
  [
    PROPERTY_DEFINITIONS[one.property]?.title ?? one.property,
    one.orientation,
    one.conditioning,
    one.hdtStressMPa === undefined ? null : `${one.hdtStressMPa} MPa`,
  ]
    .filter(Boolean)
    .join(', ');

export const observationReport = (one: Observation) =>
  `${reportedText(one)}${one.standardDeviation === undefined ? '' : ` ± ${one.standardDeviation}`}, ${one.reference}`;

/** All that changed between two states of a grade, one line each; null stands for “not there”. */
export function gradeDifferences(before: Grade, after: Grade): FieldDifference[] {
  const old = new Map(before.observations.map((one) => [one.id, one]));
  const now = new Map(after.observations.map((one) => [one.id, one]));
  const evidence = [...new Set([...old.keys(), ...now.keys()])].flatMap((id): FieldDifference[] => {
    const [was, is] = [old.get(id), now.get(id)];
    if (was && is && !changed(was, is)) return [];
    const name = observationName((is ?? was)!);
    if (!was || !is)
      return [{ field: name, before: was ? observationReport(was) : null, after: is ? observationReport(is) : null }];
    const [from, to] = [observationReport(was), observationReport(is)];
    return from === to ? conditionsChanged(was, is, name) : [{ field: name, before: from, after: to }];
  });
  const claims = [JSON.stringify(before.claims ?? []), JSON.stringify(after.claims ?? [])];
  const statements = (grade: Grade) => (grade.claims ?? []).map(({ statement }) => statement).join('; ') || null;
  return [
    ...fieldDifferences(before, after),
    ...evidence,
    ...(claims[0] === claims[1]
      ? []
      : [{ field: 'Certificates and statements', before: statements(before), after: statements(after) }]),
  ];
}

const changed = (was: Observation, is: Observation) =>
  OBSERVATION_FIELDS.some((field) => cellOf(was, field) !== cellOf(is, field));

function conditionsChanged(was: Observation, is: Observation, name: string): FieldDifference[] {
  return OBSERVATION_FIELDS.filter((field) => cellOf(was, field) !== cellOf(is, field)).map((field) => ({
    field: `${name}: ${field.header.toLowerCase()}`,
    before: textOf(cellOf(was, field)),
    after: textOf(cellOf(is, field)),
  }));
}
const textOf = (cell: ReturnType<typeof cellOf>) => (cell === null ? null : String(cell));
