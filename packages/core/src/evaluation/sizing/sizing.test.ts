import { inWords } from '@anvilstone/core/foundations';
import type { Brief, Grade, PartGeometry } from '@anvilstone/schema';
import { partModels } from '../../shapes/parts/index.ts';
import { lampArm, sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { freeSize } from '../../shapes/parts/freeSize.ts';
import { briefWith, testGrade } from '../../checks/testContext.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { prepareSizing, type Sized } from './sizing.ts';

/** 10 mm deep, fillet of 30 mm: r/d is held at 0.3 for all sizes tried, so that Kt is 1.3552 throughout. */
const arm: PartGeometry = {
  model: 'cantilever-arm',
  spanMm: 400,
  section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
  filletRadiusMm: 30,
};
/** As short as to break before it bends by a tenth of its span. */
const short: PartGeometry = { ...arm, spanMm: 100 };
const size = (brief: Brief, grade: Grade = testGrade): Sized => prepareSizing(brief, sampleLibrary)!.size(grade);
const flat = (brief: Brief): Brief => ({ ...brief, asks: { ...brief.asks, orientations: ['XZ'] } });

describe('against closed forms', () => {
  // Kt·6·F·L/(b·t²) = 40·k/2: t = √(1.3552·6·F·L·2/(20·40·k))
  test('strength of a cantilever goes with t⁻²', () => {
    const sizes = [20, 80, 320].map((forceN) => {
      const sized = size(flat(briefWith({ kind: 'short', forceN, durationH: 1 / 60, maxDeflectionMm: 100 }, short)));
      if (!sized.ok) throw new Error(inWords(sized.why));
      expect(sized.entry.governingCheckId).toBe('strength-in-plane');
      expect(sized.entry.minimumReserve).toBeCloseTo(1, 3);
      return sized.sizeMm;
    });
    expect(sizes[0]! / Math.sqrt((1.35519 * 6 * 20 * 100 * 2) / (20 * 40))).toBeCloseTo(1, 3);
    expect(sizes[1]! / sizes[0]!).toBeCloseTo(2, 3);
    expect(sizes[2]! / sizes[1]!).toBeCloseTo(2, 3);
  });
  // 4·F·L³/(E·b·t³) = δ without shear, which adds 3/10·(E/G)·(t/L)²: under 0.2 % here
  test('deflection of a cantilever goes with t⁻³', () => {
    for (const maxDeflectionMm of [2, 16]) {
      const sized = size(flat(briefWith({ kind: 'short', forceN: 1, durationH: 1 / 60, maxDeflectionMm }, arm)));
      if (!sized.ok) throw new Error(inWords(sized.why));
      expect(sized.entry.governingCheckId).toBe('deflection-at-load');
      expect(sized.sizeMm / Math.cbrt((4 * 400 ** 3) / (2000 * 20 * maxDeflectionMm))).toBeCloseTo(1, 2);
    }
  });
});

describe('what cannot be sized, and its blocker', () => {
  const brief = flat(briefWith({ kind: 'short', forceN: 80, durationH: 1 / 60 }, arm));
  test('a limit from above: mass', () => {
    const sized = size({ ...brief, asks: { ...brief.asks, maxMassG: 20 } });
    expect(sized).toMatchObject({ ok: false, blockerId: 'mass-limit' });
  });
  test('what no size changes: colour', () => {
    const sized = size(
      { ...brief, asks: { ...brief.asks, colour: { wanted: 'green' } } },
      { ...testGrade, colours: ['red'] },
    );
    expect(sized).toMatchObject({ ok: false, blockerId: 'colour', why: 'Made in red, not in green' });
  });
  test('what is not known is never passed over', () => {
    const sized = size({ ...brief, asks: { ...brief.asks, food: 'dry' } });
    expect(sized).toMatchObject({ ok: false, blockerId: 'food' });
  });
  test('more than five times as thick is not sought', () =>
    expect(size(flat(briefWith({ kind: 'short', forceN: 5000, durationH: 1 / 60 }, short)))).toMatchObject({
      ok: false,
      blockerId: 'strength-in-plane',
    }));
  test('thinner than what bends by a tenth of its span is not told, though it would hold', () => {
    // 4·F·L³/(E·b·t³) = L/10: t = ∛(40·F·L²/(E·b)), thicker than the 6.4 mm that its strength asks
    const load = { kind: 'short', forceN: 5, durationH: 1 / 60, maxDeflectionMm: 200 } as const;
    const sized = size(flat(briefWith(load, arm)));
    if (!sized.ok) throw new Error(inWords(sized.why));
    expect(sized.entry.governingCheckId).toBe('movement-in-range');
    expect(sized.sizeMm / Math.cbrt((40 * 5 * 400 ** 2) / (2000 * 20))).toBeCloseTo(1, 2);
  });
  test('less than a fifth is not sought either, and that is said', () =>
    expect(size(flat(briefWith({ kind: 'short', forceN: 0.001, durationH: 1 / 60 }, arm)))).toMatchObject({
      ok: true,
      atSmallest: true,
      sizeMm: 2,
    }));
});

test('the sized part passes when it is evaluated as drawn, and one per cent less does not', () => {
  const job = prepareSizing(lampArm, sampleLibrary)!;
  expect(job).toMatchObject({ pointer: '/section/depthMm', drawnMm: 30 });
  const free = freeSize(lampArm.part)!;
  let sizes = 0;
  for (const grade of sampleLibrary.grades.slice(0, 10)) {
    const sized = job.size(grade);
    if (!sized.ok || sized.atSmallest) continue;
    sizes += 1;
    const at = (sizeMm: number) => {
      const brief = { ...lampArm, part: free.with(sizeMm) };
      const { entries } = evaluate(brief, { ...sampleLibrary, grades: [grade] }).grades[0]!;
      return entries.find(({ orientation }) => orientation === sized.entry.orientation)!.status;
    };
    expect(at(sized.sizeMm)).toBe('pass');
    expect(at(0.99 * sized.sizeMm)).toBe('fail');
  }
  expect(sizes).toBeGreaterThan(1);
});

test('every part model has a dimension that may grow, and every demo part can be sized or says why not', () => {
  for (const model of partModels) {
    const free = freeSize(model.start);
    if (!free) continue;
    expect(free.valueMm).toBeGreaterThan(0);
    expect(free.title).not.toMatch(/Mm/);
    expect(freeSize(free.with(free.valueMm * 1.1))!.valueMm).toBeCloseTo(free.valueMm * 1.1, 9);
  }
  for (const brief of sampleBriefs) {
    const job = prepareSizing(brief, sampleLibrary)!;
    for (const grade of sampleLibrary.grades.slice(0, 2)) {
      const sized = job.size(grade);
      if (sized.ok) expect(sized.entry.status).toBe('pass');
      else expect(inWords(sized.why).length).toBeGreaterThan(5);
    }
  }
});

test('a measured section belongs to one size', () => {
  const measured: PartGeometry = {
    ...arm,
    section: {
      kind: 'measured',
      areaMm2: 200,
      secondMomentMm4: 1000,
      weakSecondMomentMm4: 1000,
      extremeFibreMm: 5,
      depthMm: 10,
      widthMm: 20,
    },
  };
  expect(prepareSizing(briefWith({ forceN: 1 }, measured), sampleLibrary)).toBeUndefined();
});
