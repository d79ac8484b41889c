import { inWords, joined } from '@anvilstone/core/foundations';
import type { Layup } from '@anvilstone/schema';
import { sampleLibrary } from '../../education/sample/index.ts';
import { strengthRatio, modeOf, FAILURE_CRITERIA } from './failure.ts';
import { stressInPly } from './lamina.ts';
import { laminateOf, NO_LOAD, type Ply } from './laminate.ts';
import { loopStrength } from './loop.ts';
import { findTow } from './plyMaterials.ts';
import { graphiteEpoxy } from './testContext.ts';
import { laminateFailure } from './progressive.ts';
import { laminateReport } from './report.ts';

const ratio = (...args: Parameters<typeof strengthRatio>) => Number(strengthRatio(...args).toPrecision(4));
const stress = (sigma1MPa: number, sigma2MPa: number, tau12MPa: number) => ({ sigma1MPa, sigma2MPa, tau12MPa });

describe('one ply at 60° under σx = 2S, σy = −3S, τxy = 4S: Kaw, examples 2.13 to 2.19', () => {
  const [s1, s2, t] = stressInPly([2, -3, 4], 60);
  test('stress in its own axes', () => {
    expect([s1, s2, t].map((value) => Number(value.toPrecision(4)))).toEqual([1.714, -2.714, -4.165]);
  });
  test.each([
    ['maximum-stress', 16.33],
    ['tsai-wu', 22.39],
  ] as const)('%s: S = %p MPa', (criterion, s) => expect(ratio(criterion, graphiteEpoxy, stress(s1, s2, t))).toBe(s));
  // The book’s Tsai–Hill takes the tensile strengths alone (10.94 MPa); with the strength of each sign it is Jones’ form.
  test('Tsai–Hill with one strength for both signs: S = 10.94 MPa', () => {
    const alike = { ...graphiteEpoxy, xcMPa: 1500, ycMPa: 40 };
    expect(ratio('tsai-hill', alike, stress(s1, s2, t))).toBe(10.94);
  });
});

describe('closed forms', () => {
  test('pure tension, compression and shear fail at the strength by every criterion', () => {
    for (const criterion of FAILURE_CRITERIA) {
      expect(ratio(criterion, graphiteEpoxy, stress(1, 0, 0))).toBe(1500);
      expect(ratio(criterion, graphiteEpoxy, stress(0, 1, 0))).toBe(40);
      expect(ratio(criterion, graphiteEpoxy, stress(0, -1, 0))).toBe(246);
      expect(ratio(criterion, graphiteEpoxy, stress(0, 0, 1))).toBe(68);
    }
  });
  test('what stays takes its share away; what has failed already has nothing left, what is not stressed everything', () => {
    const still = stress(0, 30, 0);
    for (const criterion of FAILURE_CRITERIA) {
      expect(ratio(criterion, graphiteEpoxy, stress(0, 1, 0), still)).toBeCloseTo(10, 6);
      expect(ratio(criterion, graphiteEpoxy, stress(0, 1, 0), stress(0, 50, 0))).toBe(0);
      expect(strengthRatio(criterion, graphiteEpoxy, stress(0, 0, 0))).toBe(Infinity);
    }
  });
  // 50 MPa along and 10 across, by the root of the quadratic written out here.
  test.each([
    [undefined, -0.5],
    [-0.5, -0.5],
    [0, 0],
    [0.6, 0.6],
  ])('Tsai–Wu with an interaction of %p', (interaction, f) => {
    const { xtMPa, xcMPa, ytMPa, ycMPa } = graphiteEpoxy;
    const linear = (1 / xtMPa - 1 / xcMPa) * 50 + (1 / ytMPa - 1 / ycMPa) * 10;
    const [f11, f22] = [1 / (xtMPa * xcMPa), 1 / (ytMPa * ycMPa)];
    const square = f11 * 2500 + f22 * 100 + 2 * f * Math.sqrt(f11 * f22) * 500;
    const wanted = (-linear + Math.sqrt(linear ** 2 + 4 * square)) / (2 * square);
    const lamina = interaction === undefined ? graphiteEpoxy : { ...graphiteEpoxy, interaction };
    expect(strengthRatio('tsai-wu', lamina, stress(50, 10, 0))).toBeCloseTo(wanted, 9);
  });
  test('the interaction of a layup reaches every ply, and only Tsai–Wu asks for it', () => {
    const layup: Layup = {
      format: 'anvilstone-layup/1',
      name: 'both ways',
      plies: [{ material: { towId: 'carbon-polyamide' }, angleDeg: 30 }],
      loads: [{ name: 'both', nxNPerMm: 40, nyNPerMm: 10 }],
    };
    const first = (tsaiWuInteraction?: number) =>
      Object.fromEntries(
        laminateReport(
          { ...layup, ...(tsaiWuInteraction === undefined ? {} : { tsaiWuInteraction }) },
          sampleLibrary,
        ).loads[0]!.failures.map(({ criterion, firstPly }) => [criterion, firstPly.atRatio]),
      );
    expect(first(-0.5)).toEqual(first());
    expect(first(0.5)['tsai-wu']).toBeLessThan(first()['tsai-wu']!);
    expect(first(0.5)['tsai-hill']).toBe(first()['tsai-hill']);
  });
  test('the mode is the nearest strength', () => {
    expect(modeOf(graphiteEpoxy, stress(700, 30, 10))).toBe('matrix-tension');
    expect(modeOf(graphiteEpoxy, stress(-900, 2, 10))).toBe('fibre-compression');
    expect(modeOf(graphiteEpoxy, stress(100, 2, 60))).toBe('shear');
  });
});

describe('ply by ply', () => {
  const plies = (...angles: number[]): Ply[] =>
    angles.map((angleDeg) => ({ lamina: graphiteEpoxy, angleDeg, thicknessMm: 5 }));
  // Kaw, example 5.1 and following: [0/90/0], under Nx the 90° ply cracks first, then the 0° plies carry all of it.
  test('[0/90/0] pulled along x: the cross ply cracks first across its fibres, the end is the fibres of the others', () => {
    const found = laminateFailure(laminateOf(plies(0, 90, 0)), { ...NO_LOAD, nx: 1 }, 'maximum-stress')!;
    expect(found.firstPly).toMatchObject({ ply: 1, mode: 'matrix-tension' });
    // Two 5 mm plies at 1500 MPa.
    expect(found.lastPlyRatio).toBeCloseTo(2 * 5 * 1500, -1);
    expect(found.firstPly.atRatio).toBeLessThan(found.lastPlyRatio);
  });
  test('all plies along the pull: first and last are one, thickness × strength', () => {
    for (const criterion of FAILURE_CRITERIA) {
      const found = laminateFailure(laminateOf(plies(0, 0)), { ...NO_LOAD, nx: 1 }, criterion)!;
      expect(found.firstPly.mode).toBe('fibre-tension');
      expect(found.firstPly.atRatio).toBeCloseTo(10 * 1500, 4);
      expect(found.lastPlyRatio).toBeCloseTo(10 * 1500, 4);
    }
  });
  test('bending: the face that is pulled across its fibres goes first', () => {
    const found = laminateFailure(laminateOf(plies(90, 0, 90)), { ...NO_LOAD, mx: 1 }, 'tsai-wu')!;
    expect(found.firstPly).toMatchObject({ ply: 2, mode: 'matrix-tension', zMm: 7.5 });
  });
  test('nothing pulls: nothing fails', () =>
    expect(laminateFailure(laminateOf(plies(0, 90)), NO_LOAD, 'tsai-wu')).toBeUndefined());
});

describe('a layup as it travels', () => {
  const layup: Layup = {
    format: 'anvilstone-layup/1',
    name: 'Beam faces',
    plies: [
      { material: { towId: 'carbon-polyamide' }, angleDeg: 0, count: 4 },
      { material: { gradeId: 'ol-pa12' }, angleDeg: 0, thicknessMm: 0.2, count: 10 },
    ],
    mirrored: true,
    laidAtC: 180,
    serviceC: 23,
    loads: [{ name: 'Bent', mxNmmPerMm: 50 }],
  };
  const report = laminateReport(layup, sampleLibrary);
  test('repeated and mirrored: 28 plies, symmetric, so that it neither couples nor bows', () => {
    expect(report.plies).toHaveLength(28);
    expect(report.thicknessMm).toBeCloseTo(2 * (4 * 0.125 + 10 * 0.2), 9);
    expect(report.plies.map(({ name }) => name)).toEqual(report.plies.map(({ name }) => name).reverse());
    expect(Math.abs(report.thermalBowMm!.x)).toBeLessThan(1e-6);
    expect(inWords(joined(report.warnings, '; '))).not.toMatch(/Not symmetric|Not balanced/);
  });
  test('fibre in the faces is worth most in bending', () => {
    expect(report.bending.exMPa).toBeGreaterThan(1.5 * report.inPlane.exMPa);
    expect(report.aroundAngle[0]!.exMPa).toBeCloseTo(report.inPlane.exMPa, 6);
    expect(Math.max(...report.aroundAngle.map(({ exMPa }) => exMPa))).toBe(report.aroundAngle[0]!.exMPa);
  });
  test('all three criteria are told, with their disagreement, and that the matrix alone holds the layers together', () => {
    const [bent] = report.loads;
    expect(bent!.failures.map(({ criterion }) => criterion)).toEqual([...FAILURE_CRITERIA]);
    const first = bent!.failures.map(({ firstPly }) => firstPly.atRatio);
    expect(bent!.disagreementPct).toBeCloseTo(100 * (Math.max(...first) / Math.min(...first) - 1), 9);
    expect(report.warnings.at(-1)).toMatch(/matrix alone/);
  });
  test('one-sided, unbalanced, thick and too warm: each is said', () => {
    const { warnings, thermalBowMm } = laminateReport(
      {
        ...layup,
        mirrored: undefined as never,
        serviceC: 90,
        plies: [{ material: { towId: 'carbon-polyamide' }, angleDeg: 30, count: 6 }, layup.plies[1]!],
      },
      sampleLibrary,
    );
    for (const words of ['Not symmetric', 'Not balanced', 'More than 4 strand layers', '90 °C is above 70 °C'])
      expect(inWords(joined(warnings, '; '))).toContain(words);
    expect(Math.abs(thermalBowMm!.x)).toBeGreaterThan(0.1);
  });
  test.each([
    [{ towId: 'unobtainium' }, /plies\/0\/material\/towId/],
    [{ gradeId: 'nobody' }, /a grade of the library/],
    [{ gradeId: 'vp-vx7' }, /family|known|a grade of the library/],
  ])('%p is refused at its place', (material, why) => {
    expect(() => laminateReport({ ...layup, plies: [{ material, angleDeg: 0 }] }, sampleLibrary)).toThrow(why);
  });
});

describe('loops', () => {
  const carbon = findTow('carbon-polyamide')!;
  test('two legs a turn, and what the bend leaves: 0.5 at 8 mm, halfway between 0.5 and 0.72 at 12 mm, all at 200 mm', () => {
    const strand = 820 * 0.9 * 0.125;
    expect(loopStrength(carbon, 8, 3)).toEqual({ strandN: strand, bendFactor: 0.5, loopN: 2 * 3 * strand * 0.5 });
    expect(loopStrength(carbon, 12, 1).bendFactor).toBeCloseTo(0.61, 12);
    expect(loopStrength(carbon, 200, 1).bendFactor).toBe(1);
  });
  test('too tight or no turn is refused', () => {
    expect(() => loopStrength(carbon, 5, 1)).toThrow(/8 mm or more/);
    expect(() => loopStrength(carbon, 8, 0)).toThrow(/one turn at least/);
  });
});
