import { inWords } from '@anvilstone/core/foundations';
import type { Brief, GeometryOf } from '@anvilstone/schema';
import { evaluate, explain } from './evaluating/evaluate.ts';
import { heaterDuct, nozzleBracket, sampleLibrary, scraperLever } from '../education/sample/index.ts';

const bestOf = (brief: Brief, gradeId: string) =>
  evaluate(brief, sampleLibrary).grades.find((grade) => grade.gradeId === gradeId)!.best;
const reserveOf = (brief: Brief, gradeId: string, checkId: string) =>
  bestOf(brief, gradeId).checks.find((check) => check.checkId === checkId)!.reserve!;

describe('heater duct: clamped in warm air that touches nothing hot', () => {
  test('strength with ease, and oval within months all the same', () => {
    const asa = bestOf(heaterDuct, 'tm-asa');
    const by = (id: string) => asa.checks.find((check) => check.checkId === id)!;
    expect(by('strength-in-plane').reserve).toBeGreaterThan(2);
    expect(by('deflection-at-load').status).toBe('pass');
    expect(by('sag-after-duration').status).toBe('fail');
  });
  test('other grades hold', () => {
    for (const id of ['ol-pa6-gf', 'ne-pa6-cf']) expect([id, bestOf(heaterDuct, id).status]).toEqual([id, 'pass']);
  });
  test('the working says where, and how much of it is creep', () => {
    const sag = explain(heaterDuct, sampleLibrary, 'tm-asa', 'ZX').find(
      (check) => check.checkId === 'sag-after-duration',
    )!;
    const lines = sag.working!;
    expect(lines.some((line) => /Ovalisation/.test(inWords(line.meaning)))).toBe(true);
    expect(lines.find((line) => line.symbol === 'D·E')!.value).toBeGreaterThan(1.3);
  });
});

describe('two-member bracket: what governs moves with its proportions and the grade', () => {
  const part = nozzleBracket.part as GeometryOf<'wall-bracket'>;
  const shaped = (change: Partial<GeometryOf<'wall-bracket'>>): Brief => ({
    ...nozzleBracket,
    asks: { orientations: ['ZX'] },
    loadCases: [
      { ...nozzleBracket.loadCases[0]!, durationH: 1, maxSagMm: undefined } as Brief['loadCases'][number],
    ].map(({ maxSagMm: _none, ...load }) => load),
    part: { ...part, ...change },
  });
  const governs = (brief: Brief, gradeId: string) => bestOf(brief, gradeId).governingCheckId;
  test('a thin strut bows, a thick one leaves the root to peel', () => {
    expect(governs(shaped({ strut: { depthMm: 4, widthMm: 14 } }), 'tm-asa')).toBe('stability');
    expect(governs(shaped({ strut: { depthMm: 16, widthMm: 16 } }), 'tm-asa')).toBe('strength-across-layers');
  });
  test('at one size the stiff filled grade peels where the neat one bows', () => {
    const found = [5, 6, 7, 8, 9, 10, 11].some((depthMm) => {
      const brief = shaped({ strut: { depthMm, widthMm: 14 } });
      return governs(brief, 'tm-asa') === 'stability' && governs(brief, 'vp-asa-cf') === 'strength-across-layers';
    });
    expect(found).toBe(true);
  });
});

describe('scraper lever: held bent', () => {
  const at = (temperatureC: number): Brief => ({
    ...scraperLever,
    asks: {},
    loadCases: [{ ...scraperLever.loadCases[0]!, temperatureC }],
  });
  const left = (gradeId: string, temperatureC: number) => {
    const fresh: Brief = { ...at(temperatureC), loadCases: [{ ...at(temperatureC).loadCases[0]!, durationH: 1e-6 }] };
    return reserveOf(at(temperatureC), gradeId, 'holding-force') / reserveOf(fresh, gradeId, 'holding-force');
  };
  test('a grade twice as stiff keeps hardly more of its force; the same grade warm keeps less', () => {
    expect(left('tm-asa', 12)).toBeCloseTo(left('vp-abs', 12), 1);
    expect(left('tm-asa', 60)).toBeLessThan(left('tm-asa', 12) - 0.1);
  });
  test('the working says that the stiffness cancels', () => {
    const held = explain(at(12), sampleLibrary, 'tm-asa', 'XZ').find((check) => check.checkId === 'holding-force')!;
    expect(held.working!.find((line) => line.symbol === 'F/F₀')!.expression).toMatch(/cancels/);
  });
});
