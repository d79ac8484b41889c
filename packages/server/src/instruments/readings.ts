import type { PrintProgress } from '@anvilstone/schema';
import type { NumberedReading } from '../spools/repository.ts';
import type { Line } from './lineProtocol.ts';

/** Why a line that came whole is not used. */
export class Implausible extends Error {}

const numberOf = ({ fields }: Line, key: string): number => {
  const text = fields[key] ?? '';
  const value = text.trim() === '' ? NaN : Number(text);
  if (!Number.isFinite(value)) throw new Implausible(`${key} is “${text}”`);
  return value;
};

function within(line: Line, key: string, low: number, high: number): number {
  const value = numberOf(line, key);
  if (value < low || value > high) throw new Implausible(`${key} is ${value}, which cannot be (${low} … ${high})`);
  return value;
}

/** Two sensors in one logger agree within this, % relative humidity. */
const SENSORS_AGREE_PCT = 5;
/** A clock may be ahead by so much. */
const AHEAD_MS = 5 * 60e3;

/** @throws Implausible values that cannot be, sensors that disagree, a moment still to come */
export function airOfLine(line: Line, nowMs: number): NumberedReading {
  const number = within(line, 'number', 1, Number.MAX_SAFE_INTEGER);
  const at = Date.parse(line.fields.at ?? '');
  if (!Number.isFinite(at)) throw new Implausible(`at is “${line.fields.at ?? ''}”`);
  if (at > nowMs + AHEAD_MS) throw new Implausible('its clock is ahead of ours');
  const temperatureC = within(line, 't', -40, 90);
  const humidityPct = within(line, 'rh', 0, 100);
  const second = within(line, 'rh2', 0, 100);
  const apart = Math.abs(humidityPct - second);
  if (apart > SENSORS_AGREE_PCT)
    throw new Implausible(`its two sensors are ${apart.toFixed(1)} % apart: one drifts, and which is not known`);
  return { number, at: new Date(at).toISOString(), temperatureC, humidityPct };
}

/** @throws Implausible */
export function massOfLine(line: Line): { massG: number; settled: boolean } {
  if (line.word === 'OVER') throw new Implausible('it is loaded beyond its range');
  return { massG: within(line, 'g', -50, 30_000), settled: line.fields.settled === 'yes' };
}

/** @throws Implausible */
export const temperatureOfLine = (line: Line): number => within(line, 'c', -100, 500);

/** One reading of a displacement or force gauge, in the gauge’s own N or mm. @throws Implausible values that cannot be */
export function gaugeOfLine(line: Line): { number: number; s: number; value: number; over: boolean } {
  return {
    number: within(line, 'number', 1, Number.MAX_SAFE_INTEGER),
    s: within(line, 's', 0, 4e8),
    value: line.word === 'LOAD' ? within(line, 'n', -1e6, 1e6) : within(line, 'mm', -5000, 5000),
    over: line.fields.over === 'yes',
  };
}

const STATES = ['idle', 'printing', 'done', 'failed'] as const;

/** @throws Implausible progress that cannot be, or that went backwards within one job */
export function progressOfLine(line: Line, before: PrintProgress | undefined, at: string): PrintProgress {
  const state = STATES.find((one) => one === line.fields.state);
  if (!state) throw new Implausible(`state is “${line.fields.state ?? ''}”`);
  const job = (line.fields.job ?? '').slice(0, 120);
  const donePct = within(line, 'done', 0, 100);
  if (before?.job === job && before.state === 'printing' && state === 'printing' && donePct < before.donePct - 0.5)
    throw new Implausible(
      `done fell from ${before.donePct.toFixed(1)} to ${donePct.toFixed(1)} %: no print goes backwards`,
    );
  return {
    at,
    state,
    job,
    donePct,
    filamentG: within(line, 'filament', 0, 30_000),
    hours: within(line, 'hours', 0, 5000),
    leftH: within(line, 'left', 0, 5000),
  };
}
