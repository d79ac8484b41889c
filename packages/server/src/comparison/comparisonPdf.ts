import { findCheck } from '@anvilstone/core/checks';
import {
  heatLimitWords,
  amount,
  choiceSentences,
  costRows,
  type ChoiceInputs,
  type Comparison,
  type PropertyCell,
  type PropertyRow,
} from '@anvilstone/core/decisions';
import {
  drawBarChart,
  drawingSvg,
  drawLineChart,
  formatQuantity,
  formatReserve,
  type UnitSystem,
  inSentence,
  inWords,
} from '@anvilstone/core/foundations';
import { PROOF_TEST_CAUTION, cautionsFor, SHEET_FIRST } from '@anvilstone/core/machines';
import { PROPERTY_DEFINITIONS, completeRules, findAgent } from '@anvilstone/core/materials';
import { orientationName } from '@anvilstone/core/shapes';
import type { Brief, CheckResult, CompanyRules, Library } from '@anvilstone/schema';
import type { Content, TableCell } from 'pdfmake/interfaces.js';
import { head, PDF_FONT, STATUS_WORDS, table, typeset } from '../pdf/document.ts';

const COMPARISON_STATEMENT =
  'This comparison is a calculation aid from the evidence at hand. It does not approve a part: proof tests, local codes and a responsible engineer’s sign-off decide.';

/** A comparison as a typeset document with its charts as vectors, in the units of the grounds; `comparison` has to be made in them. */
export function comparisonPdf(
  brief: Brief,
  comparison: Comparison,
  library: Library,
  rules: CompanyRules,
  grounds: ChoiceInputs,
): Promise<Buffer> {
  const { finalists } = comparison;
  const { units } = grounds;
  const title = `Comparison: ${brief.title}`;
  const content: Content[] = [
    { text: title, style: 'h1' },
    { text: `Base of all percentages: A ${finalists[0]!.name}`, style: 'quiet' },
    { text: COMPARISON_STATEMENT, italics: true, margin: [0, 8, 0, 0] },
    ...(brief.failureCouldHurt === 'yes'
      ? [{ text: PROOF_TEST_CAUTION, bold: true, margin: [0, 4, 0, 0] } as Content]
      : []),
    { text: 'Summary', style: 'h2' },
    {
      text: choiceSentences(grounds)
        .map((pieces) => pieces.map(({ text }) => text).join(''))
        .join(' '),
    },
    { text: 'Side by side', style: 'h2' },
    summaryTable(brief, comparison, units),
    { text: 'Checks: reserve factor, and against the baseline', style: 'h2' },
    checksTable(comparison),
    ...charts(comparison, units),
    { text: 'What the more expensive one adds', style: 'h2' },
    { ul: buySentences(comparison) },
    { text: 'Properties at equal conditions', style: 'h2' },
    propertiesTable(comparison, units),
    { text: 'Cautions', style: 'h2' },
    { ul: cautions(brief, comparison, library, rules).map((text) => inWords(text, units)) },
  ];
  return typeset({ title, footer: 'Comparison', landscape: finalists.length > 3 }, content);
}

const named = ({ finalists }: Comparison) => finalists.map(({ letter, name }) => `${letter} ${name}`);
const widths = ({ finalists }: Comparison) => ['auto', ...finalists.map(() => '*')];

function summaryTable(brief: Brief, comparison: Comparison, units: UnitSystem): Content {
  const { finalists } = comparison;
  const row = (title: string, of: (i: number) => string): TableCell[] => [title, ...finalists.map((_, i) => of(i))];
  const entry = (i: number) => finalists[i]!.entry;
  const usd = (value: number | null | undefined) => (typeof value === 'number' ? `${value.toFixed(2)} USD` : 'unknown');
  return table(
    [
      head('', ...named(comparison)),
      row('Verdict', (i) => {
        const { status, minimumReserve, governingCheckId } = entry(i);
        const reserve = minimumReserve === null ? '' : `, minimum reserve ${formatReserve(minimumReserve)}`;
        return `${STATUS_WORDS[status]}${reserve} (${titleOf(governingCheckId)})`;
      }),
      row(
        'Printed, on',
        (i) => `${orientationName(brief.part, entry(i).orientation)}, ${finalists[i]!.machineName ?? 'no machine'}`,
      ),
      row('Cost of one good part', (i) => usd(entry(i).costUsd)),
      ...costRows(finalists).map(({ title, usd: amounts }) => row(title, (i) => usd(amounts[i]))),
      row('Mass', (i) => (entry(i).massG === null ? 'unknown' : amount(entry(i).massG!, 'g', units))),
      row('Limit under load', (i) => heatLimitWords(entry(i), units)),
      row('Failure mode', (i) => inWords(finalists[i]!.failureManner ?? 'unknown', units)),
      row('Printing', (i) => {
        const { printing } = finalists[i]!;
        return printing === null
          ? 'unknown'
          : [printing.difficulty, ...printing.because].map((text) => inWords(text, units)).join(', ');
      }),
    ],
    widths(comparison),
  );
}

const titleOf = (checkId: string | null) =>
  checkId === null ? 'nothing governs' : (findCheck(checkId)?.title ?? checkId);

function checksTable(comparison: Comparison): Content {
  const rows = comparison.checks.map(({ title, results, percents }): TableCell[] => [
    title,
    ...results.map((check, i) => checkText(check, i === 0 ? null : (percents[i] ?? null))),
  ]);
  return table([head('Check', ...named(comparison)), ...rows], widths(comparison));
}

function checkText({ reserve, status, evidence }: CheckResult, percent: number | null): string {
  const shown = reserve === null ? STATUS_WORDS[status] : formatReserve(reserve);
  const fails = reserve !== null && status === 'fail' ? ' fails' : '';
  const against = percent === null ? '' : `  (${percentText(percent)})`;
  return `${shown}${fails}${evidence ? ` [${evidence}]` : ''}${against}`;
}

const percentText = (percent: number) => (Math.abs(percent) < 0.05 ? 'equal' : `${signed(percent, 1)} %`);
const signed = (value: number, digits: number) => `${value < 0 ? '−' : '+'}${Math.abs(value).toFixed(digits)}`;

function charts(comparison: Comparison, units: UnitSystem): Content[] {
  const drawings = [...comparison.charts.map((chart) => drawLineChart(chart, units)), drawBarChart(comparison.cost)];
  return drawings.map((drawing): Content => ({
    unbreakable: true,
    stack: [
      { text: drawing.title, bold: true, margin: [0, 6, 0, 2] },
      // The document’s font has no arrows.
      { svg: drawingSvg(drawing, PDF_FONT).replaceAll('↑ ', ''), width: 420 },
      { text: named(comparison).join('   '), style: 'quiet', fontSize: 8 },
    ],
  }));
}

function buySentences({ finalists, buys }: Comparison): string[] {
  const nameOf = (id: string) => {
    const found = finalists.find(({ gradeId }) => gradeId === id)!;
    return `${found.letter} ${found.name}`;
  };
  return buys.map(({ cheaperId, dearerId, moreUsd, morePercent, gains, losses }) => {
    const said = (word: string, changes: typeof gains) =>
      changes.length === 0
        ? ''
        : ` ${word} ${changes.map(({ title, from, to }) => `${inSentence(title)} from ${formatReserve(from)} to ${formatReserve(to)}`).join(', ')}.`;
    return `${nameOf(dearerId)} over ${nameOf(cheaperId)}: ${moreUsd.toFixed(2)} USD more (+${morePercent.toFixed(0)} %).${said('Gains', gains)}${said('Loses', losses)}`;
  });
}

function propertiesTable(comparison: Comparison, units: UnitSystem): Content {
  const rows = comparison.properties.map((row): TableCell[] => [
    `${row.title}, ${row.condition}`,
    ...row.cells.map((cell) => cellText(cell, row, units)),
  ]);
  return table(
    [head('Property and condition', ...named(comparison)), ...rows],
    [150, ...comparison.finalists.map(() => '*')],
  );
}

function cellText({ value, evidence, against }: PropertyCell, { property }: PropertyRow, units: UnitSystem): string {
  if (value === null) return 'unknown';
  const { classes, dimension } = PROPERTY_DEFINITIONS[property];
  const shown = classes
    ? (classes[value] ?? 'unknown')
    : value === Infinity
      ? 'no break'
      : formatQuantity(value, dimension, units);
  const said =
    against.kind === 'percent'
      ? `  (${percentText(against.percent)})`
      : against.kind === 'decades'
        ? `  (${signed(against.decades, 1)} decades)`
        : against.kind === 'kelvin'
          ? `  (${signed(against.kelvin, 1)} K)`
          : against.kind === 'refused'
            ? `  not comparable: ${against.why}`
            : '';
  return `${shown}${evidence ? ` [${evidence}]` : ''}${said}`;
}

function cautions(brief: Brief, { finalists }: Comparison, library: Library, rules: CompanyRules): string[] {
  const agents = library.agents ?? [];
  const texts = finalists.flatMap(({ gradeId }) => {
    const grade = library.grades.find(({ id }) => id === gradeId);
    return cautionsFor('shortlist', {
      brief,
      rules: completeRules(rules),
      agent: (id) => agents.find((one) => one.id === id) ?? findAgent(id),
      ...(grade ? { grade } : {}),
    })
      .filter(({ id }) => id !== 'proof-test')
      .map(({ text }) => text);
  });
  return [...new Set(texts), SHEET_FIRST];
}
