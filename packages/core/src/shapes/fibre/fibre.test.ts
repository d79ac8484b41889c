import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import type { Brief, FibreInFaces, GeometryOf } from '@anvilstone/schema';
import { testBrief, testContext, testGrade, outcome } from '../../checks/testContext.ts';
import { USUAL_FILLING } from '../../evaluation/orientations/fillings.ts';
import { chanceOfMeetingAll } from '../../evaluation/probability/chance.ts';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { BUILT_UP } from '../parts/direction.ts';
import { tows } from '../../materials/reference/tow.ts';
import { gaugeBeam, sampleLibrary } from '../../education/sample/index.ts';
import { section } from '../sections/section.ts';
import { layFibre } from './layFibre.ts';
import { planFibre } from '../../evaluation/sizing/planFibre.ts';
import { defaultCompanyRules as sampleLibraryRules } from '../../materials/companyRules/companyRules.ts';

/** Carbon in polyamide: strands of 0.9 × 0.125 mm, 65,000 MPa, 820 pulled and 380 squeezed, 28 MPa to its layer. */
const carbon = tows.find(({ id }) => id === 'carbon-polyamide')!;
/** Flat, 4 deep in each face of 20 × 10 mm with 1 mm of cover: 20 beside each other over 18 mm, 0.5 mm high. */
const fibre: FibreInFaces = { towId: carbon.id, strandsDeep: 4, insetMm: 1 };
const brief: Brief = {
  ...testBrief,
  loadCases: [{ ...testBrief.loadCases[0]!, maxDeflectionMm: 2 }],
  fibre,
};
const plain: Brief = { ...brief, fibre: undefined };
const reserve = (id: string, of: Brief, way: 'XY' | 'XZ' | 'ZX' = 'XY') => outcome(id, of, way).reserve!;

describe('how strands lie', () => {
  const laid = layFibre(testBrief.part, fibre, BUILT_UP.XY);

  test('by hand, flat: 20 beside each other, 4 deep, in both faces', () => {
    expect(laid.strands).toBe(160);
    expect(laid.areaMm2).toBeCloseTo(2 * 20 * 0.9 * 4 * 0.125, 9);
    expect(laid.laidMm3).toBeCloseTo(18 * 100, 9);
    // 15 mm of each strand is lost at its cut.
    expect(laid.usedMm3).toBeCloseTo(1800 + 160 * 15 * 0.9 * 0.125, 9);
  });

  test('by hand: their share of the second moment, 3.75 mm from the middle', () => {
    const own = 2 * (9 * 3.75 ** 2 + (18 * 0.5 ** 3) / 12);
    expect(laid.bending.depth!.secondMomentShare).toBeCloseTo(own / ((20 * 10 ** 3) / 12), 9);
    expect(laid.bending.depth!.edgeShare).toBeCloseTo(4 / 5, 9);
  });

  test('on edge they lie as lines beside each other in every layer', () => {
    const onEdge = layFibre(testBrief.part, { ...fibre, strandsDeep: 2 }, BUILT_UP.XZ);
    // 18 mm of layers of 0.125 mm, two lines of 0.9 mm from each face.
    expect(onEdge.strands).toBe(2 * 2 * 144);
  });

  test.each([
    ['upright', fibre, BUILT_UP.ZX, /built up along its length/],
    ['too deep', { ...fibre, strandsDeep: 40 }, BUILT_UP.XY, /deeper than the section/],
    ['no room beside the cover', { ...fibre, insetMm: 9.8 }, BUILT_UP.XY, /deeper|fits beside/],
  ] as const)('%s: said why, and nothing laid', (_name, asked, up, why) => {
    const none = layFibre(testBrief.part, asked, up);
    expect(inWords(joined(none.problems, '; '))).toMatch(why);
    expect(none.strands).toBe(0);
  });

  test('shorter than the cutter allows', () =>
    expect(inWords(joined(layFibre({ ...testBrief.part, spanMm: 40 }, fibre, BUILT_UP.XY).problems, '; '))).toMatch(
      /45 mm long at least/,
    ));

  test('a strand that nobody knows is refused by name', () =>
    expect(() => layFibre(testBrief.part, { ...fibre, towId: 'spider-silk' }, BUILT_UP.XY)).toThrow(/fibre\/towId/));
});

describe('what they do to the checks', () => {
  const own = 2 * (9 * 3.75 ** 2 + (18 * 0.5 ** 3) / 12);
  const s = own / ((20 * 10 ** 3) / 12);
  const stiffer = 1 - s + (s * 65000) / 2000;

  test('by hand: the bending part of the movement goes down by 1 − s + s·E_f/E', () => {
    const movement = (of: Brief) => outcome('deflection-at-load', of, 'XY').demand!;
    // F·L³/(3·E·I) = 10·100³/(3·2000·1666.67) = 1 mm; the shear part stays.
    expect(movement(plain) - movement(brief)).toBeCloseTo(1 - 1 / stiffer, 6);
  });

  test('the print bears that much less, and says so in its working', () => {
    expect(reserve('strength-in-plane', brief) / reserve('strength-in-plane', plain)).toBeCloseTo(stiffer, 6);
    const { checks } = evaluate(
      brief,
      { ...sampleLibrary, grades: [testGrade] },
      { orientations: ['XY'], showWorking: true },
    ).grades[0]!.best;
    const working = checks.find(({ checkId }) => checkId === 'strength-in-plane')!.working!;
    expect(working.find(({ symbol }) => symbol === 'k')!.value).toBeCloseTo(1 / stiffer, 9);
  });

  test('by hand: stress along the strands, the weaker of both strengths over the safety factor', () => {
    const { demand, capacity } = outcome('fibre-strength', brief, 'XY');
    // σ₀ = 10·100·5/1666.67 = 3 MPa.
    // A minute of creep leaves the print 99 % of its modulus, and the strands that much more.
    expect(demand! / ((3 * 0.8 * 65000) / (2000 * stiffer))).toBeCloseTo(1, 1);
    expect(demand!).toBeGreaterThan((3 * 0.8 * 65000) / (2000 * stiffer));
    expect(capacity).toBeCloseTo(380 / 2, 9);
  });

  test('by hand: shear on the bond, V·Q/(I·b) of the transformed section', () => {
    const { demand } = outcome('fibre-bond', brief, 'XY');
    expect(demand).toBeCloseTo((10 * 9 * 3.75 * 65000) / (2000 * stiffer * ((20 * 10 ** 3) / 12) * 18), 6);
  });

  test('heat takes less from a part with strands, and nothing is claimed for them above their compression limit', () => {
    const at = (of: Brief, temperatureC: number): Brief => ({
      ...of,
      loadCases: [{ ...of.loadCases[0]!, temperatureC }],
    });
    const fall = (of: Brief) => reserve('deflection-at-load', at(of, 65)) / reserve('deflection-at-load', at(of, 23));
    expect(fall(brief)).toBeGreaterThan(1.05 * fall(plain));
    const hot = outcome('fibre-strength', at(brief, 71), 'XY');
    expect(hot.status).toBe('fail');
    expect(spellOut(hot.reason)).toMatch(/70 °C/);
  });

  test('upright no strand lies: the checks are those of the plain part and the laying fails', () => {
    expect(reserve('deflection-at-load', brief, 'ZX')).toBeCloseTo(reserve('deflection-at-load', plain, 'ZX'), 9);
    expect(outcome('fibre-laid', brief, 'ZX').status).toBe('fail');
  });

  test('strands take the place of the print in mass and cost, and only a machine that lays them will do', () => {
    const [with_, without] = [testContext(brief, 'XY'), testContext(plain, 'XY')];
    expect(with_.massG! - without.massG!).toBeCloseTo((1800 * (carbon.densityGPerCm3 - 1.04)) / 1000, 6);
    expect(with_.fit!.machine.laysFibre).toBe(true);
    expect(with_.cost!.strandUsd).toBeCloseTo(((1800 + 160 * 15 * 0.1125) / 1000) * carbon.pricePerCm3Usd, 6);
    expect(with_.cost!.totalUsd).toBeGreaterThan(without.cost!.totalUsd);
  });

  test('every grade of the library is judged with strands and with an infill; what is not known of one stays unknown', () => {
    const { grades } = evaluate({ ...brief, filled: USUAL_FILLING }, sampleLibrary);
    expect(grades).toHaveLength(sampleLibrary.grades.length);
    expect(grades.find(({ gradeId }) => gradeId === 'vp-unlisted')!.best.status).not.toBe('pass');
  });

  test('without strands nothing is asked of them', () => {
    const { checkIds } = evaluate(plain, { ...sampleLibrary, grades: [testGrade] });
    expect(checkIds.filter((id) => id.startsWith('fibre'))).toEqual([]);
  });
});

describe('a cut of any shape', () => {
  const corner = (xMm: number, yMm: number) => ({ xMm, yMm });
  const cut = (change: Partial<GeometryOf<'section-at-plane'>> = {}): Brief => ({
    ...testBrief,
    loadCases: [{ ...testBrief.loadCases[0]!, forceN: 10 }],
    part: {
      model: 'section-at-plane',
      section: { kind: 'polygon', corners: [corner(0, 0), corner(20, 0), corner(20, 10), corner(0, 10)] },
      leverMm: 100,
      pullShare: 0,
      volumeMm3: 20000,
      lengthMm: 100,
      ...change,
    },
    fibre,
  });
  const bare = (of: Brief): Brief => ({ ...of, fibre: undefined });

  test('the outline of the arm with its lever takes the strands as the arm does', () => {
    const arm = outcome('fibre-strength', { ...brief, loadCases: cut().loadCases }, 'XY');
    const same = outcome('fibre-strength', cut(), 'XY');
    expect(same.demand! / arm.demand!).toBeCloseTo(1, 9);
    expect(outcome('fibre-bond', cut(), 'XY').demand! / outcome('fibre-bond', brief, 'XY').demand!).toBeCloseTo(1, 9);
  });

  test('by hand: pulled evenly, print and strands share by E·A', () => {
    const pulled = cut({ pullShare: 1, leverMm: 1e-6 });
    const a = 18 / 200;
    const share = 1 - a + (a * 65000) / 2000;
    expect(reserve('strength-in-plane', pulled) / reserve('strength-in-plane', bare(pulled))).toBeCloseTo(share, 4);
    // 10 N on 200 mm²; a minute of creep leaves the print 99 % of its modulus.
    expect(outcome('fibre-strength', pulled, 'XY').demand! / ((0.05 * 65000) / (2000 * share))).toBeCloseTo(1, 1);
  });

  test('not alike above and below: what the strands add is never more than about the true common axis', () => {
    const tee: GeometryOf<'section-at-plane'>['section'] = {
      kind: 't',
      depthMm: 20,
      widthMm: 20,
      webMm: 8,
      flangeMm: 6,
    };
    const { part } = cut({ section: tee });
    const laid = layFibre(part, fibre, BUILT_UP.XY);
    const own = section(tee);
    const [area, n] = [laid.areaMm2, 65000 / 2000];
    const centroidMm = own.depthMm - own.extremeFibreMm;
    const packs = [1.25, 18.75].map((y) => ({ area: ((n - 1) * area) / 2, y }));
    const all = [
      { area: own.areaMm2, y: centroidMm, i: own.secondMomentMm4 },
      ...packs.map((one) => ({ ...one, i: 0 })),
    ];
    const middle = all.reduce((sum, one) => sum + one.area * one.y, 0) / all.reduce((sum, one) => sum + one.area, 0);
    const exact = all.reduce((sum, one) => sum + one.i + one.area * (one.y - middle) ** 2, 0);
    const ours = own.secondMomentMm4 * (1 + laid.bending.depth!.secondMomentShare * (n - 1));
    expect(ours).toBeLessThanOrEqual(exact);
    expect(ours).toBeGreaterThan(0.5 * exact);
  });
});

describe('strands scatter of their own', () => {
  test('the chance falls with the load on them, and says by how much they scatter', () => {
    const strong = (forceN: number) =>
      chanceOfMeetingAll(
        { ...brief, loadCases: [{ ...brief.loadCases[0]!, forceN, maxDeflectionMm: 100 }] },
        sampleLibrary,
        testGrade,
        'XY',
        { loadCov: 0 },
      )!;
    const load = (10 * outcome('fibre-strength', brief, 'XY').reserve!) / 1;
    const near = strong(load).byCheck.find(({ checkId }) => checkId === 'fibre-strength')!;
    // At a reserve of 1 about half of them hold; a tenth less load and most do.
    expect(near.met).toBeGreaterThan(0.35);
    expect(near.met).toBeLessThan(0.6);
    expect(strong(0.7 * load).byCheck.find(({ checkId }) => checkId === 'fibre-strength')!.met).toBeGreaterThan(0.9);
    expect(strong(load).scatter.strand).toBeCloseTo(0.15, 9);
    expect(chanceOfMeetingAll(plain, sampleLibrary, testGrade, 'XY')!.scatter.strand).toBeUndefined();
  });
});

describe('the least fibre', () => {
  const touch = gaugeBeam.loadCases[0]!;
  const planned = (change: Partial<typeof touch> = {}, asks = gaugeBeam.asks) =>
    planFibre({ ...gaugeBeam, asks, loadCases: [{ ...touch, ...change }] }, sampleLibrary, 'ne-petg');
  const costOf = (options: ReturnType<typeof planned>, kind: string) =>
    Math.min(
      ...options
        .filter((one) => one.kind === kind && one.entry?.status === 'pass')
        .map(({ entry }) => entry!.costUsd ?? Infinity),
    );

  test('one strand less would not do', () => {
    const options = planned({ maxDeflectionMm: 0.2 });
    const least = options.find(({ kind, entry }) => kind === 'fibre' && entry?.status === 'pass')!;
    const { fibre: asked } = least.brief!;
    expect(asked!.strandsDeep).toBeGreaterThan(1);
    const fewer = {
      ...least.brief!,
      asks: { ...least.brief!.asks, orientations: [least.entry!.orientation] },
      fibre: { ...asked!, strandsDeep: asked!.strandsDeep - 1 },
    };
    const grades = sampleLibrary.grades.filter(({ id }) => id === 'ne-petg');
    expect(evaluate(fewer, { ...sampleLibrary, grades }).grades[0]!.best.status).toBe('fail');
  });

  test('gauge beam with its limit of mass: fibre where thickening grows too heavy; without a limit thickening is cheaper', () => {
    const light = planned({ maxDeflectionMm: 0.35 }, { maxMassG: 400 });
    expect(costOf(light, 'thicker')).toBe(Infinity);
    expect(costOf(light, 'fibre')).toBeLessThan(Infinity);
    const free = planned({ maxDeflectionMm: 0.35 }, {});
    expect(costOf(free, 'thicker')).toBeLessThan(costOf(free, 'fibre'));
  });

  test('what passes comes before what does not, cheapest first; what cannot be done says why', () => {
    const options = planned();
    const passing = options.map(({ entry }) => entry?.status === 'pass');
    expect(passing).toEqual([...passing].sort((a, b) => Number(b) - Number(a)));
    const costs = options.filter(({ entry }) => entry?.status === 'pass').map(({ entry }) => entry!.costUsd!);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
    for (const one of options) expect(one.entry !== undefined || one.why !== undefined).toBe(true);
  });

  test('a target of 1.5 takes more fibre, and every load then has that reserve', () => {
    const least = (target: number) =>
      planFibre(
        { ...gaugeBeam, loadCases: [{ ...touch, maxDeflectionMm: 0.3 }] },
        sampleLibrary,
        'ne-petg',
        sampleLibraryRules,
        target,
      ).find(({ kind, brief: of }) => kind === 'fibre' && of?.fibre?.towId === 'carbon-polyamide')!;
    const [usual, more] = [least(1), least(1.5)];
    expect(more.reaches).toBe(true);
    expect(more.brief!.loadCases).toEqual(usual.brief!.loadCases);
    const strengths = more.entry!.checks.filter(
      ({ checkId }) => checkId.startsWith('strength') || checkId === 'fibre-strength',
    );
    for (const { reserve: found } of strengths) expect(found ?? Infinity).toBeGreaterThanOrEqual(1.5);
    expect(() => least(0.5)).toThrow(/target/);
  });

  test('strands in a chopped-filled body are offered beside those in the plain one', () => {
    const kinds = planned({ maxDeflectionMm: 0.35 }).filter(({ kind }) => kind === 'fibre-in-filled');
    expect(kinds.length).toBeGreaterThan(0);
    for (const { gradeId } of kinds)
      expect(sampleLibrary.grades.find(({ id }) => id === gradeId)!.reinforcementId).not.toBeNull();
  });

  test('scatter counts where the company rule says so', () => {
    const deep = (strengthBasis: 'mean' | 'b-basis') => {
      const strong: Brief = { ...brief, loadCases: [{ ...brief.loadCases[0]!, forceN: 900, maxDeflectionMm: 100 }] };
      const job = evaluate(
        strong,
        { ...sampleLibrary, grades: [testGrade] },
        {
          orientations: ['XY'],
          rules: { ...sampleLibraryRules, strengthBasis },
        },
      );
      return job.grades[0]!.best.checks.find(({ checkId }) => checkId === 'fibre-strength')!.capacity!;
    };
    // CoV of the compressive strength 15 %: exp(−1.2816·0.1492).
    expect(deep('b-basis') / deep('mean')).toBeCloseTo(0.826, 3);
  });
});
