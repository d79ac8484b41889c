import type { Decision, EvaluationEntry, FieldChange, Grade, CompanyRules, Statement } from '@anvilstone/schema';
import { findCheck } from '@anvilstone/core/checks';
import { gradeDifferences } from '@anvilstone/core/evidence';
import { formatReserve, grams, say } from '@anvilstone/core/foundations';
import { completeRules, ruleChanges, ruleValue } from '@anvilstone/core/materials';
import { documentChanges, saysTheSame } from './documentChanges.ts';
import { chosenEntry } from './grounds.ts';

/** Everything in which two decisions of a part differ, area by area: choice, numbers, brief, rules, evidence, words. */
export function decisionDifferences(before: Decision, after: Decision): FieldChange[] {
  return [
    ...choiceChanges(before, after),
    ...entryChanges(chosenEntry(before.result, before), chosenEntry(after.result, after)),
    ...documentChanges('Brief', before.brief, after.brief),
    ...ruleFieldChanges(before.rules, after.rules),
    ...evidenceChanges(before, after),
    ...text('Glossary', [
      ['Reasons', before.reasons, after.reasons],
      ['Open risks', before.openRisks, after.openRisks],
      ['Limits of use', before.grounds?.limits ?? '', after.grounds?.limits ?? ''],
      ['Decided by', before.decidedBy, after.decidedBy],
      ['Engine', before.engineVersion, after.engineVersion],
    ]),
  ];
}

const text = (area: string, rows: readonly [field: string, before: Statement, after: Statement][]): FieldChange[] =>
  rows
    .filter(([, before, after]) => !saysTheSame(before, after))
    .map(([field, before, after]) => ({ area, field, before: before || null, after: after || null }));

function choiceChanges(before: Decision, after: Decision): FieldChange[] {
  const gradeName = ({ grades, gradeId }: Decision) => grades.find(({ id }) => id === gradeId)?.name ?? gradeId;
  const machine = (decision: Decision) => {
    const id = chosenEntry(decision.result, decision)?.machineId;
    return decision.machines.find((one) => one.id === id)?.name ?? '';
  };
  return text('Choice', [
    ['Grade', gradeName(before), gradeName(after)],
    ['Printed', before.orientation, after.orientation],
    ['Machine', machine(before), machine(after)],
  ]);
}

/** Reserves, verdict, mass and cost of what was chosen then and of what was chosen after. */
function entryChanges(before: EvaluationEntry | undefined, after: EvaluationEntry | undefined): FieldChange[] {
  if (!before || !after) return [];
  const was = new Map(before.checks.map((check) => [check.checkId, check]));
  const is = new Map(after.checks.map((check) => [check.checkId, check]));
  const shown = (check: EvaluationEntry['checks'][number] | undefined) =>
    check === undefined ? '' : check.reserve === null ? check.status : formatReserve(check.reserve);
  return text('Numbers', [
    ['Verdict', before.status, after.status],
    ...[...new Set([...was.keys(), ...is.keys()])].map((id): [string, string, string] => [
      `Reserve: ${findCheck(id)?.title ?? id}`,
      shown(was.get(id)),
      shown(is.get(id)),
    ]),
    ['Mass', mass(before.massG), mass(after.massG)],
    ['Cost', usd(before.costUsd), usd(after.costUsd)],
  ]);
}
const mass = (value: number | null) => (value === null ? 'unknown' : say`${grams(value)}`);
const usd = (value: number | null) => (value === null ? 'unknown' : `${value.toFixed(2)} USD`);

/** By their names, and as they are in force: one that was left to its default has a value too. */
export const ruleFieldChanges = (before: CompanyRules, after: CompanyRules): FieldChange[] =>
  ruleChanges(completeRules(before), completeRules(after)).map(({ meaning, from, to }) => ({
    area: 'Company rules',
    field: meaning.title,
    before: ruleValue(meaning, from),
    after: ruleValue(meaning, to),
  }));

/** Of the grades that were chosen, what was known of them then and what was known after. */
function evidenceChanges(before: Decision, after: Decision): FieldChange[] {
  return [...new Set([before.gradeId, after.gradeId])].flatMap((gradeId) => {
    const [was, is] = [before, after].map(({ grades }) => grades.find(({ id }) => id === gradeId));
    return was && is ? gradeChanges(was, is) : [];
  });
}

export const gradeChanges = (was: Grade, is: Grade): FieldChange[] =>
  gradeDifferences(was, is).map((one) => ({ area: `Evidence of ${is.name}`, ...one }));
