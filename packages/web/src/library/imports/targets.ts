import { CLAIM_FIELDS, GRADE_FIELDS, OBSERVATION_FIELDS } from '@anvilstone/core/evidence/fields';
import { PROPERTY_DEFINITIONS, PROPERTY_GROUPS } from '@anvilstone/core/materials';
import type { ImportPlan } from '@anvilstone/schema';

export interface Target {
  id: string;
  label: string;
  group: string;
}

const RANGES: readonly [string, string][] = [
  ['grade.process.nozzleC', 'Nozzle temperature, as a range'],
  ['grade.process.bedC', 'Bed temperature, as a range'],
  ['grade.process.chamberC', 'Chamber temperature, as a range'],
  ['grade.process.fanPct', 'Part cooling, as a range'],
];

const gradeTargets: Target[] = [
  ...GRADE_FIELDS.filter(({ path }) => !/\.(low|high)$/.test(path)).map(({ path, header }) => ({
    id: `grade.${path}`,
    label: header,
    group: 'The grade',
  })),
  ...RANGES.map(([id, label]) => ({ id, label, group: 'The grade' })),
];
const propertyTargets: Target[] = PROPERTY_GROUPS.flatMap((group) =>
  Object.entries(PROPERTY_DEFINITIONS)
    .filter(([, definition]) => definition.group === group)
    .map(([id, { title }]) => ({ id: `property.${id}`, label: title, group })),
);
const longTargets: Target[] = [
  { id: 'record', label: 'Kind of record', group: 'The observation' },
  ...OBSERVATION_FIELDS.map(({ path, header }) => ({
    id: `observation.${path}`,
    label: header,
    group: 'The observation',
  })),
  ...CLAIM_FIELDS.map(({ path, header }) => ({ id: `claim.${path}`, label: header, group: 'Certificates' })),
  ...GRADE_FIELDS.filter(({ path }) => /\.(low|high)$/.test(path)).map(({ path, header }) => ({
    id: `grade.${path}`,
    label: header,
    group: 'The grade',
  })),
];

/** What a column may be taken for: in a wide table properties, in a long one the parts of an observation. */
export function targetsFor(layout: ImportPlan['layout']): Target[] {
  return layout === 'wide'
    ? [...gradeTargets, ...propertyTargets, ...longTargets.filter(({ id }) => id === 'observation.reference')]
    : [...gradeTargets, ...longTargets];
}

export const IGNORE: Target = { id: 'ignore', label: 'Ignore', group: '' };
