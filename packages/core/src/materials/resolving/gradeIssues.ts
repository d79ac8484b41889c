import type { Grade, Observation, ProblemIssue } from '@anvilstone/schema';
import { findUnit, formatNumber, fromCanonical, unitList } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from './properties.ts';

/** What a schema cannot see in a grade: units that do not belong, ranges that run backwards, results that are missing. */
export function gradeIssues(grade: Grade, at = ''): ProblemIssue[] {
  const issues: ProblemIssue[] = [];
  const seen = new Set<string>();
  grade.observations.forEach((observation, i) => {
    const pointer = `${at}/observations/${i}`;
    if (seen.has(observation.id)) {
      issues.push({
        pointer: `${pointer}/id`,
        detail: `The id “${observation.id}” is there twice`,
        accepted: 'an id of its own',
      });
    }
    seen.add(observation.id);
    issues.push(...observationIssues(observation, pointer));
  });
  for (const name of ['nozzleC', 'bedC', 'chamberC', 'fanPct'] as const) {
    const range = grade.process[name];
    if (range && range.low > range.high) {
      issues.push({
        pointer: `${at}/process/${name}`,
        detail: `${range.low} to ${range.high} runs backwards`,
        accepted: 'the lower end first',
      });
    }
  }
  return issues;
}

/** What converting a bound to another unit may be off by. */
const SLACK = 1e-9;

/** The same for one observation. */
export function observationIssues(observation: Observation, pointer = ''): ProblemIssue[] {
  const { title, dimension, physical, classes, wording } = PROPERTY_DEFINITIONS[observation.property];
  const { value, low, high, classValue, unit } = observation;
  if (classes) {
    if (classValue !== undefined && classes.includes(classValue)) return [];
    return [
      {
        pointer: `${pointer}/classValue`,
        detail: `${title}: ${classValue === undefined ? 'no class is given' : `“${classValue}” is none`}`,
        accepted: classes.join(', '),
      },
    ];
  }
  if (classValue !== undefined && value === undefined) {
    if (wording?.includes(classValue)) return [];
    return [
      {
        pointer: `${pointer}/classValue`,
        detail: `${title} is a number; “${classValue}” is none`,
        accepted: ['a number', ...(wording ?? [])].join(', '),
      },
    ];
  }
  const issues: ProblemIssue[] = [];
  if (value === undefined && (low === undefined || high === undefined)) {
    issues.push({
      pointer: `${pointer}/value`,
      detail: `${title} has no number`,
      accepted: 'a value, or a range with both ends',
    });
  }
  if (low !== undefined && high !== undefined && low > high) {
    issues.push({
      pointer: `${pointer}/low`,
      detail: `${low} to ${high} runs backwards`,
      accepted: 'the lower end first',
    });
  }
  for (const field of ['value', 'low', 'high'] as const) {
    const number = observation[field];
    if (number === undefined || !findUnit(dimension, unit)) continue;
    const [least, most] = physical.map((bound) => fromCanonical(bound, unit, dimension)) as [number, number];
    if (number < least - SLACK * Math.abs(least) || number > most + SLACK * Math.abs(most))
      issues.push({
        pointer: `${pointer}/${field}`,
        detail: `${title} of ${formatNumber(number)} ${unit}: no filament reaches it`,
        accepted: `${formatNumber(least)} to ${formatNumber(most)} ${unit}`,
      });
  }
  const fits = findUnit(dimension, unit) ?? (dimension === 'impact' ? findUnit('impactPerThickness', unit) : undefined);
  if (!fits)
    issues.push({
      pointer: `${pointer}/unit`,
      detail: `“${unit}” is not a unit of ${title}`,
      accepted: unitList(dimension),
    });
  return issues;
}
