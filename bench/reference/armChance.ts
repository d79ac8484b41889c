/** Monte Carlo as one would write it first: every draw scales the grade and the loads and works all checks out again. */
import type { chanceOfMeetingAll } from '@anvilstone/core/evaluation';
import { defaultCompanyRules } from '@anvilstone/core/materials';
import type { Brief, BuildOrientation, Grade, CompanyRules, LoadCase } from '@anvilstone/schema';
import { plainChecks, plainMaterial, type PlainMaterial } from './armEvaluation.ts';

/** Of the draws, how many meet the checks of strength, movement and heat. `scatter`: as the engine says it took it. */
export function chanceOfArmPlainly(
  brief: Brief,
  grade: Grade,
  orientation: BuildOrientation,
  scatter: NonNullable<ReturnType<typeof chanceOfMeetingAll>>['scatter'],
  draws: number,
  random: () => number,
  rules: CompanyRules = defaultCompanyRules,
): number {
  const m = plainMaterial(grade, brief, rules);
  if (!m) throw new Error(`not everything is known of ${grade.id}`);
  let met = 0;
  for (let draw = 0; draw < draws; draw++) {
    const drawn = (cov: number) => {
      const spread = Math.sqrt(Math.log(1 + cov * cov));
      return Math.exp(spread * normal(random) - (spread * spread) / 2);
    };
    const [stiffer, stronger, bonded] = [drawn(scatter.modulus), drawn(scatter.strength), drawn(scatter.across)];
    const shiftK = scatter.heatK * normal(random);
    const cooler = (temperatureC: number) => (temperatureC > 23 ? Math.max(23, temperatureC - shiftK) : temperatureC);
    const loads = brief.loadCases.map((load): LoadCase => ({ ...load, forceN: load.forceN! * drawn(scatter.load) }));
    const scaled: PlainMaterial = {
      ...m,
      modulusInPlane: m.modulusInPlane * stiffer,
      modulusAcross: m.modulusAcross * stiffer,
      strengthInPlane: m.strengthInPlane * stronger,
      compressive: m.compressive * stronger,
      strengthAcross: m.strengthAcross * bonded,
      layerShear: m.layerShear * bonded,
      // A curve that lies higher is a part that is cooler, in its creep too.
      logModulusAt: (temperatureC) => m.logModulusAt(cooler(temperatureC)),
      creep: {
        ...m.creep,
        shift: (temperatureC) => m.creep.shift(cooler(temperatureC)),
        flow: (temperatureC) => m.creep.flow(cooler(temperatureC)),
      },
      form: { continuousC: m.form.continuousC + shiftK, peakC: m.form.peakC + shiftK },
    };
    const { checks } = plainChecks({ ...brief, loadCases: loads }, orientation, scaled, 0.05);
    if (checks.every(({ reserve }) => reserve === null || reserve >= 1)) met += 1;
  }
  return met / draws;
}

function normal(random: () => number): number {
  return Math.sqrt(-2 * Math.log(1 - random())) * Math.cos(2 * Math.PI * random());
}
