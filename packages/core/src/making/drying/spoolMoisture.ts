import { requireFiniteValue, requirePositiveValue, requireWithin, bisect } from '@anvilstone/core/foundations';
import { waterDiffusionMm2PerH, waterUptakeFraction } from '@anvilstone/core/materials';

/** Air that a spool lay in, one stretch of a humidity log. */
export interface AirStretch {
  hours: number;
  temperatureC: number;
  humidityPct: number;
}

/** What is known of a filament: how long it stays printable, and how it is dried. */
export interface SpoolWater {
  /** Out of the dryer at 23 °C and 50 % humidity, h. */
  openHours: number;
  dryingC: number;
  dryingH: number;
}

export interface SpoolMoisture {
  /** Water over what it would hold in balance with 50 % humidity. */
  fraction: number;
  state: 'dry' | 'use-within' | 'wet';
  /** Until it is too wet to print, in the last stretch's air, h; 0: it is. Infinite: it never gets there. */
  useWithinH: number;
  /** Hours in the dryer at its drying temperature; 0: none. */
  needsDryingH: number;
}

/** Above this share of the balance at 50 % a filament pops and strings. Ours, class D. */
export const WET_FRACTION = 0.2;
/** Below this it is as good as fresh out of the dryer. */
const DRY_FRACTION = 0.05;
const REFERENCE_HUMIDITY_PCT = 50;
/** Half time of a 2 mm wall of unit; only its temperature counts here. */
const UNIT_HALF_TIME_H = 1;

/**
 * How wet a spool is after lying in changing air: Fick’s series of a wall (Crank, eq. 4.18), steps of humidity added up
 * (Boltzmann), time counted as diffusion at each stretch’s temperature (50 kJ/mol). The wall is as thick as makes the stated open
 * hours the time to 20 % of the balance at 23 °C and 50 %. It starts as dry as drying makes it, or with `startFraction` of that
 * balance, alike throughout. Drying as estimated by dryingHoursFrom, and never shorter than stated.
 * @throws InputError hours not above 0, humidity outside 0 … 100 %, temperature not finite
 */
export function spoolMoisture(water: SpoolWater, air: readonly AirStretch[], startFraction = 0): SpoolMoisture {
  requirePositiveValue('openHours', water.openHours);
  requirePositiveValue('dryingH', water.dryingH);
  requireWithin('startFraction', startFraction, 0, 2);
  air.forEach(({ hours, temperatureC, humidityPct }, i) => {
    requirePositiveValue(`air/${i}/hours`, hours);
    requireFiniteValue(`air/${i}/temperatureC`, temperatureC);
    requireWithin(`air/${i}/humidityPct`, humidityPct, 0, 100);
  });
  const wallMm = wallOf(water.openHours);
  const fraction = fractionAfter(wallMm, air, startFraction);
  const last = air.at(-1) ?? { hours: 1, temperatureC: 23, humidityPct: REFERENCE_HUMIDITY_PCT };
  const more = (hours: number) => fractionAfter(wallMm, [...air, { ...last, hours }], startFraction);
  const balance = last.humidityPct / REFERENCE_HUMIDITY_PCT;
  const wet = fraction >= WET_FRACTION;
  const useWithinH = wet ? 0 : balance <= WET_FRACTION ? Infinity : hoursUntil((hours) => more(hours) >= WET_FRACTION);
  return {
    fraction,
    state: wet ? 'wet' : fraction <= DRY_FRACTION ? 'dry' : 'use-within',
    useWithinH,
    needsDryingH: wet ? Math.max(water.dryingH, dryingHoursFrom(water, fraction)) : 0,
  };
}

/** So much of the balance is left when drying is over. */
const DRIED_TO = 0.01;
/** Late in the series only its first term counts: 8/π²·exp(−π²·D·t/h²) is left (Crank, eq. 4.18). */
const FIRST_TERM = 8 / Math.PI ** 2;
const timeNumber = (left: number) => Math.max(0, Math.log(FIRST_TERM / left));

/**
 * Hours in the dryer from a share of the balance at 50 % until it is dry. The stated hours are those from balance, the state of a
 * spool that has lain about; a wetter one takes longer, by the first term of the series.
 */
export function dryingHoursFrom({ dryingH }: Pick<SpoolWater, 'dryingH'>, fraction: number): number {
  if (fraction <= DRIED_TO) return 0;
  return (dryingH * timeNumber(DRIED_TO / fraction)) / timeNumber(DRIED_TO);
}

/**
 * Share of the balance that is left after drying, by the same rule; cooler it goes slower as water moves, 50 kJ/mol, hotter is not
 * counted as faster. A drying that was long enough leaves nothing that counts: 0.
 */
export function fractionDried(
  { dryingH, dryingC }: Pick<SpoolWater, 'dryingH' | 'dryingC'>,
  fraction: number,
  hours: number,
  temperatureC: number,
): number {
  const pace =
    temperatureC >= dryingC
      ? 1
      : waterDiffusionMm2PerH(UNIT_HALF_TIME_H, temperatureC) / waterDiffusionMm2PerH(UNIT_HALF_TIME_H, dryingC);
  const done = (hours * pace * timeNumber(DRIED_TO)) / dryingH;
  const left = Math.min(1, FIRST_TERM * Math.exp(-done)) * fraction;
  // A hair: dried for exactly the hours that are asked for.
  return left <= DRIED_TO * (1 + 1e-6) ? 0 : left;
}

/** The same few open hours are asked for again and again. */
const walls = new Map<number, number>();
const MOST_WALLS = 1000;

/** Thickness of the wall that takes up 20 % in the open hours, mm. */
function wallOf(openHours: number): number {
  const known = walls.get(openHours);
  if (known !== undefined) return known;
  const diffusion = waterDiffusionMm2PerH(UNIT_HALF_TIME_H);
  const isWetter = (wallMm: number) => waterUptakeFraction(wallMm, diffusion, openHours) > WET_FRACTION;
  const [, high] = bisect(isWetter, 1e-3, 1e4, { steps: 80, geometric: true });
  if (walls.size >= MOST_WALLS) walls.clear();
  walls.set(openHours, high);
  return high;
}

function fractionAfter(wallMm: number, air: readonly AirStretch[], startFraction: number): number {
  const reference = waterDiffusionMm2PerH(UNIT_HALF_TIME_H);
  const lasts = air.map(
    ({ hours, temperatureC }) => (hours * waterDiffusionMm2PerH(UNIT_HALF_TIME_H, temperatureC)) / reference,
  );
  let left = lasts.reduce((sum, one) => sum + one, 0);
  let before = startFraction;
  let fraction = startFraction;
  air.forEach(({ humidityPct }, i) => {
    const balance = humidityPct / REFERENCE_HUMIDITY_PCT;
    fraction += (balance - before) * waterUptakeFraction(wallMm, reference, left);
    before = balance;
    left -= lasts[i]!;
  });
  return Math.max(0, fraction);
}

/** First hours at which something holds that then stays so, by doubling and bisection; infinite beyond ten years. */
function hoursUntil(holds: (hours: number) => boolean): number {
  let high = 0.25;
  while (!holds(high)) {
    high *= 2;
    if (high > 87_600) return Infinity;
  }
  return bisect((hours) => hours <= 0 || !holds(hours), 0, high, { steps: 50 })[1];
}
