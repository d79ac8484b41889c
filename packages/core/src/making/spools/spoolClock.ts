import type { Place, Spool, SpoolEvent } from '@anvilstone/schema';
import { fractionDried, spoolMoisture, type AirStretch, type SpoolMoisture } from '../drying/spoolMoisture.ts';
import { airOfPlace, mergeAlike, type LoggedAir } from './airOfPlace.ts';
import type { DryingOfGrade } from '../drying/dryingOfGrade.ts';

/** How wet a spool is now, and on what that rests. */
export interface SpoolClock extends Omit<SpoolMoisture, 'state'> {
  /** `unknown`: sealed as it came; makers differ in how dry they pack. */
  state: SpoolMoisture['state'] | 'unknown';
  /** Since when its air is counted; null: it is still sealed. */
  sinceAt: string | null;
  /** What it was then: fresh out of the dryer, or taken as in balance with 50 % since nobody dried it. */
  startedAs: 'dried' | 'not dried yet' | 'sealed';
  /** Hours of it for which a logger should have spoken and did not; taken as damp as it may have been. */
  gapH: number;
  /** Hours of it at a place that is not known or has no logger: its usual air was taken. */
  assumedH: number;
}

const HOUR_MS = 3600e3;
/** A spool that lies nobody knows where. */
const UNKNOWN_PLACE: Place = {
  id: 'unknown',
  name: 'location unknown',
  temperatureC: 25,
  humidityPct: 65,
  sampleData: false,
};

export interface Air {
  places: readonly Place[];
  /** Of each logger, in order of time. */
  readings: ReadonlyMap<string, readonly LoggedAir[]>;
}

/**
 * The moisture clock of a spool: every stay at a place and every drying since its first drying, or since it was opened, one after the
 * other. One that was never dried starts in balance with 50 % humidity; one that is still sealed is not known to be dry: makers
 * differ, so it says to dry it once.
 */
export function spoolClock(spool: Spool, drying: DryingOfGrade, { places, readings }: Air, nowMs: number): SpoolClock {
  const events = spool.events
    .filter(({ at }) => Date.parse(at) <= nowMs)
    .sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const first = events.find((one) => one.kind === 'dried');
  if (spool.openedAt === undefined && !first)
    return {
      fraction: 1,
      state: 'unknown',
      useWithinH: 0,
      needsDryingH: drying.dryingH,
      sinceAt: null,
      startedAs: 'sealed',
      gapH: 0,
      assumedH: 0,
    };
  const startMs = first ? startOf(first) : Date.parse(spool.openedAt!);
  let placeId = placeBefore(spool, events, startMs);
  let atMs = startMs;
  let startFraction = 1;
  let air: AirStretch[] = [];
  let [gapH, assumedH] = [0, 0];
  let dried: DriedEvent | undefined;
  const lieUntil = (endMs: number) => {
    if (endMs <= atMs) return;
    const place = places.find(({ id }) => id === placeId) ?? UNKNOWN_PLACE;
    const found = airOfPlace(place, readings.get(place.loggerId ?? '') ?? [], atMs, endMs);
    air.push(...found.complianceTerms);
    gapH += found.gapH;
    if (place.loggerId === undefined) assumedH += (endMs - atMs) / HOUR_MS;
    atMs = endMs;
  };
  for (const event of events) {
    const ms = Date.parse(event.at);
    if (ms < startMs) continue;
    if (event.kind === 'moved') {
      lieUntil(ms);
      placeId = event.placeId;
    } else if (event.kind === 'dried') {
      lieUntil(startOf(event));
      const { fraction } = spoolMoisture(drying, mergeAlike(air), startFraction);
      startFraction = fractionDried(drying, fraction, event.hours, event.temperatureC);
      // What was not known before it was dried matters no more.
      [air, gapH, assumedH, dried] = [[], 0, 0, event];
      atMs = Math.max(atMs, ms);
    }
  }
  lieUntil(nowMs);
  return {
    ...spoolMoisture(drying, mergeAlike(air), startFraction),
    sinceAt: dried?.at ?? spool.openedAt!,
    startedAs: dried ? 'dried' : 'not dried yet',
    gapH,
    assumedH,
  };
}

type DriedEvent = Extract<SpoolEvent, { kind: 'dried' }>;

const startOf = ({ at, hours }: DriedEvent) => Date.parse(at) - hours * HOUR_MS;

/** Where it lay then: the last move before; else where the first move after took it from; without a move its place of today. */
function placeBefore(spool: Spool, events: readonly SpoolEvent[], ms: number): string | null {
  const moves = events.filter((one) => one.kind === 'moved');
  const last = moves.filter(({ at }) => Date.parse(at) <= ms).at(-1);
  if (last) return last.placeId;
  return moves.length > 0 ? (moves[0]!.fromPlaceId ?? null) : spool.placeId;
}
