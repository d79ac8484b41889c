import { inSentence, definitionOf, formatReserve, PLENTY, inWords } from '@anvilstone/core/foundations';
import { PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { Brief } from '@anvilstone/schema';
import Papa from 'papaparse';
import type { Comparison } from './comparison.ts';
import { costRows } from './costParts.ts';
import type { PropertyCell, PropertyRow } from './propertyRows.ts';

type Cell = string | number;

/**
 * A comparison as a table: one row a thing compared, and for each finalist its value and how it stands to the base. Canonical
 * units; text that a spreadsheet would run as a formula is made harmless.
 */
export function comparisonCsv(brief: Brief, { finalists, checks, properties }: Comparison): string {
  const base = finalists[0]!;
  const rows: Cell[][] = [
    ['part', brief.title, '', '', ...finalists.slice(1).flatMap(() => ['', ''])],
    [
      'what',
      'condition',
      'unit',
      ...finalists.flatMap(({ name }, i) => (i === 0 ? [name] : [name, `against ${base.name}`])),
    ],
  ];
  const plain = (what: string, unit: string, of: (i: number) => Cell | null, percent = false) => {
    const values = finalists.map((_, i) => of(i));
    rows.push([
      what,
      '',
      unit,
      ...values.flatMap((value, i): Cell[] => {
        const shown = value ?? 'unknown';
        if (i === 0) return [shown];
        const first = values[0];
        return [
          shown,
          percent && typeof value === 'number' && typeof first === 'number' && first !== 0
            ? percentText(100 * (value / first - 1))
            : '',
        ];
      }),
    ]);
  };
  const entry = (i: number) => finalists[i]!.entry;
  plain('status', '', (i) => entry(i).status);
  plain('built', '', (i) => entry(i).orientation);
  plain('machine', '', (i) => finalists[i]!.machineName ?? 'none');
  plain('minimum reserve', '×', (i) => entry(i).minimumReserve, true);
  plain('governing check', '', (i) => checks.find(({ checkId }) => checkId === entry(i).governingCheckId)?.title ?? '');
  plain('mass', 'g', (i) => entry(i).massG, true);
  plain('service temperature limit', '°C', (i) => entry(i).ownHeatLimitC);
  plain('print time', 'h', (i) => entry(i).printTimeH ?? null, true);
  plain('failure mode', '', (i) => {
    const manner = finalists[i]!.failureManner;
    return manner === null ? null : inWords(manner);
  });
  plain('to print', '', (i) => finalists[i]!.printing?.difficulty ?? null);
  for (const { title, usd } of costRows(finalists))
    plain(`cost: ${inSentence(title)}`, 'USD', (i) => usd[i] ?? null, true);
  plain('cost of one good part', 'USD', (i) => entry(i).costUsd, true);
  for (const { title, results, percents } of checks)
    rows.push([
      `reserve: ${title}`,
      '',
      '×',
      ...results.flatMap((check, i): Cell[] => {
        const { reserve } = check;
        const shown = reserve === null ? check.status : reserve > PLENTY ? formatReserve(reserve) : reserve;
        return i === 0 ? [shown] : [shown, percents[i] === null ? '' : percentText(percents[i]!)];
      }),
    ]);
  for (const row of properties) rows.push(propertyLine(row));
  // The byte order mark makes spreadsheet programs read UTF-8 as such.
  return `\uFEFF${Papa.unparse(rows, { escapeFormulae: true })}\r\n`;
}

function propertyLine(row: PropertyRow): Cell[] {
  const { dimension, classes } = PROPERTY_DEFINITIONS[row.property];
  const shown = ({ value }: PropertyCell): Cell => {
    if (value === null) return 'unknown';
    if (classes) return classes[value] ?? 'unknown';
    return value === Infinity ? 'no break' : value;
  };
  return [
    row.title,
    row.condition,
    classes ? '' : definitionOf(dimension).metric,
    ...row.cells.flatMap((cell, i): Cell[] => (i === 0 ? [shown(cell)] : [shown(cell), againstText(cell)])),
  ];
}

function againstText({ against }: PropertyCell): string {
  switch (against.kind) {
    case 'percent':
      return percentText(against.percent);
    case 'kelvin':
      return `${against.kelvin.toFixed(1)} K`;
    case 'decades':
      return `${against.decades.toFixed(2)} decades`;
    case 'class':
      return against.equal ? 'equal' : 'different class';
    case 'refused':
      return `not comparable: ${against.why}`;
    default:
      return '';
  }
}

const percentText = (percent: number) => `${percent.toFixed(1)} %`;
