import { pchip } from '@anvilstone/core/foundations';
import { REFERENCE_TEMPERATURE_C, type Knot, type ModulusCurve } from './modulusCurve.ts';

/** So far above its dry glass transition a polymer is past it, moist or not, K. */
const PAST_TG_K = 15;
/** The dry curve is followed in steps of this, K. */
const STEP_K = 4;
/** Followed in steps, the curve may lie a little over: so much is kept off the dry one. */
const STEPS_SPARE = 1.005;
/** A knot has to fall by this much at least, so that warmth never stiffens. */
const FALLS = 0.999;

export interface MoistInput {
  /** Dry, °C. */
  glassTransitionC: number;
  /** Share of the stiffness and of the strength at 23 °C that water leaves. */
  modulusRetention: number;
  strengthRetention: number;
  /** Strength goes as this power of the modulus. */
  strengthExponent: number;
}

/**
 * Modulus over temperature with water in the polymer, over the moist modulus at 23 °C: water has brought the glass transition down, so that
 * at 23 °C a moist polymer has lost already what a dry one loses on the way through its own. From 23 °C to the dry Tg + 15 °C the gap closes in a
 * straight line, as far as neither stiffness nor strength of the moist one comes out above the dry one's. Below 23 °C as dry, which is on the
 * soft side. Ours, class D; bending bars moist at 60 and 90 °C would settle it. The same curve where water takes nothing.
 */
export function moistCurve(dry: ModulusCurve, input: MoistInput): ModulusCurve {
  const { modulusRetention, strengthRetention, strengthExponent, glassTransitionC } = input;
  // Both laws at once: E·k ≤ E_dry and σ·k^m ≤ σ_dry.
  const closes = Math.max(modulusRetention, strengthRetention ** (1 / strengthExponent)) * STEPS_SPARE;
  const pastC = glassTransitionC + PAST_TG_K;
  if (closes >= 1 || modulusRetention >= 1 || pastC <= REFERENCE_TEMPERATURE_C || pastC >= dry.endC) return dry;
  const reference = dry.knots[0]!;
  const shareAt = (celsius: number) =>
    1 - (1 - closes) * Math.min(1, (celsius - REFERENCE_TEMPERATURE_C) / (pastC - REFERENCE_TEMPERATURE_C));
  const count = Math.floor((dry.endC - REFERENCE_TEMPERATURE_C) / STEP_K);
  const added = Array.from({ length: count }, (_, i): Knot => {
    const temperatureC = REFERENCE_TEMPERATURE_C + (i + 1) * STEP_K;
    const modulusMPa = reference.modulusMPa * dry.ratio(temperatureC);
    return { temperatureC, modulusMPa, kind: 'between', note: 'on the dry curve' };
  });
  const all = [...dry.knots, ...added]
    .filter((one, i, knots) => knots.findIndex((other) => Math.abs(other.temperatureC - one.temperatureC) < 0.5) === i)
    .sort((a, b) => a.temperatureC - b.temperatureC);
  let least = Infinity;
  const knots = all.map((knot): Knot => {
    const wanted = modulusRetention * (knot.modulusMPa / shareAt(knot.temperatureC));
    least = Math.min(wanted, least * FALLS);
    return { ...knot, modulusMPa: least };
  });
  const curve = pchip(
    knots.map((knot) => knot.temperatureC),
    knots.map((knot) => Math.log10(knot.modulusMPa)),
  );
  const log23 = Math.log10(knots[0]!.modulusMPa);
  const logRatio = (celsius: number) =>
    celsius <= REFERENCE_TEMPERATURE_C ? dry.logRatio(celsius) : Math.LN10 * (curve.at(celsius) - log23);
  return { ...dry, knots, logRatio, ratio: (celsius) => Math.exp(logRatio(celsius)) };
}

/** Water that has brought the glass transition down by 1 − 1/e of all that it can, %, and that all, K. */
const WATER_SCALE_PCT = 4;
const MOST_LOWERED_K = 70;

/**
 * Glass transition of a polyamide with water in it, °C: Tg − 70·(1 − e^(−w/4 %)); polyamide 6 loses some 35 K in ordinary air and 60 K wet
 * (Reimschuessel, J. Polym. Sci. 16 (1978) 1229). `waterPct` 0 … 12 of its mass. Class D.
 */
export const moistGlassTransitionC = (dryC: number, waterPct: number): number =>
  dryC - MOST_LOWERED_K * (1 - Math.exp(-waterPct / WATER_SCALE_PCT));
