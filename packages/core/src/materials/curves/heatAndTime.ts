import { formatNumber, ROOM_C, say, celsius } from '@anvilstone/core/foundations';
import { canonicalValue } from '../resolving/canonicalValue.ts';
import { creepReadings } from '../behaviour/creepFit.ts';
import type { GradeCurve, MarkedPoint } from './gradeCurve.ts';
import type { Material } from '../behaviour/material.ts';
import type { Knot } from '../behaviour/modulusCurve.ts';
import { byDecades, evenly } from './span.ts';

const COLDEST_C = -40;
const STEPS = 120;
const SHORTEST_H = 1 / 3600;
const LONGEST_H = 10_000;

/** Modulus and strength over temperature. Empty where modulus or family is not known. */
export function modulusCurves(material: Material): GradeCurve[] {
  const { behaviour, modulus, strength } = material;
  if (!behaviour || !modulus.inPlane.known) return [];
  const { curve } = behaviour;
  const temperatures = evenly(COLDEST_C, curve.endC, STEPS);
  const e23 = modulus.inPlane.value;
  // The knots hold the dry modulus; shown is the moisture state asked for, so each is scaled with the rest of the curve.
  const scale = e23 / curve.knots[0]!.modulusMPa;
  const dropped = curve.dropped.map(
    (knot) => say`${knot.note} at ${celsius(knot.temperatureC)} left out: the modulus would rise with temperature`,
  );
  const x = { title: 'Temperature', dimension: 'temperature' } as const;
  const stiffness: GradeCurve = {
    id: 'modulus-over-temperature',
    title: 'Modulus over temperature, in plane',
    x,
    y: { title: 'Modulus', dimension: 'stress', logarithmic: true },
    lines: [{ label: 'modulus', points: temperatures.map((t) => ({ x: t, y: e23 * curve.ratio(t) })) }],
    marks: curve.knots.filter(({ kind }) => kind !== 'between').map((knot) => markOf(knot, scale)),
    evidence: behaviour.hdtEvidence,
    notes: [say`Shape from ${behaviour.hdtNote}`, ...dropped],
  };
  if (!strength.inPlane.known) return [stiffness];
  const sigma23 = strength.inPlane.value;
  const exponent = behaviour.strengthExponent;
  return [
    stiffness,
    {
      ...stiffness,
      id: 'strength-over-temperature',
      title: 'Strength over temperature, in plane',
      y: { title: 'Strength', dimension: 'stress', logarithmic: true },
      lines: [
        { label: 'strength', points: temperatures.map((t) => ({ x: t, y: sigma23 * curve.ratio(t) ** exponent })) },
      ],
      marks: measuredStrengths(material),
      notes: [`Follows the modulus to the power ${formatNumber(exponent)}, typical of the family`],
    },
  ];
}

const MARK_KIND: Record<Knot['kind'], MarkedPoint['kind']> = {
  reference: 'reported',
  hdt: 'reported',
  measured: 'measured',
  knee: 'typical',
  family: 'typical',
  between: 'typical',
  rubbery: 'typical',
};

const markOf = (knot: Knot, scale: number): MarkedPoint => ({
  x: knot.temperatureC,
  y: knot.modulusMPa * scale,
  kind: MARK_KIND[knot.kind],
  label: knot.kind === 'reference' ? say`modulus at ${celsius(ROOM_C)}` : knot.note,
});

function measuredStrengths({ grade }: Material): MarkedPoint[] {
  return grade.observations.flatMap((one): MarkedPoint[] => {
    const reading =
      one.property === 'tensileStrength' && one.orientation !== 'ZX'
        ? canonicalValue(one, 'tensileStrength')
        : undefined;
    if (!reading?.ok) return [];
    const kind = one.source === 'bench' ? 'measured' : 'reported';
    return [{ x: one.temperatureC ?? 23, y: reading.value, kind, label: one.reference }];
  });
}

/** Growth of deflection under a load that stays on, at 23 °C and warmer. */
export function creepCurves(material: Material): GradeCurve[] {
  const { behaviour, grade } = material;
  if (!behaviour) return [];
  const hours = byDecades(SHORTEST_H, LONGEST_H, STEPS);
  const warmest = Math.min(behaviour.curve.endC - 10, behaviour.continuousServiceC);
  const temperatures = [23, 40, 60, 80, 100, 150].filter((t) => t === 23 || t <= warmest);
  const marks = creepReadings(grade).map(({ durationH, growth }): MarkedPoint => ({
    x: durationH,
    y: growth,
    kind: 'measured',
    label: `own reading after ${formatNumber(durationH)} h`,
  }));
  const { creepA, creepN } = behaviour.creep;
  return [
    {
      id: 'creep-over-time',
      title: 'Growth of deflection under load',
      x: { title: 'Time under load', dimension: 'time', logarithmic: true },
      y: { title: 'Deflection over that at once', dimension: 'ratio', logarithmic: true },
      lines: temperatures.map((t) => ({
        label: say`${celsius(t)}`,
        points: hours.map((h) => ({ x: h, y: material.creepGrowth(t, h) })).filter(({ y }) => y < 1000),
      })),
      marks,
      evidence: behaviour.creepEvidence,
      notes: [
        behaviour.creepEvidence === 'D'
          ? `a = ${formatNumber(creepA)}, n = ${formatNumber(creepN)}, typical of the family: no creep readings of this grade`
          : `a = ${formatNumber(creepA)}, n = ${formatNumber(creepN)}, fitted to the grade’s own readings at 23 °C`,
      ],
    },
  ];
}
