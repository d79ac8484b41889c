import { canonicalValue } from '../resolving/canonicalValue.ts';
import type { GradeCurve, MarkedPoint } from './gradeCurve.ts';
import { fatigueAmplitudeMPa, fatigueLaw } from '../behaviour/fatigue.ts';
import type { Material } from '../behaviour/material.ts';
import { byDecades } from './span.ts';

/** Stress amplitude over cycles, fully reversed, through the family's shares of the static strength. */
export function fatigueCurves(material: Material): GradeCurve[] {
  const { family, strength, grade } = material;
  if (!family || !strength.inPlane.known) return [];
  const sigma = strength.inPlane.value;
  const law = fatigueLaw(family.fatigueFraction1e6, family.fatigueFraction1e7);
  const marks = grade.observations.flatMap((one): MarkedPoint[] => {
    if (one.property !== 'fatigueStrength' || one.cycles === undefined || one.orientation === 'ZX') return [];
    const reading = canonicalValue(one, 'fatigueStrength');
    if (!reading.ok) return [];
    return [
      { x: one.cycles, y: reading.value, kind: one.source === 'bench' ? 'measured' : 'reported', label: one.reference },
    ];
  });
  return [
    {
      id: 'fatigue',
      title: 'Stress amplitude over cycles, in plane',
      x: { title: 'Cycles', dimension: 'count', logarithmic: true },
      y: { title: 'Amplitude, fully reversed', dimension: 'stress', logarithmic: true },
      lines: [
        {
          label: 'amplitude',
          points: byDecades(1e3, 1e8, 60).map((n) => ({ x: n, y: fatigueAmplitudeMPa(law, sigma, n) })),
        },
      ],
      marks: [
        ...marks,
        { x: 1e6, y: sigma * family.fatigueFraction1e6, kind: 'typical', label: 'family share at 1e6' },
        { x: 1e7, y: sigma * family.fatigueFraction1e7, kind: 'typical', label: 'family share at 1e7' },
      ],
      evidence: 'D',
      notes: [
        'Typical of the family, printed in plane, a few Hz without self-heating',
        ...(family.morphology === 'elastomer' ? ['For elastomers very rough: strain governs, not stress'] : []),
      ],
    },
  ];
}
