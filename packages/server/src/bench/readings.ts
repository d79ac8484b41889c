import type { TrialCurve } from '@anvilstone/schema';
import { readingsToDraw, type ForceCurve, type ReadCurve } from '@anvilstone/core/evidence';
import type { Knex } from 'knex';

export type Channel = 'force' | 'moved' | 'temperature';
export interface GaugeReading {
  channel: Channel;
  number: number;
  /** Since the run began, s. */
  s: number;
  value: number;
  over: boolean;
}

/** A curve with all of its readings, at the times of its leading channel. */
export type WholeCurve = Pick<ReadCurve, 'forceN' | 'movedMm' | 'timeS' | 'temperatureC' | 'over'>;

const COLUMNS = ['timeS', 'forceN', 'movedMm', 'temperatureC'] as const;

/** Each once, however often it is fetched. */
export async function keepGaugeReadings(db: Knex, trialId: string, readings: readonly GaugeReading[]): Promise<void> {
  if (readings.length === 0) return;
  await db.transaction(async (trx) => {
    // Whoever ends the run waits for what is being kept, and what comes after its end is not.
    if (!(await trx('trial_runs').where({ trial_id: trialId }).forShare().first('trial_id'))) return;
    await trx('trial_readings')
      .insert(readings.map((reading) => ({ trial_id: trialId, ...reading })))
      .onConflict(['trial_id', 'channel', 'number'])
      .ignore();
  });
}

/** 0: none yet. */
export async function lastNumber(db: Knex, trialId: string, channel: Channel): Promise<number> {
  const row = (await db('trial_readings').where({ trial_id: trialId, channel }).max('number as last').first()) as {
    last: string | null;
  };
  return Number(row.last ?? 0);
}

/** Time of the last reading that is kept, s; 0: none yet. */
export async function lastTimeS(db: Knex, trialId: string, channel: Channel): Promise<number> {
  const row = (await db('trial_readings').where({ trial_id: trialId, channel }).max('s as s').first()) as {
    s: number | null;
  };
  return row.s ?? 0;
}

export async function keepFileCurve(db: Knex, trialId: string, curve: WholeCurve): Promise<void> {
  const parts = COLUMNS.map((column) => {
    const values = curve[column];
    return Buffer.from(values.buffer, values.byteOffset, values.byteLength);
  });
  await db('trial_curves').insert({
    trial_id: trialId,
    readings: curve.timeS.length,
    columns: Buffer.concat([...parts, Buffer.from(curve.over)]),
  });
}

/** Undefined: the trial has no curve; it was typed. */
export async function wholeCurve(db: Knex, trialId: string): Promise<WholeCurve | undefined> {
  const file = (await db('trial_curves').where({ trial_id: trialId }).first('readings', 'columns')) as
    | { readings: number; columns: Buffer }
    | undefined;
  return file ? fromColumns(file.readings, file.columns) : fromGauges(db, trialId);
}

function fromColumns(readings: number, bytes: Buffer): WholeCurve {
  // A copy of its own, since doubles have to begin at a multiple of eight.
  const copy = new Uint8Array(bytes).buffer;
  const column = (i: number) => new Float64Array(copy, i * readings * 8, readings);
  return {
    timeS: column(0),
    forceN: column(1),
    movedMm: column(2),
    temperatureC: column(3),
    over: new Uint8Array(copy, COLUMNS.length * readings * 8, readings),
  };
}

async function fromGauges(db: Knex, trialId: string): Promise<WholeCurve | undefined> {
  const rows = (await db('trial_readings')
    .where({ trial_id: trialId })
    .select('channel', 's', 'value', 'over')
    .orderBy(['channel', 'number'])) as { channel: Channel; s: number; value: number; over: boolean }[];
  if (rows.length === 0) return undefined;
  const of = (channel: Channel) => rows.filter((row) => row.channel === channel);
  const leading = of('force').length > 0 ? of('force') : of('moved');
  const timeS = Float64Array.from(leading, ({ s }) => s);
  const along = (channel: Channel, longestS: number) => interpolated(of(channel), timeS, longestS);
  return {
    timeS,
    forceN: Float64Array.from(leading, ({ channel, value }) => (channel === 'force' ? value : NaN)),
    movedMm: along('moved', 1),
    temperatureC: along('temperature', Infinity),
    over: Uint8Array.from(leading, ({ over }) => (over ? 1 : 0)),
  };
}

/** Between two readings no further apart than so long; elsewhere not read. */
function interpolated(
  rows: readonly { s: number; value: number }[],
  timeS: Float64Array,
  longestS: number,
): Float64Array {
  const values = new Float64Array(timeS.length).fill(NaN);
  let i = 0;
  timeS.forEach((s, at) => {
    while (i < rows.length - 1 && rows[i + 1]!.s <= s) i += 1;
    const [here, next] = [rows[i], rows[i + 1]];
    if (!here) return;
    if (here.s === s || !next || here.s > s) {
      if (Math.abs(here.s - s) <= longestS) values[at] = here.value;
    } else if (next.s - here.s <= Math.max(longestS, here.s / 5))
      values[at] = here.value + ((next.value - here.value) * (s - here.s)) / (next.s - here.s);
  });
  return values;
}

export const forceCurve = ({ forceN, movedMm, over }: WholeCurve): ForceCurve => ({ forceN, movedMm, over });

const DRAWN_STRETCHES = 400;
const DIGITS = 6;

/** As much of a curve as a page draws. `sinceS`: only what came after that time, for a page that follows a run. */
export function drawnCurve(curve: WholeCurve | undefined, sinceS: number | undefined): TrialCurve {
  if (!curve) return { readings: 0, timeS: [], forceN: [], movedMm: [], temperatureC: [], over: [], last: 0 };
  const { forceN, movedMm, timeS, temperatureC, over } = curve;
  const leading = forceN.some((value) => !Number.isNaN(value)) ? forceN : movedMm;
  const all = sinceS === undefined ? readingsToDraw(leading, DRAWN_STRETCHES) : after(timeS, sinceS);
  const column = (values: Float64Array) =>
    all.map((i) => (Number.isNaN(values[i]!) ? null : Number(values[i]!.toPrecision(DIGITS))));
  return {
    readings: timeS.length,
    timeS: column(timeS),
    forceN: column(forceN),
    movedMm: column(movedMm),
    temperatureC: column(temperatureC),
    over: all.map((i) => over[i] === 1),
    last: timeS.length,
  };
}

const after = (timeS: Float64Array, sinceS: number): number[] =>
  Array.from(timeS, (_, i) => i).filter((i) => timeS[i]! > sinceS);
