import type { Brief } from '@anvilstone/schema';
import { checks } from '../../checks/index.ts';
import { evaluate } from '../../evaluation/index.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { heaterDuct, lampArm, ratchetPawl, sampleLibrary } from '../../education/sample/index.ts';
import { failureModes, predictedBy, predictedMovement, inspectionPlan } from './index.ts';

const entryOf = (brief: Brief, gradeId: string) =>
  evaluate(brief, sampleLibrary).grades.find((one) => one.gradeId === gradeId)!.best;
const gradeOf = (id: string) => sampleLibrary.grades.find((one) => one.id === id)!;

describe('failure modes', () => {
  test('each is predicted by some check', () => {
    for (const { id } of failureModes) expect([id, predictedBy(id).length > 0]).toEqual([id, true]);
  });
  test('every check that ends in a failure one can see has its way', () => {
    const covered = new Set(failureModes.flatMap(({ id }) => predictedBy(id)));
    // What is settled before the part is printed, or cannot be seen of it.
    const notSeen = [
      'failure-manner',
      'fibre-laid',
      'mass-limit',
      'cost-limit',
      'printable',
      'available',
      'food',
      'skin',
      'smoke',
      'outgassing',
      'dissolves',
      'electrostatic',
      'flame',
      'oxygen-index',
      'insulation',
      'lies-flat',
      'clarity',
      'colour',
      'layer-lines',
      'recycled',
      'biodegradable',
    ];
    const left = checks.map(({ id }) => id).filter((id) => !covered.has(id) && !notSeen.includes(id));
    expect(left).toEqual([]);
  });
});

describe('what to look at, and when', () => {
  test('a duct that is closest to sagging: its shape first, early and then ever more seldom, with what is allowed', () => {
    const plan = inspectionPlan(heaterDuct, entryOf(heaterDuct, 'ol-pc'));
    expect(plan[0]).toMatchObject({ mode: { id: 'sagged' }, checkId: 'sag-after-duration' });
    expect(plan[0]!.limit).toMatchObject({ unit: 'mm' });
    const { days } = plan[0]!;
    expect([...days].sort((a, b) => a - b)).toEqual(days);
    const gaps = days.slice(1).map((day, i) => day - days[i]!);
    expect(gaps.at(-1)).toBeGreaterThan(gaps[0]!);
    expect(days[0]).toBeGreaterThanOrEqual(1);
  });
  test('a pawl near its fatigue life is looked at for cracks before all else, and more often than one with reserve', () => {
    const near = inspectionPlan(ratchetPawl, entryOf(ratchetPawl, 'ol-pa12'));
    expect(near[0]).toMatchObject({
      mode: { id: 'fatigue-crack' },
      why: expect.stringMatching(/little reserve/) as string,
    });
    const far = inspectionPlan(ratchetPawl, entryOf(ratchetPawl, 'ol-pa12-gf')).find(
      ({ mode }) => mode.id === 'fatigue-crack',
    )!;
    expect(far.reserve).toBeGreaterThan(1.3);
    expect(far.days.length).toBeLessThan(near[0]!.days.length);
  });
  test('what is not known is looked at first', () => {
    const entry = entryOf(lampArm, 'ne-petg');
    const unknown = {
      checks: entry.checks.map((one) =>
        one.checkId === 'heat-steady' ? { ...one, status: 'unknown' as const, reserve: null, capacity: null } : one,
      ),
    };
    const [first] = inspectionPlan(lampArm, unknown);
    expect(first).toMatchObject({
      mode: { id: 'softened' },
      reserve: null,
      why: expect.stringMatching(/not known/) as string,
    });
    expect(first!.limit).toBeUndefined();
  });
  test('nothing that is loaded, nothing to look at', () => expect(inspectionPlan(lampArm, { checks: [] })).toEqual([]));
});

describe('how far it should have moved', () => {
  const load = lampArm.loadCases.find(({ maxSagMm }) => maxSagMm !== undefined)!;
  const grade = gradeOf('ne-petg');
  const at = (timesH: readonly number[]) =>
    predictedMovement(lampArm, load.id, sampleLibrary, grade, 'XZ', defaultCompanyRules, timesH);
  test('grows with time, and ends where the brief was judged', () => {
    const found = at([1, 24, 1000, load.durationH]);
    const moved = found.map(({ movedMm }) => movedMm!);
    expect([...moved].sort((a, b) => a - b)).toEqual(moved);
    const judged = evaluate({ ...lampArm, asks: { orientations: ['XZ'] } }, { ...sampleLibrary, grades: [grade] });
    const sag = judged.grades[0]!.best.checks.find(({ checkId }) => checkId === 'sag-after-duration')!;
    expect(moved.at(-1)).toBeCloseTo(load.maxSagMm! / sag.reserve!, 9);
  });
  test('without a limit nothing was predicted; a load that is not there is refused', () => {
    const { maxSagMm: _free, ...unlimited } = load;
    const brief = { ...lampArm, loadCases: [unlimited] };
    const found = predictedMovement(brief, load.id, sampleLibrary, grade, 'XZ', defaultCompanyRules, [24]);
    expect(found).toEqual([{ timeH: 24, movedMm: null }]);
    expect(() => at([0])).toThrow(/timesH\/0/);
    expect(() => predictedMovement(lampArm, 'none', sampleLibrary, grade, 'XZ', defaultCompanyRules, [1])).toThrow(
      /loadCaseId/,
    );
  });
});
