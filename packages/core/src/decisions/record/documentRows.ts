import { findCheck } from '@anvilstone/core/checks';
import { findMethod, observationName } from '@anvilstone/core/evidence';
import {
  inSentence,
  type UnitSystem,
  formatNumber as f,
  formatQuantity,
  formatReserve,
  say,
} from '@anvilstone/core/foundations';
import { reportedText, completeRules, defaultCompanyRules, ruleMeanings, ruleValue } from '@anvilstone/core/materials';
import type {
  FrozenSensitivity,
  Grade,
  CompanyRules,
  SignOff,
  TestDone,
  TestOpen,
  Statement,
} from '@anvilstone/schema';
import { inputWords } from './charts.ts';
import { amount } from '../wording/amount.ts';

export const checkTitle = (checkId: string | null): string =>
  checkId === null ? '' : (findCheck(checkId)?.title ?? checkId);

/** A check’s demand or capacity in the reader’s units. */
export const amountWords = (value: number | null, unit: string, units: UnitSystem): string =>
  value === null ? '' : amount(value, unit, units);

export const evidenceRows = (grade: Grade): string[][] =>
  grade.observations.map((one) => [
    observationName(one),
    `${reportedText(one)}${one.standardDeviation === undefined ? '' : ` ± ${one.standardDeviation}`}`,
    one.count === undefined ? '' : String(one.count),
    [SOURCE_WORDS[one.source] ?? one.source, one.method, one.specimen].filter(Boolean).join(', '),
    one.reference,
  ]);
const SOURCE_WORDS: Record<string, string> = { bench: 'own bench', datasheet: 'data sheet' };

export function ruleRows(rules: CompanyRules): string[][] {
  const complete = completeRules(rules);
  return ruleMeanings.map((meaning) => {
    const [own, usual] = [complete, defaultCompanyRules].map((one) => ruleValue(meaning, one[meaning.id]));
    return [meaning.title, own!, own === usual ? 'the same' : usual!];
  });
}

export const sensitivityRows = (
  inputs: readonly FrozenSensitivity[],
  grades: readonly Grade[],
  units: UnitSystem,
  leads: boolean,
): string[][] =>
  inputs.map(({ title, dimension, now, low, high, below, above }) => {
    const said = (value: number) => inputWords(value, dimension, units);
    const at = (one: typeof low) =>
      `${said(one.value)}: ${one.reserve === null ? 'unknown' : formatReserve(one.reserve)}`;
    const name = (id: string | null) => (id === null ? 'nobody' : (grades.find((one) => one.id === id)?.name ?? id));
    const turns = [
      ...(below ? [`below ${said(below.value)}: ${name(below.winnerId)}`] : []),
      ...(above ? [`above ${said(above.value)}: ${name(above.winnerId)}`] : []),
    ];
    return [title, said(now), at(low), at(high), leads ? turns.join('; ') || 'out of range' : 'another already leads'];
  });

export function testDoneWords(one: TestDone, gradeName: string, units: UnitSystem): string {
  const method = findMethod(one.methodId);
  const [outcome] = method?.outcomes ?? [];
  const said = (value: number) => (outcome ? formatQuantity(value, outcome.dimension, units) : f(value));
  const sd = one.sd === null ? '' : ` ± ${said(one.sd)}`;
  const predicted = one.predicted === null ? 'not predicted' : `predicted ${said(one.predicted)}`;
  return `${method?.title ?? one.methodId}, ${gradeName} ${one.orientation}: ${inSentence(outcome?.title) ?? ''} ${said(one.mean)}${sd} (n = ${one.n}), ${predicted}; campaign ${one.campaignId}, ${one.lastAt.slice(0, 10)}${one.accepted ? ', added to the evidence' : ''}`;
}

export const testOpenWords = ({ checkId, methodId, orientation, specimens, why }: TestOpen): Statement =>
  say`${findMethod(methodId)?.title ?? methodId}, ${specimens} ${specimens === 1 ? 'specimen' : 'specimens'} ${orientation}, for ${inSentence(checkTitle(checkId))}: ${why}`;

export const signOffRows = (signOffs: readonly SignOff[]): string[][] =>
  signOffs.map(({ at, by, role, kind, statement, limits, proofTest }) => [
    at.slice(0, 10),
    by,
    role,
    kind === 'withdrawn' ? `Withdrawn: ${statement}` : statement,
    limits || 'none stated',
    proofTest || 'not stated',
  ]);
