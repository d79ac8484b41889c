import type { Brief, ProblemIssue } from '@anvilstone/schema';
import { InputError } from '../input/InputError.ts';
import { partBody } from '../parts/index.ts';

/**
 * What a schema cannot see in a brief: dimensions that do not go together, two loads under one id, a peak below the steady
 * temperature. Empty when the brief can be evaluated.
 */
export function briefIssues(brief: Brief): ProblemIssue[] {
  const issues: ProblemIssue[] = [];
  try {
    partBody(brief.part);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    const inSection = error.field in brief.part.section;
    issues.push({
      pointer: `/part/${inSection ? 'section/' : ''}${error.field}`,
      detail: error.message,
      accepted: error.accepted,
    });
  }
  brief.loadCases.forEach((loadCase, index) => {
    if (brief.loadCases.findIndex((other) => other.id === loadCase.id) < index) {
      issues.push({
        pointer: `/loadCases/${index}/id`,
        detail: `Two loads have the id “${loadCase.id}”`,
        accepted: 'an id of its own',
      });
    }
    const { maxDeflectionMm, maxSagMm } = loadCase;
    if (maxDeflectionMm !== undefined && maxSagMm !== undefined && maxSagMm < maxDeflectionMm) {
      issues.push({
        pointer: `/loadCases/${index}/maxSagMm`,
        detail: `${maxSagMm} mm at the end is less than the ${maxDeflectionMm} mm allowed as the load comes on`,
        accepted: 'the same or more: sag starts from the deflection',
      });
    }
  });
  const { heat } = brief.asks;
  if (heat?.steadyC !== undefined && heat.peak && heat.peak.temperatureC < heat.steadyC) {
    issues.push({
      pointer: '/asks/heat/peak/temperatureC',
      detail: `The peak, ${heat.peak.temperatureC} °C, is below the steady temperature, ${heat.steadyC} °C`,
      accepted: `${heat.steadyC} °C or more`,
    });
  }
  return issues;
}
