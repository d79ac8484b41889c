import { spellOut } from '@anvilstone/core/foundations';
import type { Brief, Grade } from '@anvilstone/schema';
import { compareFoams } from '../../evaluation/orientations/foams.ts';
import { findFamily } from '../reference/family.ts';
import { defaultCompanyRules } from '../companyRules/companyRules.ts';
import { guardBumper, sampleLibrary } from '../../education/sample/index.ts';
import { foamAt, foamCurveOf, foamOf, nozzleOfDensity } from './foam.ts';
import { prepareMaterial } from './material.ts';

const grade = sampleLibrary.grades.find(({ id }) => id === 'qh-tpu-foam')!;
const curve = foamCurveOf(grade, findFamily('tpu-foaming'))!;
const materialAt = (foamNozzleC?: number, of: Grade = grade) =>
  prepareMaterial(of, 'dry', defaultCompanyRules, true, foamNozzleC === undefined ? {} : { foamNozzleC });
const known = <T>(one: { known: true; value: number } & T) => one;
const valueOf = (resolution: ReturnType<typeof materialAt>['density']) =>
  resolution.known ? known(resolution).value : Number.NaN;

describe('the curve of the family: 1.2 g/cm³ and 85A at 190 °C, 0.5 and 55A at 240', () => {
  test('by hand: half way at 215 °C', () => {
    expect(foamAt(curve, 215)!.densityGPerCm3).toBeCloseTo(0.85, 12);
    expect(foamAt(curve, 215)!.shoreA).toBeCloseTo(70, 12);
  });
  test.each([190, 240])('its end at %p °C is part of it', (nozzleC) => expect(foamAt(curve, nozzleC)).toBeDefined());
  test.each([189.9, 240.1])('nothing is said of %p °C', (nozzleC) => expect(foamAt(curve, nozzleC)).toBeUndefined());
  test('a density is found on it again; one that it never has belongs to the nearer end', () => {
    expect(nozzleOfDensity(curve, 0.85)).toBeCloseTo(215, 9);
    expect(nozzleOfDensity(curve, 0.3)).toBe(240);
    expect(nozzleOfDensity(curve, 1.3)).toBe(190);
  });
  test('by hand: from 215 to 240 °C, Gent’s relation and the density to the power 1.5', () => {
    const foam = foamOf(curve, 0.85, 240)!;
    // (56 + 7.62336·55)/(254 − 2.54·55) over the same of 70
    expect(foam.modulusShare).toBeCloseTo(475.2848 / 114.3 / (589.6352 / 76.2), 9);
    expect(foam.strengthShare).toBeCloseTo((0.5 / 0.85) ** 1.5, 9);
    expect(foam.flowShare).toBeCloseTo(0.5 / 1.2, 9);
  });
});

describe('in a material', () => {
  test('hotter is lighter, softer and weaker; what foam does not change stays', () => {
    const [cool, hot] = [materialAt(190), materialAt(240)];
    expect(valueOf(cool.density)).toBeCloseTo(1.2, 9);
    expect(valueOf(hot.density)).toBeCloseTo(0.5, 9);
    expect(valueOf(cool.modulus.inPlane) / valueOf(hot.modulus.inPlane)).toBeCloseTo(
      703.9856 / 38.1 / (475.2848 / 114.3),
      9,
    );
    expect(valueOf(cool.strength.inPlane) / valueOf(hot.strength.inPlane)).toBeCloseTo((1.2 / 0.5) ** 1.5, 6);
    expect(cool.behaviour!.creep).toEqual(hot.behaviour!.creep);
  });
  test('it is carried over from the stated foam, class C at best, and says so', () => {
    const { density } = materialAt(240);
    expect(density.known && density.evidence).toBe('C');
    expect(spellOut(density.known && density.steps.at(-1)!.text)).toMatch(/foamed at 240 °C instead of about 223 °C/);
  });
  test('outside of the curve nothing is known, and unknown is not the stated value', () => {
    const { density, modulus, strength } = materialAt(260);
    expect([density.known, modulus.inPlane.known, strength.across.known]).toEqual([false, false, false]);
  });
  test('a grade that does not foam is the same at any nozzle temperature', () => {
    const solid = sampleLibrary.grades.find(({ id }) => id === 'ne-petg')!;
    expect(valueOf(materialAt(240, solid).density)).toBe(valueOf(materialAt(undefined, solid).density));
  });
  test('the maker’s own points come before the family’s', () => {
    const own: Grade = {
      ...grade,
      process: {
        foaming: [
          { nozzleC: 200, densityGPerCm3: 1.1, shoreA: 80 },
          { nozzleC: 230, densityGPerCm3: 0.6, shoreA: 60 },
        ],
      },
    };
    expect(valueOf(materialAt(200, own).density)).toBeCloseTo(1.1, 9);
  });
});

describe('in a part', () => {
  const foams = (brief: Brief) => compareFoams(brief, sampleLibrary, grade.id)!;
  test('a bumper gets lighter and softer with every step', () => {
    const rows = foams(guardBumper);
    expect(rows[0]!.nozzleC).toBe(190);
    expect(rows.at(-1)!.nozzleC).toBe(240);
    expect(rows.filter(({ stated }) => stated)).toHaveLength(1);
    const masses = rows.map(({ entry }) => entry.massG!);
    expect(masses).toEqual([...masses].sort((a, b) => b - a));
    expect(masses[0]! / masses.at(-1)!).toBeCloseTo(2.4, 6);
  });
  test('the one that is set is among them; a grade that does not foam has none', () => {
    expect(foams({ ...guardBumper, foamNozzleC: 207 }).map(({ nozzleC }) => nozzleC)).toContain(207);
    expect(compareFoams(guardBumper, sampleLibrary, 'ne-petg')).toBeUndefined();
  });
});
