import type { Trial } from '@anvilstone/schema';
import type { Knex } from 'knex';
import { HttpProblem } from '../http/problems.ts';
import { InstrumentSilent } from '../instruments/ask.ts';
import { gaugeOfLine, Implausible } from '../instruments/readings.ts';
import type { InstrumentService } from '../instruments/service.ts';
import { keepGaugeReadings, lastNumber, lastTimeS, type Channel, type GaugeReading } from './readings.ts';

/** Which gauge reads what of a run, and how often the specimen feels what the force gauge reads. */
export interface GaugesOfRun {
  gauges: Partial<Record<Channel, string>>;
  advantage: number;
  /** Over hours and days: readings are thinned as time goes on. */
  slow?: true;
}

export interface Fetcher {
  /** Everything a gauge has read since; a silence, damage, a loss and the end of its range are noted. `silent` is whose silence is known. */
  channel(trialId: string, run: GaugesOfRun, channel: 'force' | 'moved', silent: Set<Channel>): Promise<void>;
  temperature(trialId: string, run: GaugesOfRun): Promise<void>;
}

export function readingsFetcher(
  db: Knex,
  instruments: InstrumentService,
  nameOf: (gaugeId: string) => string,
  note: (trialId: string, kind: Trial['events'][number]['kind'], text: string) => Promise<void>,
): Fetcher {
  return { channel: fetchChannel, temperature: fetchTemperature };

  async function fetchChannel(
    trialId: string,
    run: GaugesOfRun,
    channel: 'force' | 'moved',
    silent: Set<Channel>,
  ): Promise<void> {
    const gauge = run.gauges[channel];
    if (gauge === undefined) return;
    const last = await lastNumber(db, trialId, channel);
    let lines;
    let damaged;
    try {
      ({ lines, damaged } = await instruments.gaugeSince(gauge, last));
    } catch (error) {
      if (!(error instanceof InstrumentSilent)) throw error;
      // A line that is damaged at the very end looks like silence.
      ({ lines, damaged } = error);
      if (!silent.has(channel)) await note(trialId, 'drop-out', `${nameOf(gauge)}: ${error.message}`);
      silent.add(channel);
    }
    const readings: GaugeReading[] = [];
    for (const line of lines) {
      if (line.word !== 'LOAD' && line.word !== 'MOVE') continue;
      try {
        const { value, ...rest } = gaugeOfLine(line);
        readings.push({ channel, ...rest, value: channel === 'force' ? value * run.advantage : value });
      } catch (error) {
        if (!(error instanceof Implausible)) throw error;
        damaged += 1;
      }
    }
    if (damaged > 0) await note(trialId, 'damaged', `${nameOf(gauge)}: ${damaged} damaged lines were not used`);
    const [first] = readings;
    if (first && silent.delete(channel)) await note(trialId, 'back', `${nameOf(gauge)} answers again`);
    if (first && last > 0 && first.number > last + 1 && damaged === 0)
      await note(
        trialId,
        'gap',
        `${nameOf(gauge)}: ${first.number - last - 1} readings are lost, it no longer remembers them`,
      );
    const over = readings.find((reading) => reading.over);
    if (over && !(await db('trial_readings').where({ trial_id: trialId, over: true }).first('number')))
      await note(
        trialId,
        'over-range',
        `${nameOf(gauge)} went past its range at ${over.value.toFixed(0)} N on the specimen`,
      );
    await keepGaugeReadings(
      db,
      trialId,
      run.slow ? thinned(readings, await lastTimeS(db, trialId, channel)) : readings,
    );
  }

  async function fetchTemperature(trialId: string, run: GaugesOfRun): Promise<void> {
    const id = run.gauges.temperature;
    if (id === undefined) return;
    try {
      const value = await instruments.temperature(id);
      const number = (await lastNumber(db, trialId, 'temperature')) + 1;
      const { rows } = await db.raw<{ rows: { s: number | null }[] }>(
        'select max(s) as s from trial_readings where trial_id = ?',
        [trialId],
      );
      await keepGaugeReadings(db, trialId, [
        { channel: 'temperature', number, s: rows[0]?.s ?? 0, value, over: false },
      ]);
    } catch (error) {
      // A test without its temperature is still a test: it is asked again.
      if (!(error instanceof HttpProblem)) throw error;
    }
  }
}

/** Of a slow run a reading is kept when so much of its time has passed since the last, */
const STEP_SHARE = 0.005;
/** and never later than this, so that the start of the recovery is not missed, s. */
const LONGEST_STEP_S = 20;

/** Two days at ten readings a second are two million; their course over the logarithm of time is told by some thousands. */
export function thinned(readings: readonly GaugeReading[], lastS: number): GaugeReading[] {
  let kept = lastS;
  return readings.filter(({ s }) => {
    if (s - kept < Math.min(LONGEST_STEP_S, STEP_SHARE * s)) return false;
    kept = s;
    return true;
  });
}
