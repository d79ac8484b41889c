import type { Statement } from '@anvilstone/schema';
import { type Working, formatNumber as f, say, megapascals, celsius, joined } from '@anvilstone/core/foundations';
import { type Material, strengthTemperatureFactor, type Resolved, matrixCreep } from '@anvilstone/core/materials';
import type { ShownLine } from '@anvilstone/core/shapes';
import { growthOf } from './action.ts';
import type { CheckContext, PreparedLoad } from './check.ts';

/** Writes how a resolved property came about, one line a step. */
export function showResolved(
  working: Working,
  symbol: string,
  meaning: Statement,
  resolved: Resolved,
  unit: string,
): void {
  resolved.steps.forEach((step, index) => {
    const last = index === resolved.steps.length - 1;
    working.add(
      last ? symbol : '',
      last ? say`${meaning} (evidence ${resolved.evidence})` : meaning,
      step.value,
      unit,
      {
        source: step.text,
      },
    );
  });
}

export function showModulusRatio(working: Working, material: Material, temperatureC: number): void {
  const knots = joined(
    material
      .behaviour!.curve.knots.filter(({ kind }) => kind !== 'between')
      .map((knot) => say`${megapascals(knot.modulusMPa)} at ${celsius(knot.temperatureC)} (${knot.note})`),
    ' · ',
  );
  working.add('E(T)/E₂₃', say`Modulus retained at ${celsius(temperatureC)}`, material.modulusRatio(temperatureC), '×', {
    expression: knots,
    source: say`monotone cubic in log E; ${material.behaviour!.hdtNote}`,
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
  const kT = strengthTemperatureFactor(ratio, behaviour.strengthExponent);
  working.add('kT', 'Strength retained at temperature', kT, '×', {
    expression: `(E(T)/E₂₃)^m = ${f(ratio)}^${behaviour.strengthExponent}${ratio > 1 ? ', not counted above 1 in the cold' : ''}`,
    source: 'm typical of the family',
  });
  const kt = material.strengthFactor(temperatureC, durationH) / kT;
  working.add('kt', `Strength retained under load for ${f(durationH)} h`, kt, '×', {
    expression: `1 − ${behaviour.staticFatigueLossPerDecade} per decade of time beyond 1 min`,
    source: 'static fatigue, typical of the family',
  });
}

/** What the open leaves of the strength, where it is asked. */
export function showWeathering(working: Working, { weathering }: CheckContext): void {
  if (weathering?.kept === undefined) return;
  working.add('kUV', `Strength retained after ${f(weathering.acceleratedH)} h of weathering`, weathering.kept, '×', {
    expression: 'share left after 1000 h ^ (hours / 1000)',
    source: weathering.source(),
  });
}

/** The lines that a part model gives for a place; those marked so are multiplied by what acts. */
export function showLines(working: Working, lines: readonly ShownLine[], action: number): void {
  for (const { symbol, meaning, value, unit, perUnit, formula, source } of lines) {
    working.add(symbol, meaning, perUnit ? value * action : value, unit, {
      ...(formula === undefined ? {} : { expression: formula }),
      ...(source === undefined ? {} : { source }),
    });
  }
}

/** Growth of deflection by creep, with whose parameters they are. */
export function showGrowth(
  working: Working,
  context: CheckContext,
  load: PreparedLoad,
  temperatureC: number,
  durationH: number,
): void {
  const { creep, creepEvidence } = context.material.behaviour!;
  const { creepN, activationKjPerMol } = creep;
  const creepA = creep.creepA * matrixCreep(creep, temperatureC);
  const whose =
    creepEvidence === 'D'
      ? 'parameters typical of the family (evidence D)'
      : 'fitted to the grade’s own creep readings';
  const share = load.loadCase.onShare ?? 1;
  working.add(
    'D·E',
    say`Creep factor over ${f(durationH)} h at ${celsius(temperatureC)}${share < 1 ? `, on for ${f(100 * share)} % of the time` : ''}`,
    growthOf(context, load, temperatureC, durationH),
    '×',
    {
      expression: `1 + a·(t/a_T)^n, a = ${f(creepA)}, n = ${f(creepN)}, activation energy ${f(activationKjPerMol)} kJ/mol`,
      source: `power law with time–temperature shift${share < 1 ? ', Boltzmann superposition of the pauses' : ''}; ${whose}`,
    },
  );
}
