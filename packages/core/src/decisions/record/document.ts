import { findRankingMethod, rank } from '@anvilstone/core/evaluation';
import {
  inSentence,
  type UnitSystem,
  formatNumber as f,
  formatQuantity,
  formatReserve,
  duration,
  inWords,
  joined,
  distinct,
} from '@anvilstone/core/foundations';
import { PROOF_TEST_CAUTION, SHEET_FIRST, cautionsFor } from '@anvilstone/core/machines';
import { findAgent, completeRules } from '@anvilstone/core/materials';
import { orientationName } from '@anvilstone/core/shapes';
import type { Decision, EvaluationEntry, FrozenSensitivity, Grade, SignOff } from '@anvilstone/schema';
import { rankedThen } from './rankedThen.ts';
import { heatLimitWords } from '../wording/heatLimitWords.ts';
import { briefBlocks } from './briefBlocks.ts';
import { candidatesDrawing, reserveDrawing, sensitivityDrawing } from './charts.ts';
import { checksTable } from './checksTable.ts';
import { chosenEntry } from './grounds.ts';
import {
  checkTitle,
  evidenceRows,
  ruleRows,
  sensitivityRows,
  signOffRows,
  testDoneWords,
  testOpenWords,
} from './documentRows.ts';
import type { RecordCell, RecordBlock } from './recordBlock.ts';

/** A record as it is read: the page, the file and the printed document show the same blocks in the same order. */
export interface RecordDocument {
  title: string;
  line: string;
  blocks: readonly RecordBlock[];
}

export const RECORD_STATEMENT =
  'This record is a calculation aid. It does not approve the part: proof tests, local codes and a responsible engineer’s sign-off decide.';

/** Everything a decision rests on, in words, tables and drawings. */
export function recordDocument(
  decision: Decision,
  signOffs: readonly SignOff[],
  units: UnitSystem,
  digest: string,
): RecordDocument {
  const { brief } = decision;
  const grade = decision.grades.find(({ id }) => id === decision.gradeId);
  const entry = chosenEntry(decision.result, decision);
  const blocks: RecordBlock[] = [
    { kind: 'text', text: RECORD_STATEMENT, tone: 'quiet' },
    ...(grade?.sampleData ? [{ kind: 'text', text: 'Sample data, not for design.', tone: 'strong' } as const] : []),
    ...(brief.failureCouldHurt === 'yes' ? [{ kind: 'text', text: PROOF_TEST_CAUTION, tone: 'warning' } as const] : []),
    ...chosen(decision, grade, entry, units),
    ...words(decision),
    heading('Requirements'),
    ...briefBlocks(decision, units),
    ...(entry ? checks(entry, units) : []),
    ...sensitivity(decision, units),
    ...candidates(decision, units),
    ...(grade ? evidence(grade, entry, units) : []),
    ...tests(decision, units),
    ...cautions(decision, grade, units),
    heading('Company rules in force'),
    { kind: 'table', head: ['Rule', 'In force', 'Default'], rows: ruleRows(decision.rules), wide: 0 },
    heading('Signatures'),
    ...signatures(decision, signOffs),
    { kind: 'text', text: `Engine ${decision.engineVersion}. SHA-256 of the decision ${digest}.`, tone: 'quiet' },
  ];
  return {
    title: `Decision ${decision.number}: ${brief.title}`,
    line: [
      decision.decidedAt.slice(0, 10),
      decision.decidedBy,
      `brief revision ${decision.partRevision}`,
      ...(decision.supersedes === undefined ? [] : [`supersedes decision ${decision.supersedes}`]),
    ].join(' · '),
    blocks: blocks.map(unbroken),
  };
}

/** In tables a number keeps its unit beside it. */
function unbroken(block: RecordBlock): RecordBlock {
  if (block.kind !== 'table') return block;
  const kept = (cell: RecordCell) =>
    typeof cell === 'string' ? cell.replaceAll(/(\d) (?=[^\d\s]{1,4}(?:$|:))/g, '$1\u00a0') : cell;
  return { ...block, rows: block.rows.map((row) => row.map(kept)) };
}

const heading = (text: string): RecordBlock => ({ kind: 'heading', text });

function chosen(
  decision: Decision,
  grade: Grade | undefined,
  entry: EvaluationEntry | undefined,
  units: UnitSystem,
): RecordBlock[] {
  const machine = decision.machines.find(({ id }) => id === entry?.machineId)?.name;
  const { layup, fibre, annealed, crystallisedInChamber } = decision.brief;
  const rows: [string, string][] = [
    ['Grade', `${grade?.name ?? decision.gradeId}${grade ? `, ${grade.maker}` : ''}`],
    [
      'Printed',
      `${orientationName(decision.brief.part, decision.orientation)}${machine ? ` on ${machine}` : ', no machine fits'}${annealed ? ', annealed' : ''}${crystallisedInChamber ? ', crystallised in the chamber' : ''}`,
    ],
  ];
  if (layup) rows.push(['Layup', `${layup.name}, ${layup.plies.length} plies`]);
  if (fibre) rows.push(['Continuous fibre', 'strands in the faces, as the brief says']);
  if (entry) {
    const { minimumReserve, governingCheckId, massG, costUsd, printTimeH, ownHeatLimitC, chance } = entry;
    rows.push([
      'Governed by',
      governingCheckId === null
        ? 'no check with a value'
        : `${checkTitle(governingCheckId)}${minimumReserve === null ? '' : `, reserve ${formatReserve(minimumReserve)}`}`,
    ]);
    rows.push(['Mass', massG === null ? 'unknown' : formatQuantity(massG, 'mass', units)]);
    rows.push(['Cost of one good part', costUsd === null ? 'unknown' : `${costUsd.toFixed(2)} USD`]);
    if (printTimeH) rows.push(['Print time', duration(printTimeH)]);
    if (ownHeatLimitC !== null) rows.push(['Limit under load', heatLimitWords(entry, units)]);
    if (chance !== undefined)
      rows.push(['Probability of compliance', chance === null ? 'unknown' : chanceWords(chance)]);
  }
  return [heading('Chosen'), { kind: 'facts', rows }];
}

const chanceWords = ({ all, low, high, draws, seed }: NonNullable<EvaluationEntry['chance']>) =>
  `in ${f(100 * all, 4)} % of ${draws.toLocaleString('en')} draws (seed ${seed}; 95 % interval ${f(100 * low, 4)} to ${f(100 * high, 4)} %)`;

const words = ({ reasons, openRisks, grounds }: Decision): RecordBlock[] => [
  heading('Reason'),
  { kind: 'text', text: reasons },
  heading('Limits of use'),
  { kind: 'text', text: grounds?.limits || 'None beyond the brief.' },
  heading('Open risks'),
  { kind: 'text', text: openRisks || 'None stated.' },
];

function checks(entry: EvaluationEntry, units: UnitSystem): RecordBlock[] {
  return [
    heading('Checks of the chosen grade'),
    { kind: 'drawing', drawing: reserveDrawing(entry) },
    checksTable(entry, units),
  ];
}

function sensitivity({ grounds, grades, result, rules, gradeId }: Decision, units: UnitSystem): RecordBlock[] {
  if (!grounds || grounds.sensitivity.length === 0) return [];
  const leads = rankedThen({ result, grounds, rules }, grounds.schoolId)[0]?.gradeId === gradeId;
  const telling = grounds.sensitivity.filter(tells);
  const idle = grounds.sensitivity.filter((one) => !tells(one)).map(({ title }) => inSentence(title));
  const rest: RecordBlock[] =
    idle.length > 0
      ? [
          {
            kind: 'text',
            text: `Also varied, without effect on the governing check: ${idle.join('; ')}.`,
            tone: 'quiet',
          },
        ]
      : [];
  if (telling.length === 0) return [heading('Sensitivity of the choice'), ...rest];
  return [
    heading('Sensitivity of the choice'),
    { kind: 'drawing', drawing: sensitivityDrawing(telling, units) },
    {
      kind: 'table',
      head: ['Input', 'Value', 'One CoV down', 'One CoV up', 'Other leader'],
      wide: 4,
      rows: sensitivityRows(telling, grades, units, leads),
    },
    ...rest,
  ];
}

/** It moves the minimum reserve by more than half a per cent, or lets another come first. */
const tells = ({ low, high, below, above }: FrozenSensitivity) =>
  below !== null ||
  above !== null ||
  low.reserve === null ||
  high.reserve === null ||
  Math.abs(low.reserve - high.reserve) > 0.005 * high.reserve;

function candidates(decision: Decision, units: UnitSystem): RecordBlock[] {
  const { grounds, grades, result } = decision;
  const schoolId = grounds?.schoolId ?? 'cheapest-that-passes';
  const entryOf = new Map(result.grades.map((one) => [one.gradeId, one.best]));
  const chosenId = decision.gradeId;
  const ids = grounds
    ? grounds.alternatives.map(({ gradeId }) => gradeId)
    : rank(result.grades, schoolId)
        .map(({ gradeId }) => gradeId)
        .filter((id) => id !== chosenId)
        .slice(0, 12);
  const whyNot = new Map(
    grounds?.alternatives.map(({ gradeId, whyNot, note }) => [gradeId, [...whyNot, ...(note ? [note] : [])]]) ?? [],
  );
  const shown = [chosenId, ...ids].map((id, i) => {
    const entry = id === chosenId ? chosenEntry(result, decision) : entryOf.get(id);
    return { id, letter: i === 0 ? '*' : String.fromCharCode(64 + i), entry, name: nameOf(grades, id) };
  });
  const drawing = candidatesDrawing(
    shown.map(({ id, letter, entry }) => ({
      letter,
      costUsd: entry?.costUsd ?? null,
      reserve: entry?.minimumReserve ?? null,
      chosen: id === chosenId,
    })),
  );
  return [
    heading('Candidates and reasons against them'),
    { kind: 'text', text: screenedWords(decision, schoolId) },
    ...(drawing ? [{ kind: 'drawing', drawing } as const] : []),
    {
      kind: 'table',
      head: ['', 'Grade', 'Printed', 'Reserve', 'Governed by', 'USD', 'Probability', 'Reason against'],
      wide: 7,
      governs: 0,
      rows: shown.map(({ id, letter, entry, name }) => [
        letter,
        name,
        entry?.orientation ?? '',
        entry ? { reserve: entry.minimumReserve, status: entry.status } : 'unknown',
        checkTitle(entry?.governingCheckId ?? null),
        entry?.costUsd === null || entry === undefined ? 'unknown' : entry.costUsd.toFixed(2),
        entry?.chance ? `${f(100 * entry.chance.all)} %` : 'unknown',
        id === chosenId ? 'chosen' : inWords(joined(whyNot.get(id) ?? [], '; '), units),
      ]),
    },
  ];
}

const nameOf = (grades: readonly Grade[], id: string) => grades.find((one) => one.id === id)?.name ?? id;

function screenedWords({ grounds, result }: Decision, schoolId: string): string {
  const rankingMethod = inSentence(findRankingMethod(schoolId).title);
  if (!grounds) return `${result.grades.length} grades, ranked by “${rankingMethod}”.`;
  const { grades, pass, unknown, fail, kept, fellOver } = grounds.screened;
  const over = fellOver
    .slice(0, 3)
    .map((one) => `${one.grades} over ${inSentence(checkTitle(one.checkId))}`)
    .join(', ');
  const rest = kept < grades ? ` The ${kept} leading grades are included with all their evidence.` : '';
  return `${grades} grades were evaluated, ranked by “${rankingMethod}”: ${pass} pass, ${unknown} unknown for lack of data, ${fail} fail${over ? ` (${over})` : ''}.${rest}`;
}

function evidence(grade: Grade, entry: EvaluationEntry | undefined, units: UnitSystem): RecordBlock[] {
  const gaps = distinct(entry?.checks.flatMap((check) => check.gaps) ?? []).map((gap) => inWords(gap, units));
  return [
    heading('Evidence of the chosen grade'),
    { kind: 'table', head: ['Property', 'Reported', 'n', 'Source', 'Source'], wide: 4, rows: evidenceRows(grade) },
    { kind: 'text', text: gaps.length === 0 ? 'No gaps.' : 'Gaps:', tone: 'strong' },
    ...(gaps.length > 0 ? [{ kind: 'list', items: gaps } as const] : []),
  ];
}

function tests({ grounds, grades }: Decision, units: UnitSystem): RecordBlock[] {
  if (!grounds) return [];
  const done = grounds.testsDone.map((one) => testDoneWords(one, nameOf(grades, one.gradeId), units));
  const open = grounds.testsOpen.map((one) => inWords(testOpenWords(one), units));
  return [
    heading('Tests done'),
    done.length > 0 ? { kind: 'list', items: done } : { kind: 'text', text: 'None of this part.' },
    heading('Tests still open'),
    open.length > 0 ? { kind: 'list', items: open } : { kind: 'text', text: 'None required.' },
  ];
}

/** As they were shown that day; of a record without them, as they are today. */
function cautions(
  { grounds, brief, rules, agents = [] }: Decision,
  grade: Grade | undefined,
  units: UnitSystem,
): RecordBlock[] {
  const shown =
    grounds?.cautions ??
    cautionsFor('decision', {
      brief,
      rules: completeRules(rules),
      agent: (id) => agents.find((one) => one.id === id) ?? findAgent(id),
      ...(grade ? { grade } : {}),
    });
  const items = [...shown.filter(({ id }) => id !== 'proof-test').map(({ text }) => inWords(text, units)), SHEET_FIRST];
  return [heading('Cautions'), { kind: 'list', items }];
}

function signatures({ brief }: Decision, signOffs: readonly SignOff[]): RecordBlock[] {
  if (signOffs.length === 0)
    return [
      {
        kind: 'text',
        text: 'Not signed.',
        ...(brief.failureCouldHurt === 'yes' ? { tone: 'warning' as const } : {}),
      },
    ];
  return [
    {
      kind: 'table',
      head: ['When', 'Who', 'As', 'Statement', 'Limits', 'Proof test'],
      wide: 3,
      rows: signOffRows(signOffs),
    },
  ];
}
