import type { AirReading, Place } from '@anvilstone/schema';
import type { AirStretch } from '../drying/spoolMoisture.ts';

/** A reading whose moment is a number, ms since 1970: a log is walked along for every spool. */
export interface LoggedAir {
  ms: number;
  temperatureC: number;
  humidityPct: number;
}
export const loggedAir = ({ at, temperatureC, humidityPct }: AirReading): LoggedAir => ({
  ms: Date.parse(at),
  temperatureC,
  humidityPct,
});

/** Air from one moment to another, and for how much of that no logger could say. */
export interface AirOfPlace {
  complianceTerms: readonly AirStretch[];
  gapH: number;
}

/** A reading holds for so long; after that the log has a gap, ms. */
export const READING_HOLDS_MS = 3600e3;
/** Readings within this of each other are one stretch. */
const SAME_PCT = 3;
const SAME_K = 2;
const HOUR_MS = 3600e3;

/**
 * The air a spool lay in at a place. Where a logger lies there its readings count, each until the next one; where it said nothing for
 * more than an hour, the damper and the warmer of the readings on both sides and of what is usual there: a gap never makes a spool
 * drier. Without a logger, what is usual there. `readings` in order of time.
 */
export function airOfPlace(place: Place, readings: readonly LoggedAir[], fromMs: number, toMs: number): AirOfPlace {
  const usual = { temperatureC: place.temperatureC, humidityPct: place.humidityPct };
  if (toMs <= fromMs) return { complianceTerms: [], gapH: 0 };
  if (place.loggerId === undefined) return { complianceTerms: [stretch(fromMs, toMs, usual)], gapH: 0 };
  const pieces = new Merged();
  let gapMs = 0;
  let at = fromMs;
  let before: LoggedAir | undefined;
  const upTo = (endMs: number, after: LoggedAir | undefined) => {
    if (endMs <= at) return;
    const heldMs = before ? Math.min(endMs, before.ms + READING_HOLDS_MS) : at;
    if (before && heldMs > at) {
      pieces.add(stretch(at, heldMs, before));
      at = heldMs;
    }
    if (endMs > at) {
      pieces.add(stretch(at, endMs, dampest([usual, before, after])));
      gapMs += endMs - at;
      at = endMs;
    }
  };
  for (const reading of readings) {
    if (reading.ms > toMs) break;
    upTo(reading.ms, reading);
    before = reading;
  }
  upTo(toMs, undefined);
  return { complianceTerms: pieces.complianceTerms, gapH: gapMs / HOUR_MS };
}

type Air = Pick<AirStretch, 'temperatureC' | 'humidityPct'>;

const stretch = (fromMs: number, toMs: number, { temperatureC, humidityPct }: Air): AirStretch => ({
  hours: (toMs - fromMs) / HOUR_MS,
  temperatureC,
  humidityPct,
});

function dampest(airs: readonly (Air | undefined)[]): Air {
  const known = airs.filter((one) => one !== undefined);
  return {
    temperatureC: Math.max(...known.map(({ temperatureC }) => temperatureC)),
    humidityPct: Math.max(...known.map(({ humidityPct }) => humidityPct)),
  };
}

/** One after the other and alike: one stretch with the mean air, so that two weeks of readings stay a few dozen stretches. */
export function mergeAlike(complianceTerms: readonly AirStretch[]): AirStretch[] {
  const merged = new Merged();
  for (const one of complianceTerms) merged.add(one);
  return merged.complianceTerms;
}

class Merged {
  readonly complianceTerms: AirStretch[] = [];
  /** The first air of a stretch decides what is alike: a slow drift ends it. */
  private first: Air | undefined;

  add(one: AirStretch): void {
    const last = this.complianceTerms.at(-1);
    const { first } = this;
    const alike =
      first !== undefined &&
      Math.abs(first.humidityPct - one.humidityPct) <= SAME_PCT &&
      Math.abs(first.temperatureC - one.temperatureC) <= SAME_K;
    if (!last || !alike) {
      this.complianceTerms.push({ ...one });
      this.first = one;
      return;
    }
    const hours = last.hours + one.hours;
    const mean = (a: number, b: number) => (a * last.hours + b * one.hours) / hours;
    last.temperatureC = mean(last.temperatureC, one.temperatureC);
    last.humidityPct = mean(last.humidityPct, one.humidityPct);
    last.hours = hours;
  }
}
