import { parseArgs } from 'node:util';
import { asPairs, compareMeans, pairedRatio, readReadings, summaryOf, type Readings } from '@anvilstone/core/evidence';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { BadInput, EXIT, readText, type Terminal } from '../terminal.ts';

/** `anvilstone compare A B [--paired] [--column NAME] [--json]`: two samples by Welch, or pair by pair by their ratio. */
export async function compareCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: {
      paired: { type: 'boolean', default: false },
      column: { type: 'string' },
      json: { type: 'boolean', default: false },
    },
  });
  if (positionals.length !== 2) throw new BadInput('name two files of readings (CSV)');
  const [a, b] = await Promise.all(
    positionals.map(async (path) => readReadings(await readText(terminal, path), values.column)),
  );
  const report = values.paired ? pairedReport(a!, b!) : welchReport(a!.values, b!.values);
  terminal.out(values.json ? JSON.stringify(report, null, 2) : inWords(report));
  return EXIT.ok;
}

function pairedReport(a: Readings, b: Readings) {
  const { first, second } = asPairs(a, b);
  return { kind: 'paired' as const, ...pairedRatio(first, second) };
}

const welchReport = (a: readonly number[], b: readonly number[]) => ({
  kind: 'welch' as const,
  first: summaryOf(a),
  second: summaryOf(b),
  ...compareMeans(a, b),
});

type Report =
  | ({ kind: 'paired' } & ReturnType<typeof pairedRatio>)
  | ({ kind: 'welch' } & ReturnType<typeof compareMeans>);

function inWords(report: Report): string {
  const { low, high } = report.interval;
  const verdict = report.undecided
    ? `Too few to tell${report.enough === null ? ', and 200 would not do either at this scatter' : `: with ${report.enough} ${report.kind === 'paired' ? 'pairs' : 'of each'} a difference as seen would be told`}`
    : 'The difference is significant at 95 %';
  return [
    report.kind === 'paired'
      ? `Ratio of ${report.pairs} pairs ${f(report.ratio, 4)}, 95 % interval ${f(low, 4)} … ${f(high, 4)}`
      : `Difference ${f(report.difference, 4)}, 95 % interval ${f(low, 4)} … ${f(high, 4)} (t ${f(report.t)}, ${f(report.dof)} degrees of freedom, P ${f(report.chance, 2)})`,
    verdict,
  ].join('\n');
}
