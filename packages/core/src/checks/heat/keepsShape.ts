import { formatNumber as f, say, celsius, kelvins } from '@anvilstone/core/foundations';
import { annealingOf } from '@anvilstone/core/materials';
import { steadyHours } from '@anvilstone/core/shapes';
import type { Check, CheckContext, PreparedPart } from '../engine/check.ts';
import { known, unknown } from '../engine/outcome.ts';
import { hotLoads } from './checksUnderLoad.ts';

/** Less than this is not measured, %. */
const LEAST_MEASURED_PCT = 0.01;
/** Half of the locked strain is let go in an hour at the glass transition, or so far above the form limit, K. */
const ABOVE_FORM_K = 10;
/** From a tenth to nine tenths it takes about four times this, K. */
const WIDTH_K = 4;
/** A tenfold time lets go as much as so many K more. Slower than creep: below the transition the glass ages. */
const K_PER_DECADE = 2;
/** What warm air round the print leaves of the strain that is locked in. */
const LEFT_BY_ENCLOSURE = { open: 1, enclosed: 0.8, heated: 0.6 } as const;
const LEFT_BY_ANNEALING = 0.2;
/** Thin walls are all drawn strand: below this, mm, more is locked in. A thicker wall than this does not lessen it. */
const THIN_MM = 2;
const MORE_IN_THIN = 1.3;

/** Share of the locked-in strain that is let go after a time at a temperature, 0 … 1. `hours` count from 1 h. */
function strainLetGo(formContinuousC: number, temperatureC: number, hours: number): number {
  const distanceK = formContinuousC + ABOVE_FORM_K - temperatureC - K_PER_DECADE * Math.log10(Math.max(1, hours));
  return 1 / (1 + Math.exp(distanceK / WIDTH_K));
}

/**
 * A part that carries nothing still warps when it gets warm: strands were drawn and cooled while stretched, and shrink again as the
 * polymer softens. A filler does not take that away (it makes the part shrink crookedly instead), nor does a thicker wall.
 * Typical, class D; 23 °C to melting; 1 h and longer. The law is ours, its midpoint at Tg that of heat-recovery tests on drawn film.
 */
export const keepsShape: Check = {
  id: 'keeps-shape',
  isLimit: true,
  title: 'Shape retention',
  asks: 'Does it keep its printed shape in warm surroundings, unloaded?',
  failsAs: 'sagged',
  scatter: 'form',
  words: ['Change of shape', 'limit'],
  applies: ({ brief }) => brief.asks.heat?.steadyC !== undefined || brief.asks.heat?.peak !== undefined,
  evaluate(context, working) {
    const { behaviour, family, behaviourGaps } = context.material;
    if (!behaviour || !family) return unknown('%', behaviourGaps);
    const { continuousC, basis } = behaviour.form;
    let letGo = 0;
    let at = warmTimes(context.part)[0]!;
    for (const one of warmTimes(context.part)) {
      const share = strainLetGo(continuousC, one.temperatureC, one.hours);
      if (share <= letGo) continue;
      letGo = share;
      at = one;
    }
    const lockedPct = family.lockedStrainPct * byAir(context) * byWall(context) * byOven(context);
    const changePct = Math.max(LEAST_MEASURED_PCT, lockedPct * letGo);
    const allowedPct = context.rules.warmShapeChangePct;
    if (working) {
      working.add('ε₀', 'Strain locked in by printing', lockedPct, '%', {
        expression: `${f(family.lockedStrainPct)} % · ${byAir(context)} (air round the print) · ${byWall(context)} (thin walls) · ${byOven(context)} (annealing)`,
        source: 'typical of the family; print a 100 mm bar, warm it, measure it',
      });
      working.add('s', say`Let go in ${f(at.hours)} h at ${celsius(at.temperatureC)}`, letGo, '×', {
        expression: say`1/(1 + e^((${celsius(continuousC)} + ${kelvins(ABOVE_FORM_K)} − T − ${kelvins(K_PER_DECADE)} · log₁₀ t) / ${kelvins(WIDTH_K)}))`,
        source: basis,
      });
      working.add('ε', 'Change of shape', changePct, '%', {
        expression: `ε₀ · s, at least ${LEAST_MEASURED_PCT} %: less is not measured`,
      });
    }
    return known({
      demand: changePct,
      capacity: allowedPct,
      unit: '%',
      evidence: 'D',
      reason:
        changePct > allowedPct
          ? say`At ${celsius(at.temperatureC)} the stress printed into it is let go, whatever its walls and fillers`
          : null,
    });
  },
};

interface WarmTime {
  temperatureC: number;
  hours: number;
}
/** The same for every grade. */
const timesOf = new WeakMap<PreparedPart, readonly WarmTime[]>();

/** When it is warm, and for how long altogether. */
function warmTimes(part: PreparedPart): readonly WarmTime[] {
  let times = timesOf.get(part);
  if (times) return times;
  const { steadyC, peak } = part.brief.asks.heat ?? {};
  const steadyH = steadyHours(part.brief.asks);
  const acts = Math.max(...hotLoads(part.loads).map(({ loadCase }) => loadCase.durationH));
  times = [
    ...(steadyC === undefined ? [] : [{ temperatureC: steadyC, hours: steadyH ?? acts }]),
    ...(peak === undefined ? [] : [{ temperatureC: peak.temperatureC, hours: peak.durationH }]),
  ];
  timesOf.set(part, times);
  return times;
}

const byAir = ({ fit }: CheckContext) => LEFT_BY_ENCLOSURE[fit?.machine.enclosure ?? 'open'];
const byWall = ({ body }: CheckContext) => (body.thinnestMm < THIN_MM ? MORE_IN_THIN : 1);
const byOven = ({ brief, material }: CheckContext) =>
  brief.annealed === true && annealingOf(material.family) !== null ? LEFT_BY_ANNEALING : 1;
