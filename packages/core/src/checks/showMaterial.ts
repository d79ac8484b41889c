import type { Working } from '../working/Working.ts';
import type { Material } from '../materials/material.ts';
import type { Resolved } from '../materials/resolution.ts';
import { formatNumber as f } from '../units/formatQuantity.ts';

/** Writes how a resolved property came about, one line a step. */
export function showResolved(
  working: Working,
  symbol: string,
  meaning: string,
  resolved: Resolved,
  unit: string,
): void {
  resolved.steps.forEach((step, index) => {
    const last = index === resolved.steps.length - 1;
    working.add(last ? symbol : '', last ? `${meaning} (evidence ${resolved.evidence})` : meaning, step.value, unit, {
      source: step.text,
    });
  });
}

export function showModulusRatio(working: Working, material: Material, temperatureC: number): void {
  const knots = material
    .behaviour!.curve.knots.map((knot) => `${f(knot.modulusMPa)} MPa at ${f(knot.temperatureC)} °C (${knot.note})`)
    .join(' · ');
  working.add('E(T)/E₂₃', `Stiffness kept at ${f(temperatureC)} °C`, material.modulusRatio(temperatureC), '×', {
    expression: knots,
    source: `monotone cubic in log E; ${material.behaviour!.hdtNote}`,
  });
}

/** The factors by which a short-term strength at 23 °C becomes the one at temperature and under lasting load. */
export function showStrengthFactor(
  working: Working,
  material: Material,
  temperatureC: number,
  durationH: number,
): void {
  const behaviour = material.behaviour!;
  showModulusRatio(working, material, temperatureC);
  const ratio = material.modulusRatio(temperatureC);
  working.add('kT', 'Strength kept at temperature', ratio ** behaviour.strengthExponent, '×', {
    expression: `(E(T)/E₂₃)^m = ${f(ratio)}^${behaviour.strengthExponent}`,
    source: 'm typical of the family',
  });
  const kt = material.strengthFactor(temperatureC, durationH) / ratio ** behaviour.strengthExponent;
  working.add('kt', `Strength kept under load for ${f(durationH)} h`, kt, '×', {
    expression: `1 − ${behaviour.staticFatigueLossPerDecade} per decade of time beyond 1 min`,
    source: 'static fatigue, typical of the family',
  });
}
