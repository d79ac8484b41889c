import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
/** Ten ways in which two numbers look alike and are not. Each is one the library has to see through. */
import type { Grade, Observation } from '@anvilstone/schema';
import { defaultCompanyRules } from './companyRules/companyRules.ts';
import { comparable, differenceOf, uncarriedDifferences } from './comparing/comparable.ts';
import type { ResolveAt } from './resolving/resolution.ts';
import { resolve } from './resolving/resolve.ts';
import { resolveClass } from './resolving/resolveClass.ts';

const report = (facts: Partial<Observation>): Observation => ({
  id: 'o1',
  property: 'tensileStrength',
  unit: 'MPa',
  source: 'datasheet',
  specimen: 'printed',
  orientation: 'XY',
  conditioning: 'dry',
  reference: 'sheet',
  ...facts,
});
const gradeOf = (familyId: string, observations: Observation[], reinforcementId: string | null = null): Grade => ({
  id: 'g',
  name: 'G',
  maker: 'M',
  familyId,
  reinforcementId,
  colours: [],
  pricePerKgUsd: 20,
  process: {},
  observations,
  sampleData: true,
});
const DRY: ResolveAt = { direction: 'in-plane', conditioning: 'dry' };
const known = (grade: Grade, property: Observation['property'], at: ResolveAt = DRY) => {
  const resolved = resolve(grade, property, at, defaultCompanyRules);
  if (!resolved.known) throw new Error(inWords(joined(resolved.gaps, '; ')));
  return resolved;
};
const differences = (a: Observation, b: Observation) => comparable(a, b).differences.map(({ text }) => text);

describe('1 · heat deflection at another stress', () => {
  const soft = report({ property: 'heatDeflectionTemperature', value: 70, unit: '°C', hdtStressMPa: 0.45 });
  const hard = report({ id: 'o2', property: 'heatDeflectionTemperature', value: 66, unit: '°C', hdtStressMPa: 1.8 });
  test('0.45 and 1.8 MPa are refused by name', () =>
    expect(differences(soft, hard)).toEqual(['Bending stress: 0.45 MPa against 1.8 MPa']));
  test('asked at 1.8 MPa, a report at 0.45 MPa is carried along the modulus curve, class C and lower', () => {
    const resolved = known(gradeOf('petg', [soft]), 'heatDeflectionTemperature', {
      ...DRY,
      parameters: { hdtStressMPa: 1.8 },
    });
    expect(resolved.evidence).toBe('C');
    expect(resolved.value).toBeLessThan(70);
    expect(resolved.value).toBeGreaterThan(55);
    expect(resolved.steps[0]!.text).toContain('bending stress is 0.45 MPa and not 1.8 MPa');
  });
  test('without a stress it says nothing and the family stands in', () => {
    const bare = report({ property: 'heatDeflectionTemperature', value: 120, unit: '°C' });
    const resolved = known(gradeOf('petg', [bare]), 'heatDeflectionTemperature', {
      ...DRY,
      parameters: { hdtStressMPa: 0.45 },
    });
    expect(resolved.evidence).toBe('D');
    expect(resolved.value).toBeCloseTo(71, 1); // the family's own point at 0.45 MPa
  });
});

describe('2 · Charpy against Izod', () => {
  const charpy = report({ property: 'charpyNotched', value: 6, unit: 'kJ/m²', notchRadiusMm: 0.25 });
  const izod = report({ property: 'izodNotched', value: 6, unit: 'kJ/m²', notchRadiusMm: 0.25 });
  test('equal numbers, two tests', () =>
    expect(differences(charpy, izod)).toEqual([
      'Charpy impact, notched against Izod impact, notched: two different tests',
    ]));
  test('no Charpy value is made from an Izod one: the family stands in', () =>
    expect(known(gradeOf('petg', [izod]), 'charpyNotched')).toMatchObject({ value: 6, evidence: 'D' }));
});

describe('3 · Izod in J/m', () => {
  const perThickness = (facts: Partial<Observation> = {}) =>
    report({ property: 'izodNotched', value: 100, unit: 'J/m', notchRadiusMm: 0.25, ...facts });
  test('with 10.16 mm left under the notch (ASTM D256): 100 J/m = 100/10.16 = 9.843 kJ/m²', () =>
    expect(known(gradeOf('pc', [perThickness({ ligamentMm: 10.16 })]), 'izodNotched').value).toBeCloseTo(9.8425, 4));
  test('1 ft·lbf/in = 53.379 J/m, over 10.16 mm = 5.254 kJ/m²', () =>
    expect(
      known(gradeOf('pc', [perThickness({ value: 1, unit: 'ft·lbf/in', ligamentMm: 10.16 })]), 'izodNotched').value,
    ).toBeCloseTo(5.2538, 3));
  test('without it the number cannot be used, and no family states Izod: unknown', () => {
    const resolved = resolve(gradeOf('pc', [perThickness()]), 'izodNotched', DRY, defaultCompanyRules);
    expect(resolved.known).toBe(false);
    expect(JSON.stringify(resolved)).toContain('depth left under the notch');
  });
});

describe('4 · dry against conditioned', () => {
  const dry = report({ value: 70 });
  const wetter = report({ id: 'o2', value: 45, conditioning: 'conditioned' });
  test('refused by name', () => expect(differences(dry, wetter)).toEqual(['Moisture state: dry against conditioned']));
  test('a state that is not stated is refused too', () =>
    expect(differences(dry, report({ value: 46, conditioning: null }))).toEqual([
      'Moisture state: dry against not stated',
    ]));
  test('polyamide 6 dry 70 MPa → conditioned: × family retention, × 0.9 company rule, class C', () => {
    const resolved = known(gradeOf('pa6', [dry]), 'tensileStrength', { ...DRY, conditioning: 'conditioned' });
    const retention = resolved.value / (70 * 0.9);
    expect(retention).toBeGreaterThan(0.4);
    expect(retention).toBeLessThan(0.8);
    expect(resolved.evidence).toBe('C');
  });
  test('impact goes the other way: it rises as polyamide takes up water', () => {
    const charpy = report({ property: 'charpyNotched', value: 5, unit: 'kJ/m²' });
    expect(
      known(gradeOf('pa6', [charpy]), 'charpyNotched', { ...DRY, conditioning: 'conditioned' }).value,
    ).toBeGreaterThan(5);
  });
});

describe('5 · moulded against printed', () => {
  const moulded = report({ value: 60, specimen: 'moulded', orientation: null });
  test('refused by name', () =>
    expect(differences(moulded, report({ value: 48 }))[0]).toBe('Specimen: moulded against printed'));
  test('60 MPa moulded, dry → printed: 60 · 0.8 · 0.9 = 43.2 MPa, class C', () => {
    const resolved = known(gradeOf('petg', [moulded]), 'tensileStrength');
    expect(resolved.value).toBeCloseTo(43.2, 10);
    expect(resolved.evidence).toBe('C');
    expect(resolved.cov).toBe(0.2);
  });
});

describe('6 · flat against upright', () => {
  const flat = report({ value: 46 });
  test('refused by name', () =>
    expect(differences(flat, report({ value: 30, orientation: 'ZX' }))).toEqual(['Build orientation: XY against ZX']));
  test('46 MPa flat → across: × 0.65 of PETG, × 0.9 company rule = 26.9 MPa', () =>
    expect(known(gradeOf('petg', [flat]), 'tensileStrength', { ...DRY, direction: 'across' }).value).toBeCloseTo(
      46 * 0.65 * 0.9,
      6,
    ));
  test('impact is not carried across the layers: the family’s estimate stands in, class D, and never above its own', () => {
    const across = (value: number | null) =>
      resolve(
        gradeOf('petg', value === null ? [] : [report({ property: 'charpyNotched', value, unit: 'kJ/m²' })]),
        'charpyNotched',
        { ...DRY, direction: 'across' },
        defaultCompanyRules,
      );
    const [none, tough, brittle] = [across(null), across(60), across(1)];
    if (!none.known || !tough.known || !brittle.known) throw new Error('an estimate is wanted');
    expect(tough.value).toBe(none.value);
    expect([none.evidence, tough.evidence, brittle.evidence]).toEqual(['D', 'D', 'D']);
    expect(brittle.value).toBeLessThan(0.5 * none.value);
  });
});

describe('7 · yield against break', () => {
  test('two properties, never one number', () =>
    expect(differences(report({ property: 'yieldStrength', value: 46 }), report({ value: 52 }))).toEqual([
      'Tensile stress at yield against Tensile strength: two different tests',
    ]));
});

describe('8 · conflicting reports and an outlier', () => {
  test('of two equal data sheets the lower is used and the other named', () => {
    const resolved = known(
      gradeOf('petg', [
        report({ value: 52, reference: 'rev. 2' }),
        report({ id: 'o2', value: 44, reference: 'rev. 3' }),
      ]),
      'tensileStrength',
    );
    expect(resolved.value).toBeCloseTo(44 * 0.9, 10);
    expect(resolved.steps.at(-1)!.text).toContain('rev. 2 (46.8 after the same steps) says otherwise');
  });
  test('one bench result of two specimens does not lead, however high', () => {
    const lucky = report({ id: 'o2', source: 'bench', value: 80, count: 2 });
    expect(known(gradeOf('petg', [report({ value: 46 }), lucky]), 'tensileStrength').value).toBeCloseTo(46 * 0.9, 10);
  });
});

describe('9 · a flame class on a thicker piece', () => {
  const grade = gradeOf('pc', [report({ property: 'flameClass', classValue: 'V-0', unit: '-', thicknessMm: 3 })]);
  test('V-0 at 3 mm does not cover a 1.5 mm wall; the family’s indication is class D', () => {
    const resolved = resolveClass(grade, 'flameClass', { thicknessMm: 1.5 });
    expect(resolved.known && resolved.evidence).not.toBe('C');
    expect(JSON.stringify(spellOut(resolved))).toContain('tested at 3 mm, which does not cover 1.5 mm');
  });
  test('it covers a 4 mm wall', () =>
    expect(resolveClass(grade, 'flameClass', { thicknessMm: 4 })).toMatchObject({
      known: true,
      classValue: 'V-0',
      observationId: 'o1',
    }));
  test('of two reports the worse counts', () => {
    const worse = report({ id: 'o2', property: 'flameClass', classValue: 'V-2', unit: '-', thicknessMm: 2 });
    expect(resolveClass(gradeOf('pc', [...grade.observations, worse]), 'flameClass', { thicknessMm: 4 })).toMatchObject(
      { classValue: 'V-2' },
    );
  });
});

describe('10 · no break is not unknown, and a bound is not a value', () => {
  test('an elastomer’s notched bar does not break: infinite, class D, not a gap', () =>
    expect(known(gradeOf('tpu-95a', []), 'charpyNotched')).toMatchObject({ value: Infinity, evidence: 'D' }));
  test('below its brittle temperature that is no longer known', () =>
    expect(
      resolve(gradeOf('tpu-95a', []), 'charpyNotched', { ...DRY, temperatureC: -40 }, defaultCompanyRules).known,
    ).toBe(false));
  test('“no break” of a bench is taken over', () =>
    expect(
      known(
        gradeOf('pc', [
          report({ property: 'charpyNotched', classValue: 'no break', unit: 'kJ/m²', source: 'bench', count: 5 }),
        ]),
        'charpyNotched',
      ),
    ).toMatchObject({ value: Infinity, evidence: 'A' }));
  test('“> 1e13 Ω” is used as 1e13, one class weaker, and is refused in a comparison', () => {
    const bound = report({
      property: 'surfaceResistivity',
      value: 1e13,
      unit: 'Ω',
      bound: 'atLeast',
      resistivityVoltageV: 100,
      relativeHumidityPct: 50,
    });
    expect(known(gradeOf('petg', [bound]), 'surfaceResistivity')).toMatchObject({ value: 1e13, evidence: 'C' });
    expect(differences(bound, { ...bound, bound: undefined } as unknown as Observation)).toEqual([
      'the first is only a bound',
    ]);
  });
});

describe('comparing what may be compared', () => {
  test('the first is the base: 46 → 52.9 MPa is + 15 %', () =>
    expect(differenceOf(report({ value: 46 }), report({ id: 'o2', value: 52.9 }))).toEqual({
      ratio: expect.closeTo(1.15, 10) as number,
      percent: expect.closeTo(15, 10) as number,
      base: 'sheet',
    }));
  test('units are brought together: 1.95 GPa against 1950 MPa is no difference', () =>
    expect(
      differenceOf(
        report({ property: 'tensileModulus', value: 1.95, unit: 'GPa' }),
        report({ property: 'tensileModulus', value: 1950 }),
      ).percent,
    ).toBeCloseTo(0, 9));
  test('a refused pair throws, naming every difference', () =>
    expect(() =>
      differenceOf(report({ value: 46 }), report({ value: 40, conditioning: 'conditioned', orientation: 'ZX' })),
    ).toThrow(/Build orientation: XY against ZX; Moisture state: dry against conditioned/));
  test('another standard of the same kind is a remark, not a refusal', () => {
    const verdict = comparable(report({ value: 46, method: 'ISO 527-2' }), report({ value: 46, method: 'ASTM D638' }));
    expect(verdict.comparable).toBe(true);
    expect(verdict.remarks).toEqual(['Methods differ (ISO 527, ASTM D638): read small differences with care.']);
  });
  test('ISO 527-1 and ISO 527-2 are one standard', () =>
    expect(
      comparable(report({ value: 46, method: 'ISO 527-1' }), report({ value: 46, method: 'ISO 527-2/1BA' })).remarks,
    ).toEqual([]));
});

describe('brought to one condition, and still not comparable', () => {
  const resistance = (facts: Partial<Observation>) =>
    report({
      property: 'surfaceResistivity',
      value: 1e9,
      unit: 'Ω',
      resistivityVoltageV: 100,
      relativeHumidityPct: 50,
      ...facts,
    });
  const texts = (...of: Parameters<typeof uncarriedDifferences>) => uncarriedDifferences(...of).map(({ text }) => text);
  test('humidity is not carried over: 12 % against 50 % is refused', () =>
    expect(texts('surfaceResistivity', resistance({}), resistance({ relativeHumidityPct: 12 }))).toEqual([
      'Relative humidity: 50 % against 12 %',
    ]));
  test('moisture and direction of a strength are carried over: nothing stands in the way', () =>
    expect(
      texts(
        'tensileStrength',
        report({ value: 46 }),
        report({ value: 40, conditioning: 'conditioned', orientation: 'ZX' }),
      ),
    ).toEqual([]));
  test('heat deflection asked at one stress is, the specimen still counts', () => {
    const hdt = (facts: Partial<Observation>) =>
      report({ property: 'heatDeflectionTemperature', value: 70, unit: '°C', ...facts });
    const at = { hdtStressMPa: 0.45 };
    expect(texts('heatDeflectionTemperature', hdt({ hdtStressMPa: 0.45 }), hdt({ hdtStressMPa: 1.8 }), at)).toEqual([]);
    expect(texts('heatDeflectionTemperature', hdt({}), hdt({ specimen: 'moulded' }), at)).toEqual([
      'Specimen: printed against moulded',
    ]);
  });
  test('a report against an estimate of the family: its conditions are its own', () =>
    expect(texts('surfaceResistivity', resistance({}), undefined)[0]).toContain('typical of the family'));
  test('two estimates of families are stated alike', () =>
    expect(texts('surfaceResistivity', undefined, undefined)).toEqual([]));
});
