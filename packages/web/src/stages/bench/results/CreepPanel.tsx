import { fitCreepBand, foundIn, type CreepBand } from '@anvilstone/core/evidence';
import { formatNumber as f, InputError } from '@anvilstone/core/foundations';
import type { Campaign, Trial, TrialRecord } from '@anvilstone/schema';
import { line, scaleLinear, scaleLog } from 'd3';
import { useMemo } from 'react';
import { acrossOf, AxisFrame, ticksAt, upOf } from '../../../charts/AxisFrame.tsx';
import { useAppSelector } from '../../../sync/store/store.ts';
import { amount, duration } from '../../../ui/amount.ts';
import { Panel } from '../../../ui/Panel.tsx';
import { FactList } from '../../../ui/FactList.tsx';

const SIZE = { width: 620, height: 250, left: 52, right: 14, top: 10, bottom: 42 };
const PREDICTED_H = [100, 1000, 10_000];
const TIMES = [1 / 360, 1 / 60, 1 / 6, 1, 10, 100, 1000, 10_000];
const STEPS = 60;

/** Movement over time of each specimen, with the fitted creep and how far it may be trusted beyond the last reading. */
export function CreepPanel({
  campaign,
  trials,
  nameOf,
}: {
  campaign: Campaign;
  trials: readonly TrialRecord[];
  nameOf: (armId: string) => string;
}) {
  const fitted = useMemo(
    () => campaign.arms.map((arm) => ({ arm, fit: fitOf(campaign, arm.id, trials) })),
    [campaign, trials],
  );
  return (
    <>
      {fitted.map(({ arm, fit }) =>
        fit === undefined ? null : (
          <Panel key={arm.id} title={`Creep of ${nameOf(arm.id)}`}>
            {typeof fit === 'string' ? <p className="text-sm text-quiet">Not fitted: {fit}</p> : <Fitted {...fit} />}
          </Panel>
        ),
      )}
    </>
  );
}

interface Fit {
  band: CreepBand;
  readings: readonly { timeH: number; moved: number }[];
  specimens: number;
}

/** Every loaded reading of the arm’s specimens in one fit, each specimen over its own first reading. A sentence: why not. */
function fitOf(campaign: Campaign, armId: string, trials: readonly TrialRecord[]): Fit | string | undefined {
  const own = new Set(campaign.specimens.filter((one) => one.armId === armId).map(({ id }) => id));
  const counted = trials
    .map(({ trial }) => trial)
    .filter((one) => own.has(one.specimenId) && one.state === 'done' && !one.excluded);
  if (counted.length === 0) return undefined;
  const first = (trial: Trial) => foundIn(trial).moved?.find(({ unloaded }) => !unloaded)?.movedMm;
  const firsts = counted.map(first).filter((value) => value !== undefined);
  const mean = firsts.reduce((sum, one) => sum + one, 0) / firsts.length;
  const readings = counted.flatMap((trial) =>
    (foundIn(trial).moved ?? [])
      .filter(({ unloaded, timeS }) => !unloaded && timeS > 0)
      .map(({ timeS, movedMm }) => ({ timeH: timeS / 3600, moved: (movedMm * mean) / first(trial)! })),
  );
  try {
    return { band: fitCreepBand(readings), readings, specimens: counted.length };
  } catch (error) {
    if (!(error instanceof InputError)) throw error;
    return error.message;
  }
}

function Fitted({ band, readings, specimens }: Fit) {
  const units = useAppSelector((state) => state.settings.units);
  const leastH = Math.min(...readings.map(({ timeH }) => timeH));
  const mostH = PREDICTED_H.at(-1)!;
  const curve = Array.from({ length: STEPS + 1 }, (_, i) => {
    const timeH = leastH * (mostH / leastH) ** (i / STEPS);
    return { timeH, ...band.at(timeH) };
  });
  const x = scaleLog([leastH, mostH], acrossOf(SIZE));
  const y = scaleLinear(
    [0, Math.min(Math.max(...curve.map(({ high }) => high)), 3 * curve.at(-1)!.moved)],
    upOf(SIZE),
  ).clamp(true);
  const path = line<(typeof curve)[number]>(
    ({ timeH }) => x(timeH),
    ({ moved }) => y(moved),
  );
  const measured = curve.filter(({ timeH }) => timeH <= band.longestH * 1.05);
  const beyond = curve.filter(({ timeH }) => timeH >= band.longestH * 0.95);
  const edge = `M${curve.map(({ timeH, high }) => `${x(timeH)} ${y(high)}`).join('L')}L${[...curve]
    .reverse()
    .map(({ timeH, low }) => `${x(timeH)} ${y(low)}`)
    .join('L')}Z`;
  const between = ({ low, high }: { low: number; high: number }) => `${f(low)} … ${f(high)}`;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)_20rem] narrow:grid-cols-1 gap-5">
      <svg
        viewBox={`0 0 ${SIZE.width} ${SIZE.height}`}
        className="w-full"
        role="img"
        aria-label="Movement over time with the fitted creep; the list beside has the numbers"
      >
        <path d={edge} className="fill-ember-ground" />
        <AxisFrame
          box={SIZE}
          x={ticksAt(
            TIMES.filter((timeH) => timeH >= leastH * 0.99),
            x,
            duration,
          )}
          y={ticksAt(y.ticks(5), y, (tick) => amount(tick, 'mm', units))}
          xTitle="time under load (logarithmic)"
          yTitle="movement"
        />
        <line
          x1={x(band.longestH)}
          x2={x(band.longestH)}
          y1={SIZE.top}
          y2={SIZE.height - SIZE.bottom}
          className="stroke-quiet"
          strokeDasharray="3 3"
        />
        <text x={x(band.longestH) + 4} y={SIZE.top + 10} className="fill-quiet text-[11px]">
          extrapolated
        </text>
        <path d={path(measured) ?? ''} className="fill-none stroke-ember" strokeWidth={2} />
        <path d={path(beyond) ?? ''} className="fill-none stroke-ember" strokeWidth={2} strokeDasharray="6 4" />
        {readings.map(({ timeH, moved }, i) => (
          <circle key={i} cx={x(timeH)} cy={y(moved)} r={2.6} className="fill-ink" />
        ))}
      </svg>
      <div>
        <FactList
          rows={[
            [
              'Readings',
              `${band.readings} of ${specimens} specimen${specimens === 1 ? '' : 's'}, scatter ${f(100 * band.scatter, 2)} %`,
            ],
            ['a', `${f(band.creepA)} (${between(band.creepAInterval)})`],
            ['n', `${f(band.creepN)} (${between(band.creepNInterval)})`],
            ...PREDICTED_H.map((hours): [string, string] => {
              const { moved, low, high } = band.at(hours);
              return [
                `After ${duration(hours)}`,
                `${amount(moved, 'mm', units)} (${amount(low, 'mm', units)} … ${amount(high, 'mm', units)})`,
              ];
            }),
          ]}
        />
        <p className="mt-1 text-xs text-quiet">
          δ = δ₀·(1 + a·tⁿ), t in h; 95 % intervals. The band counts the scatter of the readings, not a law that may
          change later.
        </p>
      </div>
    </div>
  );
}
