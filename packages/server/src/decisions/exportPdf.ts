import {
  askSentences,
  cautionsFor,
  completeRules,
  findAgent,
  findCheck,
  formatNumber as f,
  formatQuantity,
  formatReserve,
  limitWords,
  PROOF_TEST_CAUTION,
  rank,
  SHEET_FIRST,
  sizeWords,
  timeWords,
} from '@anvilstone/core';
import type { CheckResult, Decision, EvaluationEntry, Grade } from '@anvilstone/schema';
import type { Content } from 'pdfmake/interfaces.js';
import { head, STATUS_WORDS, table, typeset } from '../pdf/document.ts';

export const STATEMENT =
  'This record is a calculation aid. It does not approve the part: proof tests, local codes and a responsible engineer’s sign-off decide.';

/** The decision as a typeset document, A4. */
export function decisionPdf(decision: Decision): Promise<Buffer> {
  const { number, brief, engineVersion } = decision;
  const title = `Decision ${number}: ${brief.title}`;
  return typeset({ title, footer: `Decision ${number} · engine ${engineVersion}` }, contentOf(decision));
}

function contentOf(decision: Decision): Content[] {
  const grade = decision.grades.find((one) => one.id === decision.gradeId);
  const entry = decision.result.grades
    .find((one) => one.gradeId === decision.gradeId)
    ?.entries.find((one) => one.orientation === decision.orientation);
  return [
    { text: `Decision ${decision.number}: ${decision.brief.title}`, style: 'h1' },
    {
      text: `${decision.decidedAt.slice(0, 10)} · ${decision.decidedBy} · part revision ${decision.partRevision}`,
      style: 'quiet',
    },
    { text: STATEMENT, italics: true, margin: [0, 8, 0, 0] },
    ...(decision.brief.failureCouldHurt === 'yes'
      ? [
          {
            text: PROOF_TEST_CAUTION,
            bold: true,
            margin: [0, 4, 0, 0],
          } as Content,
        ]
      : []),
    { text: 'Chosen', style: 'h2' },
    {
      text: `${grade?.name ?? decision.gradeId} (${grade?.maker ?? ''}), built ${decision.orientation}${grade?.sampleData ? ' — sample data, not for design' : ''}`,
      bold: true,
    },
    { text: decision.reasons, margin: [0, 2, 0, 0] },
    { text: 'Open risks', style: 'h2' },
    { text: decision.openRisks || 'None stated.' },
    { text: 'What it must do', style: 'h2' },
    { text: decision.brief.purpose },
    loadsTable(decision),
    { ul: askSentences(decision.brief, 'metric', machineName(decision), agentName(decision)), margin: [0, 4, 0, 0] },
    { text: 'Cautions', style: 'h2' },
    { ul: cautions(decision, grade) },
    { text: 'Checks of the chosen grade', style: 'h2' },
    entry ? checksTable(entry) : { text: 'Not evaluated.' },
    { text: 'Candidates, cheapest that passes first', style: 'h2' },
    candidatesTable(decision),
  ];
}

const title = (id: string | null) => (id === null ? '' : (findCheck(id)?.title ?? id));

/** Those of the brief and of the chosen grade; the proof test stands in bold above. */
function cautions({ brief, rules, agents = [] }: Decision, grade: Grade | undefined): string[] {
  const shown = cautionsFor('decision', {
    brief,
    rules: completeRules(rules),
    agent: (id) => agents.find((one) => one.id === id) ?? findAgent(id),
    ...(grade ? { grade } : {}),
  });
  return [...shown.filter(({ id }) => id !== 'proof-test').map(({ text }) => text), SHEET_FIRST];
}

function agentName({ agents = [] }: Decision): (id: string) => string {
  return (id) => (agents.find((one) => one.id === id) ?? findAgent(id))?.name ?? id;
}

function machineName({ machines }: Decision): (id: string) => string {
  return (id) => machines.find((machine) => machine.id === id)?.name ?? id;
}

function loadsTable({ brief }: Decision): Content {
  const rows = brief.loadCases.map((load) => [
    load.name,
    sizeWords(load, 'metric'),
    timeWords(load),
    `${f(load.temperatureC)} °C`,
    f(load.safetyFactor),
    limitWords(load, 'metric').join(', ') || '—',
  ]);
  return table(
    [head('Load', 'How large', 'How long', 'At', 'Safety factor', 'Limits'), ...rows],
    ['*', 'auto', 'auto', 'auto', 'auto', 'auto'],
  );
}

function checksTable(entry: EvaluationEntry): Content {
  const rows = entry.checks.map((check) => [
    title(check.checkId),
    amount(check, check.demand),
    amount(check, check.capacity),
    check.reserve === null ? STATUS_WORDS[check.status] : formatReserve(check.reserve),
    check.evidence ?? '',
    [check.reason, ...check.gaps].filter(Boolean).join('; '),
  ]);
  return table(
    [head('Check', 'Demand', 'Capacity', 'Reserve', 'Evidence', 'Remark'), ...rows],
    ['auto', 'auto', 'auto', 'auto', 'auto', '*'],
  );
}

function amount(check: CheckResult, value: number | null): string {
  if (value === null) return '';
  if (check.unit === 'USD') return `${value.toFixed(2)} USD`;
  return check.unit === '°C' ? formatQuantity(value, 'temperature', 'metric') : `${f(value)} ${check.unit}`;
}

function candidatesTable(decision: Decision): Content {
  const names = new Map(decision.grades.map((grade) => [grade.id, grade.name]));
  const rows = rank(decision.result.grades, 'cheapest-that-passes').map(({ gradeId, best }) => [
    names.get(gradeId) ?? gradeId,
    best.orientation,
    best.status,
    best.minimumReserve === null ? 'unknown' : formatReserve(best.minimumReserve),
    title(best.governingCheckId),
    best.costUsd === null ? 'unknown' : best.costUsd.toFixed(2),
  ]);
  return table(
    [head('Grade', 'Built', 'Status', 'Smallest reserve', 'Governed by', 'USD'), ...rows],
    ['*', 'auto', 'auto', 'auto', 'auto', 'auto'],
  );
}
