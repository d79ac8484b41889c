import { parseArgs } from 'node:util';
import {
  fitWeibull,
  outliersOf,
  readReadings,
  summaryOf,
  toleranceFactor,
  weibullPoint,
} from '@anvilstone/core/evidence';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { BadInput, EXIT, readText, type Terminal } from '../terminal.ts';

const FEWEST_FOR_WEIBULL = 3;
const FEWEST_FOR_BASIS = 6;

/** `anvilstone basis F [--column NAME] [--json]`: statistics of replicates, tolerance factors, B- and A-basis, Weibull. */
export async function basisCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { column: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  const [path, ...rest] = positionals;
  if (path === undefined || rest.length > 0) throw new BadInput('name one file of readings (CSV)');
  const { name, values: readings } = readReadings(await readText(terminal, path), values.column);
  const report = basisReport(name, readings);
  terminal.out(values.json ? JSON.stringify(report, null, 2) : inWords(report));
  return EXIT.ok;
}

function basisReport(name: string, readings: readonly number[]) {
  const summary = summaryOf(readings);
  const canFit = readings.length >= FEWEST_FOR_WEIBULL && readings.every((value) => value > 0);
  const weibull = canFit ? fitWeibull(readings) : undefined;
  return {
    ...(name === '' ? {} : { name }),
    readings,
    ...summary,
    toleranceFactors: summary.n < 2 ? null : { b: toleranceFactor(summary.n), a: toleranceFactor(summary.n, 0.99) },
    outliers: outliersOf(readings),
    weibull: weibull ? { ...weibull, tenthPercentile: weibullPoint(weibull, 0.1) } : null,
  };
}

function inWords(report: ReturnType<typeof basisReport>): string {
  const { n, mean, sd, cov, meanInterval, bBasis, aBasis, toleranceFactors: k, outliers, weibull } = report;
  const lines = [`${report.name ?? 'readings'}: n = ${n}, mean ${f(mean, 4)}`];
  if (sd === null || !meanInterval || !k || bBasis === null || aBasis === null)
    return [...lines, 'One reading has no scatter: no interval and no basis value'].join('\n');
  lines.push(
    `sd ${f(sd, 4)}${cov === null ? '' : `, CoV ${f(100 * cov)} %`}; 95 % interval of the mean ${f(meanInterval.low, 4)} … ${f(meanInterval.high, 4)}`,
    `B-basis ${f(bBasis, 4)} (k ${k.b.toFixed(3)}), A-basis ${f(aBasis, 4)} (k ${k.a.toFixed(3)}), normal`,
    ...outliers.map(
      ({ index, normedResidual, critical }) =>
        `Reading ${index + 1}, ${f(report.readings[index]!, 4)}, lies ${f(normedResidual)} sd off; chance explains ${f(critical)}. It is counted: leave one out only with a reason`,
    ),
  );
  if (n < FEWEST_FOR_BASIS)
    lines.push(
      `${n} readings: a hint, not a claim. Their basis rests on a factor of ${k.b.toFixed(1)}; it means something from ${FEWEST_FOR_BASIS} on`,
    );
  if (weibull)
    lines.push(
      `Weibull: shape ${f(weibull.shape)}, scale ${f(weibull.scale, 4)}, one in ten below ${f(weibull.tenthPercentile, 4)}`,
    );
  return lines.join('\n');
}
