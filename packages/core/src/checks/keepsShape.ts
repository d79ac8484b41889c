import { annealingOf } from '../process/annealing.ts';
import { formatNumber as f } from '../units/formatQuantity.ts';
import type { Check, CheckContext } from './check.ts';
import { known, unknown } from './outcome.ts';
import { hotLoads } from './heatAsks.ts';

/** Change of length or shape that is seen and felt on a clip, a sleeve or a long flat part, %. Ours. */
const ALLOWED_PCT = 0.5;
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
  title: 'Keeps its shape unloaded',
  asks: 'Does it stay as it was printed in the warmth, with nothing on it?',
  words: ['Warps or shrinks by', 'may change by'],
  applies: ({ brief }) => brief.asks.heat?.steadyC !== undefined || brief.asks.heat?.peak !== undefined,
  evaluate(context, working) {
    const { behaviour, family, behaviourGaps } = context.material;
    if (!behaviour || !family) return unknown('%', behaviourGaps);
    const locked = lockedStrainPct(context);
    let worst = { letGo: 0, temperatureC: 23, hours: 0 };
    for (const { temperatureC, hours } of warmTimes(context)) {
      const letGo = strainLetGo(behaviour.form.continuousC, temperatureC, hours);
      if (letGo > worst.letGo) worst = { letGo, temperatureC, hours };
    }
    const changePct = locked.pct * worst.letGo;
    if (working) {
      working.add('ε₀', 'Strain locked in by printing', locked.pct, '%', {
        expression: locked.expression,
        source: 'typical of the family; print a 100 mm bar, warm it, measure it',
      });
      working.add('s', `Let go in ${f(worst.hours)} h at ${f(worst.temperatureC)} °C`, worst.letGo, '×', {
        expression: `1/(1 + e^((${f(behaviour.form.continuousC)} + ${ABOVE_FORM_K} − T − ${K_PER_DECADE}·log₁₀ t)/${WIDTH_K}))`,
        source: behaviour.form.basis,
      });
      working.add('ε', 'Change of shape', changePct, '%', { expression: 'ε₀ · s' });
    }
    return known({
      demand: changePct,
      capacity: ALLOWED_PCT,
      unit: '%',
      evidence: 'D',
      reason:
        changePct > ALLOWED_PCT
          ? `At ${f(worst.temperatureC)} °C the stress printed into it is let go, whatever its walls and fillers`
          : null,
    });
  },
};

/** When it is warm, and for how long altogether. */
function warmTimes({ brief, part }: CheckContext): { temperatureC: number; hours: number }[] {
  const { steadyC, steadyH, peak } = brief.asks.heat ?? {};
  const acts = Math.max(...hotLoads(part.loads).map(({ loadCase }) => loadCase.durationH));
  return [
    ...(steadyC === undefined ? [] : [{ temperatureC: steadyC, hours: steadyH ?? acts }]),
    ...(peak === undefined ? [] : [{ temperatureC: peak.temperatureC, hours: peak.durationH }]),
  ];
}

function lockedStrainPct({ material, fit, body, brief }: CheckContext): { pct: number; expression: string } {
  const family = material.family!;
  const enclosure = fit?.machine.enclosure ?? 'open';
  const annealed = brief.annealed === true && annealingOf(family) !== null;
  const factors = [
    { by: LEFT_BY_ENCLOSURE[enclosure], says: `printed in ${enclosure === 'open' ? 'open' : enclosure} air` },
    ...(body.thinnestMm < THIN_MM ? [{ by: MORE_IN_THIN, says: 'thin walls' }] : []),
    ...(annealed ? [{ by: LEFT_BY_ANNEALING, says: 'annealed' }] : []),
  ];
  return {
    pct: factors.reduce((pct, { by }) => pct * by, family.lockedStrainPct),
    expression: [`${f(family.lockedStrainPct)} %`, ...factors.map(({ by, says }) => `${by} (${says})`)].join(' · '),
  };
}
