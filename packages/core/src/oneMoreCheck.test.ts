import { inWords } from '@anvilstone/core/foundations';
import type { Check } from './checks/index.ts';
import { checks, findCheck } from './checks/index.ts';
import { inSentence } from './foundations/index.ts';
import { lampArm, sampleLibrary } from './education/sample/index.ts';
import { chanceOfMeetingAll, evaluate, explain, prepareSizing, screen } from './evaluation/index.ts';
import { inspectionPlan, planTests, predictedBy } from './evidence/index.ts';
import { defaultCompanyRules } from './materials/index.ts';

/** First natural frequency with its own mass at the end, against a limit: as a colleague might add it. */
const leastHz = 40;
const naturalFrequency: Check = {
  id: 'natural-frequency',
  title: 'Natural frequency',
  asks: 'Is its first natural frequency above the limit?',
  failsAs: 'fatigue-crack',
  testedBy: ['bend-bar'],
  scatter: 'stiffness',
  applies: ({ loads }) => loads.length > 0,
  evaluate({ compliances, massG }, working) {
    const compliance = compliances[0]!;
    const base = { checkId: '', unit: 'Hz', loadCaseId: lampArm.loadCases[0]!.id, placeId: null };
    if (!compliance.known || massG === null)
      return {
        ...base,
        status: 'unknown',
        demand: null,
        capacity: null,
        reserve: null,
        evidence: null,
        gaps: ['modulus'],
        reason: null,
      };
    const hz = Math.sqrt(1e3 / compliance.perUnit / (massG / 1000)) / (2 * Math.PI);
    working?.add('f', 'First natural frequency', hz, 'Hz', { expression: '√(1 / (c·m)) / 2π' });
    const reserve = hz / leastHz;
    return {
      ...base,
      status: reserve >= 1 ? 'pass' : 'fail',
      demand: leastHz,
      capacity: hz,
      reserve,
      evidence: compliance.evidence,
      gaps: [],
      reason: null,
    };
  },
};

const all = checks as Check[];
beforeAll(() => void all.push(naturalFrequency));
afterAll(() => void all.splice(all.indexOf(naturalFrequency), 1));

const library = { ...sampleLibrary, grades: sampleLibrary.grades.filter(({ id }) => id === 'ne-petg') };
const [grade] = library.grades;
const { id } = naturalFrequency;

describe('a check added to the list, and nothing else touched', () => {
  const evaluated = () => evaluate(lampArm, library).grades[0]!.best;
  test('is evaluated, screened, ranked on and shown with its working', () => {
    expect(findCheck(id)?.title).toBe('Natural frequency');
    const found = evaluated().checks.find(({ checkId }) => checkId === id)!;
    expect(found.reserve).toBeGreaterThan(0);
    expect(screen(lampArm, library).checkIds).toContain(id);
    const steps = explain(lampArm, library, grade!.id, evaluated().orientation).find(({ checkId }) => checkId === id)!;
    expect(steps.working!.map(({ symbol }) => symbol)).toEqual(['f', 'R']);
    expect(inSentence(findCheck(id)?.title)).toBe('natural frequency');
  });
  test('takes part in sizing and in the probability of compliance', () => {
    const sized = prepareSizing(lampArm, library)!.size(grade!);
    if (!sized.ok) throw new Error(inWords(sized.why));
    expect(sized.entry.checks.find(({ checkId }) => checkId === id)!.reserve).toBeGreaterThanOrEqual(1);
    const chance = chanceOfMeetingAll(lampArm, library, grade!, evaluated().orientation, { draws: 500 })!;
    expect(chance.byCheck.map(({ checkId }) => checkId)).toContain(id);
  });
  test('is proposed a test, looked at in service, and named when a part fails that way', () => {
    const entry = evaluated();
    const close = {
      ...entry,
      checks: entry.checks.map((one) => (one.checkId === id ? { ...one, reserve: 1.01, evidence: 'D' as const } : one)),
    };
    const plan = planTests(lampArm, library, grade!, close, defaultCompanyRules);
    expect(plan.map(({ checkId, method }) => [checkId, method.id])).toContainEqual([id, 'bend-bar']);
    expect(predictedBy('fatigue-crack')).toContain(id);
    expect(inspectionPlan(lampArm, close).map(({ mode }) => mode.id)).toContain('fatigue-crack');
  });
});
