import type { Grade, Observation } from '@anvilstone/schema';
import { testGrade } from '../../checks/testContext.ts';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { findFamily } from '../reference/family.ts';
import { prepareMaterial } from './material.ts';

const sheet = (
  id: string,
  facts: Partial<Observation> & Pick<Observation, 'property' | 'value' | 'unit'>,
): Observation => ({
  id,
  source: 'datasheet',
  specimen: 'printed',
  orientation: 'XY',
  conditioning: 'dry',
  reference: 'sheet',
  ...facts,
});
const grade = (observations: Observation[], familyId = 'abs', reinforcementId: string | null = null): Grade => ({
  id: 'g',
  name: 'G',
  maker: 'M',
  familyId,
  reinforcementId,
  colours: [],
  pricePerKgUsd: null,
  process: {},
  observations,
  sampleData: true,
});
const prepare = (
  observations: Observation[],
  familyId?: string,
  reinforcementId?: string | null,
  moisture: 'dry' | 'conditioned' = 'dry',
) => prepareMaterial(grade(observations, familyId, reinforcementId), moisture, defaultCompanyRules);
const known = <T extends { known: boolean }>(resolution: T) => {
  expect(resolution.known).toBe(true);
  return resolution as Extract<T, { known: true }>;
};

describe('modulus', () => {
  test('a bending modulus stands in where no tensile one was reported, and is never better than class C', () => {
    const modulus = known(
      prepare([sheet('f', { property: 'flexuralModulus', value: 2100, unit: 'MPa' })]).modulus.inPlane,
    );
    expect(modulus.value).toBeCloseTo(2100 * 0.95, 9);
    expect(modulus.evidence).toBe('C');
    expect(modulus.steps.at(-1)?.text).toMatch(/stands in/);
  });
  test('a tensile modulus is preferred to a bending one', () => {
    const both = [
      sheet('f', { property: 'flexuralModulus', value: 2100, unit: 'MPa' }),
      sheet('t', { property: 'tensileModulus', value: 1900, unit: 'MPa' }),
    ];
    expect(known(prepare(both).modulus.inPlane).value).toBeCloseTo(1900 * 0.95, 9);
  });
  test('GPa and Msi are read as what they are', () => {
    expect(
      known(prepare([sheet('t', { property: 'tensileModulus', value: 2, unit: 'GPa' })]).modulus.inPlane).value,
    ).toBeCloseTo(1900, 9);
    const msi = known(
      prepare([sheet('t', { property: 'tensileModulus', value: 0.3, unit: 'Msi' })]).modulus.inPlane,
    ).value;
    expect(msi).toBeCloseTo(0.3 * 6894.757 * 0.95, 1);
  });
  test('a reported range counts as its middle', () =>
    expect(
      known(
        prepare([
          {
            ...sheet('t', { property: 'tensileModulus', value: 0, unit: 'MPa' }),
            value: undefined,
            low: 1800,
            high: 2200,
          },
        ]).modulus.inPlane,
      ).value,
    ).toBeCloseTo(2000 * 0.95, 9));
});

describe('heat deflection', () => {
  const modulus = sheet('t', { property: 'tensileModulus', value: 2000, unit: 'MPa' });
  const hdt = (id: string, value: number, hdtStressMPa?: number) =>
    sheet(id, { property: 'heatDeflectionTemperature', value, unit: '°C', ...(hdtStressMPa ? { hdtStressMPa } : {}) });

  test('without its test stress it is not used: the family’s points stand, class D', () => {
    const { behaviour } = prepare([modulus, hdt('h', 140)]);
    expect(behaviour?.hdtEvidence).toBe('D');
    expect(behaviour?.curve.knots.some((knot) => knot.temperatureC === 140)).toBe(false);
  });
  test('own points replace the family’s; of two at one stress the lower is used', () => {
    const { behaviour } = prepare([modulus, hdt('h1', 90, 1.8), hdt('h2', 84, 1.8)]);
    const points = behaviour!.curve.knots.filter((knot) => knot.kind === 'hdt');
    expect(points.map((knot) => knot.temperatureC)).toEqual([84]);
    expect(behaviour?.hdtEvidence).toBe('C');
  });
  test('0.45 and 1.8 MPa are two points of one curve, not two answers', () => {
    const { behaviour } = prepare([modulus, hdt('a', 84, 1.8), hdt('b', 93, 0.45)]);
    const [lower, upper] = behaviour!.curve.knots.filter((knot) => knot.kind === 'hdt');
    expect(lower!.modulusMPa).toBeGreaterThan(2.5 * upper!.modulusMPa);
  });
  test('°F are read as °F', () => {
    const { behaviour } = prepare([modulus, { ...hdt('h', 185, 1.8), unit: '°F' }]);
    expect(behaviour!.curve.knots.find((knot) => knot.kind === 'hdt')?.temperatureC).toBeCloseTo(85, 9);
  });
  test('an own glass transition moves the rubbery end', () => {
    const { behaviour } = prepare([modulus, sheet('tg', { property: 'glassTransition', value: 112, unit: '°C' })]);
    expect(behaviour?.curve.endC).toBe(127);
  });
});

test('water softens at room temperature; past the dry glass transition it takes little, and never stiffens', () => {
  const observation = [sheet('t', { property: 'tensileModulus', value: 2500, unit: 'MPa' })];
  const [dry, conditioned] = (['dry', 'conditioned'] as const).map((moisture) =>
    prepare(observation, 'pa6', null, moisture),
  );
  const retention = findFamily('pa6')!.modulusRetentionConditioned;
  expect(known(conditioned!.modulus.inPlane).value / known(dry!.modulus.inPlane).value).toBeCloseTo(retention, 9);
  for (const temperatureC of [-20, 23, 50, 80]) {
    const share = (retention * conditioned!.modulusRatio(temperatureC)) / dry!.modulusRatio(temperatureC);
    expect(share).toBeGreaterThanOrEqual(retention - 1e-9);
    expect(share).toBeLessThanOrEqual(1.001);
  }
  const shareAt = (celsius: number) => conditioned!.modulusRatio(celsius) / dry!.modulusRatio(celsius);
  expect(shareAt(0)).toBeCloseTo(1, 9);
  expect(shareAt(80)).toBeGreaterThan(shareAt(45));
  expect(shareAt(45)).toBeGreaterThan(1);
  // Warmth never stiffens, and strength at heat is no more than the dry one's.
  const sigma = (material: typeof dry, celsius: number) =>
    known(material!.strength.inPlane).value * material!.strengthFactor(celsius, 1 / 60);
  let before = Infinity;
  for (let celsius = 23; celsius <= 200; celsius += 3) {
    const ratio = conditioned!.modulusRatio(celsius);
    expect(ratio).toBeLessThanOrEqual(before);
    before = ratio;
    expect(sigma(conditioned, celsius)).toBeLessThanOrEqual(sigma(dry, celsius) * 1.003);
  }
  // 55 − 70·(1 − e^(−2.8/4)): 35 K lower.
  expect(dry!.behaviour!.glassTransitionC).toBe(55);
  expect(conditioned!.behaviour!.glassTransitionC).toBeCloseTo(55 - 70 * (1 - Math.exp(-2.8 / 4)), 6);
});

test('layer shear: measured when there is a measurement, else derived and never better than class C', () => {
  const strengths = [
    sheet('x', { property: 'tensileStrength', value: 40, unit: 'MPa' }),
    sheet('z', { property: 'tensileStrength', value: 20, unit: 'MPa', orientation: 'ZX' }),
  ];
  const derived = known(prepare(strengths).layerShear);
  expect(derived.value).toBeCloseTo(0.5 * 36 * Math.sqrt(0.5), 9); // after the data sheet factor: 36 and 18 MPa
  expect(derived.evidence).toBe('C');
  const measured = sheet('s', { property: 'layerShearStrength', value: 15, unit: 'MPa' });
  expect(known(prepare([...strengths, measured]).layerShear).value).toBeCloseTo(13.5, 9);
});

test('carbon lowers creep and Z, raises stiffness, against the unfilled family', () => {
  const [neat, filled] = [prepare([], 'pa12'), prepare([], 'pa12', 'carbon-15')];
  expect(known(filled.modulus.inPlane).value).toBeGreaterThan(2 * known(neat.modulus.inPlane).value);
  expect(filled.behaviour!.creep.creepA).toBeLessThan(neat.behaviour!.creep.creepA);
  expect(known(filled.strength.across).value).toBeLessThan(known(neat.strength.across).value);
});

test('an unknown family: what was measured is known, behaviour is not, and asking for it is a fault of the program', () => {
  const material = prepare([sheet('t', { property: 'tensileModulus', value: 2000, unit: 'MPa' })], 'mystery');
  expect(material.modulus.inPlane.known).toBe(true);
  expect(material.behaviour).toBeNull();
  expect(material.behaviourGaps.join()).toMatch(/mystery.*state the polymer/);
  expect(() => material.modulusRatio(60)).toThrow(/without asking/);
});

describe('an elastomer known by its hardness', () => {
  const soft = (observations: Grade['observations']): Grade => ({ ...testGrade, familyId: 'tpu-85a', observations });
  const shore = {
    id: 'shore',
    property: 'hardnessShoreA' as const,
    value: 70,
    unit: 'Shore',
    source: 'datasheet' as const,
    reference: 'sheet',
  };
  const modulus = (grade: Grade) => prepareMaterial(grade, 'dry', defaultCompanyRules).modulus.inPlane;
  // Gent at 70 Shore A: 5.5205 MPa
  test('takes its modulus from Gent, class C, and says so', () => {
    const found = modulus(soft([shore]));
    expect(found).toMatchObject({ known: true, evidence: 'C' });
    expect(found.known && found.value).toBeCloseTo(5.5205, 3);
    expect(found.known && found.steps.at(-1)!.text).toMatch(/Gent/);
  });
  test('a modulus of its own comes first, and without a hardness the family stands in', () => {
    const own = {
      ...shore,
      id: 'e',
      property: 'tensileModulus' as const,
      value: 20,
      unit: 'MPa',
      specimen: 'printed' as const,
      orientation: 'XY' as const,
      conditioning: 'dry' as const,
    };
    expect(modulus(soft([shore, own]))).toMatchObject({ value: 19 });
    expect(modulus(soft([]))).toMatchObject({ value: 22, evidence: 'D' });
  });
});
