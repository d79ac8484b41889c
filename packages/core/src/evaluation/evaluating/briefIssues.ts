import type { Brief, LoadCase, ProblemIssue } from '@anvilstone/schema';
import { InputError } from '@anvilstone/core/foundations';
import { preparePart } from './preparePart.ts';

/** What a schema cannot see: values that are each allowed and do not go together. Empty when the brief can be evaluated. */
export function briefIssues(brief: Brief): ProblemIssue[] {
  const issues: ProblemIssue[] = [];
  try {
    preparePart(brief);
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    issues.push({ pointer: pointerOf(error.field, brief), detail: error.message, accepted: error.accepted });
  }
  issues.push(...allLoadIssues(brief));
  issues.push(...heatIssues(brief), ...contactIssues(brief), ...surroundingIssues(brief));
  return issues;
}

/** Of every load of the part and its features; their ids, and those of combinations, are told apart across all of them. */
function allLoadIssues(brief: Brief): ProblemIssue[] {
  const seen = new Set<string>();
  const issues: ProblemIssue[] = [];
  const take = (id: string, pointer: string) => {
    if (seen.has(id)) issues.push({ pointer, detail: `Two loads have the id “${id}”`, accepted: 'an id of its own' });
    seen.add(id);
  };
  const models = [
    { at: '', ...brief },
    ...(brief.features ?? []).map((feature, i) => ({ at: `/features/${i}`, ...feature })),
  ];
  for (const { at, loadCases, combinations = [] } of models) {
    loadCases.forEach((loadCase, i) => {
      take(loadCase.id, `${at}/loadCases/${i}/id`);
      issues.push(...loadIssues(loadCase, `${at}/loadCases/${i}`));
    });
    combinations.forEach(({ id }, i) => take(id, `${at}/combinations/${i}/id`));
  }
  return issues;
}

/** As typed in other units, force over area is never the pressure to the last digit. */
const SAME_PRESSURE = 1e-3;

function contactIssues({ asks: { sliding } }: Brief): ProblemIssue[] {
  if (!sliding) return [];
  const { contactForceN: force, contactAreaMm2: area, pressureMPa } = sliding;
  if (force === undefined && area === undefined) return [];
  const issue = (field: string, detail: string, accepted: string): ProblemIssue[] => [
    { pointer: `/asks/sliding/${field}`, detail, accepted },
  ];
  if (area === undefined)
    return issue('contactAreaMm2', 'A contact force without its area', 'an area, or a pressure alone');
  if (force === undefined)
    return issue('contactForceN', 'A contact area without its force', 'its force, or a pressure alone');
  return Math.abs(force / area / pressureMPa - 1) > SAME_PRESSURE
    ? issue('pressureMPa', `${force} N on ${area} mm² is not ${pressureMPa} MPa`, `${force / area}`)
    : [];
}

function loadIssues(loadCase: LoadCase, pointer: string): ProblemIssue[] {
  const issues: ProblemIssue[] = [];
  const at = (field: string) => `${pointer}/${field}`;
  const { maxDeflectionMm, maxSagMm, onShare } = loadCase;
  if (maxDeflectionMm !== undefined && maxSagMm !== undefined && maxSagMm < maxDeflectionMm) {
    issues.push({
      pointer: at('maxSagMm'),
      detail: `${maxSagMm} mm at the end is less than the ${maxDeflectionMm} mm allowed as the load comes on`,
      accepted: 'the same or more: creep adds to the elastic deflection',
    });
  }
  const onEachH = loadCase.onEachH;
  const onH = loadCase.durationH * (onShare ?? 1);
  if (onEachH !== undefined && onShare !== undefined && onEachH > onH) {
    issues.push({
      pointer: at('onEachH'),
      detail: `${onEachH} h each time is longer than the ${onH} h that it is on in total`,
      accepted: `${onH} h or less`,
    });
  }
  return issues;
}

function heatIssues({ asks }: Brief): ProblemIssue[] {
  const { heat, thermalFit } = asks;
  const issues: ProblemIssue[] = [];
  if (heat?.steadyC !== undefined && heat.peak && heat.peak.temperatureC < heat.steadyC) {
    issues.push({
      pointer: '/asks/heat/peak/temperatureC',
      detail: `The peak, ${heat.peak.temperatureC} °C, is below the steady temperature, ${heat.steadyC} °C`,
      accepted: `${heat.steadyC} °C or more`,
    });
  }
  if (heat?.coldestC !== undefined && heat.steadyC !== undefined && heat.coldestC > heat.steadyC) {
    issues.push({
      pointer: '/asks/heat/coldestC',
      detail: `The coldest, ${heat.coldestC} °C, is above the steady temperature, ${heat.steadyC} °C`,
      accepted: `${heat.steadyC} °C or less`,
    });
  }
  if (thermalFit && thermalFit.coldestC > thermalFit.hottestC) {
    issues.push({
      pointer: '/asks/thermalFit/coldestC',
      detail: `The coldest, ${thermalFit.coldestC} °C, is above the hottest, ${thermalFit.hottestC} °C`,
      accepted: `${thermalFit.hottestC} °C or less`,
    });
  }
  return issues;
}

function surroundingIssues({ asks, moisture }: Brief): ProblemIssue[] {
  const { fit, fluids = [], colour } = asks;
  const issues: ProblemIssue[] = [];
  if (fit && fit.coldestC > fit.hottestC) {
    issues.push({
      pointer: '/asks/fit/coldestC',
      detail: `The coldest, ${fit.coldestC} °C, is above the hottest, ${fit.hottestC} °C`,
      accepted: `${fit.hottestC} °C or less`,
    });
  }
  fluids.forEach((fluid, index) => {
    if (moisture === 'dry' && fluid.contact === 'immersion' && WATERS.has(fluid.agentId)) {
      issues.push({
        pointer: `/asks/fluids/${index}/contact`,
        detail: 'It lies in water and is said to be kept dry',
        accepted: 'a wet moisture state, or another contact',
      });
    }
  });
  if (colour && colour.wanted === undefined && colour.notBlack === undefined) {
    issues.push({ pointer: '/asks/colour', detail: 'No colour is said', accepted: 'a colour, or any but black' });
  }
  if (colour?.notBlack && colour.wanted?.trim().toLowerCase() === 'black') {
    issues.push({
      pointer: '/asks/colour/wanted',
      detail: 'Black is wanted and ruled out',
      accepted: 'one of the two',
    });
  }
  return issues;
}

const WATERS = new Set(['water-fresh', 'water-hot', 'sea-water']);

/** Where a refused field stands: the computation names the field, and a dimension may lie inside the section or a member. */
function pointerOf(field: string, brief: Brief): string {
  if (field.includes('/')) return `/${field}`;
  return find(brief.part, field, '/part') ?? `/part/${field}`;
}

function find(value: object, field: string, pointer: string): string | undefined {
  if (field in value) return `${pointer}/${field}`;
  for (const [key, inner] of Object.entries(value)) {
    const found =
      typeof inner === 'object' && inner !== null ? find(inner as object, field, `${pointer}/${key}`) : undefined;
    if (found) return found;
  }
  return undefined;
}
