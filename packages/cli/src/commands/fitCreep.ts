import { parseArgs } from 'node:util';
import { fitCreepBand, readCurve } from '@anvilstone/core/evidence';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { BadInput, EXIT, readText, type Terminal } from '../terminal.ts';

/** Asked for unless others are: what a part in service has to last. */
const USUAL_H = [100, 1000, 10_000];

/**
 * `anvilstone fit-creep F [--at HOURS,…] [--json]`: δ₀·(1 + a·tⁿ) through a CSV of times and movements, with 95 % intervals, and what it
 * predicts with its band.
 */
export async function fitCreepCommand(args: string[], terminal: Terminal): Promise<number> {
  const { values, positionals } = parseArgs({
    args,
    allowPositionals: true,
    options: { at: { type: 'string' }, json: { type: 'boolean', default: false } },
  });
  const [path, ...rest] = positionals;
  if (path === undefined || rest.length > 0) throw new BadInput('name one file of times and movements (CSV)');
  const curve = readCurve(await readText(terminal, path));
  if (curve.timeS.every(Number.isNaN))
    throw new BadInput('the file has no column of times: head it “time (h)” or “time (s)”');
  if (curve.movedMm.every(Number.isNaN))
    throw new BadInput('the file has no column of movements: head it “deflection (mm)”');
  const readings = Array.from({ length: curve.rows }, (_, i) => ({
    timeH: curve.timeS[i]! / 3600,
    moved: curve.movedMm[i]!,
  })).filter(({ timeH, moved }) => Number.isFinite(timeH) && Number.isFinite(moved));
  const { at, ...fit } = fitCreepBand(readings);
  const predicted = hoursOf(values.at).map((timeH) => ({ timeH, extrapolated: timeH > fit.longestH, ...at(timeH) }));
  terminal.out(
    values.json ? JSON.stringify({ taken: curve.taken, ...fit, predicted }, null, 2) : inWords({ ...fit, predicted }),
  );
  return EXIT.ok;
}

function hoursOf(text: string | undefined): number[] {
  if (text === undefined) return USUAL_H;
  return text.split(',').map((one) => {
    const hours = Number(one);
    if (one.trim() === '' || !Number.isFinite(hours) || hours <= 0)
      throw new BadInput(`--at: “${one}” is no time in h`);
    return hours;
  });
}

type Report = Omit<ReturnType<typeof fitCreepBand>, 'at'> & {
  predicted: readonly { timeH: number; extrapolated: boolean; moved: number; low: number; high: number }[];
};

function inWords({ instant, instantInterval, creepA, creepAInterval, creepN, creepNInterval, ...fit }: Report): string {
  const between = ({ low, high }: { low: number; high: number }) => `${f(low)} … ${f(high)}`;
  return [
    `${fit.readings} readings to ${f(fit.longestH)} h, scatter ${f(100 * fit.scatter, 2)} %; 95 % intervals`,
    `at once ${f(instant)} mm (${between(instantInterval)})`,
    `a ${f(creepA)} (${between(creepAInterval)}), n ${f(creepN)} (${between(creepNInterval)}): δ = δ₀·(1 + a·tⁿ), t in h`,
    ...fit.predicted.map(
      ({ timeH, moved, extrapolated, ...band }) =>
        `after ${f(timeH)} h ${f(moved)} mm (${between(band)})${extrapolated ? ', extrapolated' : ''}`,
    ),
  ].join('\n');
}
