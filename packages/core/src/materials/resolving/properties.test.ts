import { PROPERTIES } from '@anvilstone/schema';
import { families } from '../reference/family.ts';
import { reinforcements } from '../reference/reinforcement.ts';
import { findUnit, DIMENSIONS } from '../../foundations/units/dimensions.ts';
import { CONDITION_TITLES, TEST_PARAMETERS } from './conditions.ts';
import { familyEstimate, familyHdtPoints } from './familyEstimate.ts';
import { FAMILY_VALUES } from './familyValues.ts';
import { isClass, PROPERTY_DEFINITIONS, PROPERTY_GROUPS } from './properties.ts';

describe.each(PROPERTIES)('%s', (property) => {
  const definition = PROPERTY_DEFINITIONS[property];
  test('has a title, a group, a sentence that explains it, and known conditions', () => {
    expect(definition.title.length).toBeGreaterThan(2);
    expect(PROPERTY_GROUPS).toContain(definition.group);
    expect(definition.means).toMatch(/[.)]$/);
    for (const condition of definition.conditions) expect(CONDITION_TITLES[condition]).toBeDefined();
  });
  test('is a class or has a range of what is physically possible', () => {
    if (isClass(property)) expect(definition.classes!.length).toBeGreaterThan(2);
    else expect(definition.physical[0]).toBeLessThan(definition.physical[1]);
  });
  test('is typical within what is possible, for every family and filler', () => {
    if (isClass(property)) return expect(FAMILY_VALUES[property]).toBeUndefined();
    for (const family of families.filter(({ morphology }) => morphology !== 'support')) {
      for (const filler of [undefined, ...reinforcements]) {
        const typical = familyEstimate(family, filler, property);
        if (!typical) continue;
        const label = `${family.id} ${filler?.id ?? 'unfilled'}: ${typical.value}`;
        expect([label, typical.value >= definition.physical[0], typical.value <= definition.physical[1]]).toEqual([
          label,
          true,
          true,
        ]);
      }
    }
  });
});

test('titles are unique, and every test parameter has a unit that its dimension knows', () => {
  const titles = PROPERTIES.map((property) => PROPERTY_DEFINITIONS[property].title);
  expect(new Set(titles).size).toBe(titles.length);
  for (const { dimension, unit } of Object.values(TEST_PARAMETERS)) {
    if (dimension && unit) expect(findUnit(dimension, unit)).toBeDefined();
  }
});
test('no two units of a dimension share a name, whatever the case', () => {
  for (const [dimension, { units }] of Object.entries(DIMENSIONS)) {
    const names = units.flatMap((unit) => [...unit.names]);
    expect([dimension, new Set(names).size]).toEqual([dimension, names.length]);
  }
});

describe('what a filler does to a family', () => {
  const family = (id: string) => families.find((one) => one.id === id)!;
  const filler = (id: string) => reinforcements.find((one) => one.id === id)!;
  const value = (familyId: string, fillerId: string | null, property: Parameters<typeof familyEstimate>[2]) =>
    familyEstimate(family(familyId), fillerId === null ? undefined : filler(fillerId), property)!.value;

  test('density by mass share: 15 % carbon (1.8) in PA6: 1/(0.15/1.8 + 0.85/ρ)', () =>
    expect(value('pa6', 'carbon-15', 'density')).toBeCloseTo(
      1 / (0.15 / 1.8 + 0.85 / family('pa6').densityGPerCm3),
      10,
    ));
  test('stiffness: 1 + (factor − 1)·reference modulus ÷ matrix modulus', () => {
    const matrix = family('pa6').tensileModulusXyMpa.mid;
    const factor = filler('carbon-15').effects.polyamideLike.modulusXy;
    expect(value('pa6', 'carbon-15', 'tensileModulus')).toBeCloseTo(matrix * (1 + ((factor - 1) * 2300) / matrix), 6);
  });
  test('elongation between its floor of 1.2 × strength ÷ modulus and its cap', () => {
    const elongation = value('pa6', 'carbon-15', 'elongationBreak');
    const floor = (120 * value('pa6', 'carbon-15', 'tensileStrength')) / value('pa6', 'carbon-15', 'tensileModulus');
    expect(elongation).toBeGreaterThanOrEqual(floor - 1e-9);
    expect(elongation).toBeLessThanOrEqual(filler('carbon-15').caps.polyamideLike.elongationBreakPct!);
  });
  test('carbon replaces the surface resistivity, and shrinks expansion and print shrinkage', () => {
    expect(value('petg', 'carbon-10', 'surfaceResistivity')).toBe(1e10);
    expect(value('petg', null, 'surfaceResistivity')).toBe(1e15);
    for (const property of ['thermalExpansion', 'printShrink'] as const) {
      expect(value('petg', 'carbon-10', property)).toBeLessThan(value('petg', null, property));
    }
  });
  test('heat deflection: at 1.8 MPa at least 3 K below that at 0.45, and below melting or near the glass transition', () => {
    for (const one of families) {
      for (const other of reinforcements) {
        const [at180, at045] = familyHdtPoints(one, other);
        if (!at180 || !at045) continue;
        expect(at045.temperatureC - at180.temperatureC).toBeGreaterThanOrEqual(3 - 1e-9);
        const ceiling =
          one.morphology === 'amorphous' || one.meltingC === null ? one.glassTransitionC + 5 : one.meltingC - 10;
        expect(at045.temperatureC).toBeLessThanOrEqual(Math.max(ceiling, one.hdt045C!));
      }
    }
  });
  test('the middle of a span of Shore values: 64D–72D is 68', () =>
    expect(value('tpu-hard', null, 'hardnessShoreD')).toBe(68));
  test('an elastomer has no heat deflection temperature', () =>
    expect(familyHdtPoints(family('tpu-95a'), undefined)).toEqual([]));
});
