import { spellOut } from '@anvilstone/core/foundations';
import type { PartGeometry } from '@anvilstone/schema';
import { USUAL_FILLING } from '../orientations/fillings.ts';
import { briefWith, testGrade } from '../../checks/testContext.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { prepareEqualMass } from './equalMass.ts';

const arm: PartGeometry = {
  model: 'cantilever-arm',
  spanMm: 200,
  section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
  filletRadiusMm: 30,
};
const brief = briefWith({ kind: 'short', forceN: 5, durationH: 1 / 60 }, arm);

test('a bar’s depth is its mass over density, width and length', () => {
  const drawn = prepareEqualMass(brief, sampleLibrary, 30)!.at(testGrade);
  const double = prepareEqualMass(brief, sampleLibrary, 60)!.at(testGrade);
  if (!drawn.ok || !double.ok || !('sizeMm' in drawn) || !('sizeMm' in double))
    throw new Error('a bar can weigh as much');
  expect(double.sizeMm / drawn.sizeMm).toBeCloseTo(2, 6);
  expect(drawn.entry.massG).toBeCloseTo(30, 6);
  expect(double.entry.massG).toBeCloseTo(60, 6);
});

test('every sample grade weighs the same, the lighter polymer being the deeper', () => {
  const job = prepareEqualMass(lampArm, sampleLibrary, 150)!;
  const found = sampleLibrary.grades.map((grade) => job.at(grade)).filter((one) => one.ok && 'sizeMm' in one);
  expect(found.length).toBeGreaterThan(60);
  for (const one of found) expect(one.entry.massG).toBeCloseTo(150, 4);
  const sizeOf = (id: string) => found.find(({ gradeId }) => gradeId === id)!.sizeMm;
  expect(sizeOf('ne-abs')).toBeGreaterThan(sizeOf('ne-petg'));
});

test('what is out of reach says so, and no mass is refused', () => {
  const far = prepareEqualMass(brief, sampleLibrary, 9000)!.at(testGrade);
  expect(spellOut(far)).toEqual({
    ok: false,
    gradeId: testGrade.id,
    why: 'No size between a fifth and five times of the drawn one weighs 9000 g.',
  });
  expect(() => prepareEqualMass(brief, sampleLibrary, 0)).toThrow(/a mass above 0 g/);
});

test('a part with an infill keeps its shape: every grade weighs the same by its infill, the lighter polymer the fuller', () => {
  const filled = { ...lampArm, filled: USUAL_FILLING };
  const job = prepareEqualMass(filled, sampleLibrary, 80)!;
  expect(job.title).toBe('Infill');
  const shareOf = (id: string) => {
    const found = job.at(sampleLibrary.grades.find((grade) => grade.id === id)!);
    if (!found.ok || !('infillShare' in found)) throw new Error(`${id} can weigh as much`);
    expect(found.entry.massG).toBeCloseTo(80, 3);
    return found.infillShare;
  };
  expect(shareOf('ne-abs')).toBeGreaterThan(shareOf('ne-petg'));
  const heavy = prepareEqualMass(filled, sampleLibrary, 500)!.at(testGrade);
  expect(heavy).toMatchObject({ ok: false, gradeId: testGrade.id });
});

test('strands count with what they weigh', () => {
  const strands = { ...brief, fibre: { towId: 'glass-polyamide', strandsDeep: 2, insetMm: 0.9 } };
  const found = prepareEqualMass(strands, sampleLibrary, 40)!.at(testGrade);
  if (!found.ok) throw new Error('an arm with strands can weigh as much');
  expect(found.entry.massG).toBeCloseTo(40, 1);
});
