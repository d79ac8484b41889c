import type { Brief } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { lampArm, nozzleBracket, sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { chanceOfMeetingAll } from '../probability/chance.ts';
import { choose, chancesFor, CHOICE_DRAWS } from './choose.ts';
import { evaluate } from '../evaluating/evaluate.ts';
import { rank } from './ranking.ts';
import { screen, typicalReserveOf } from '../evaluating/screen.ts';

const rules = defaultCompanyRules;
const world = (brief: Brief) => ({ brief, library: sampleLibrary, rules });
const candidatesOf = (brief: Brief) => screen(brief, sampleLibrary).grades;
const chanceIn = (brief: Brief, gradeId: string, orientation: 'XY' | 'XZ' | 'ZX') =>
  chanceOfMeetingAll(
    brief,
    sampleLibrary,
    sampleLibrary.grades.find(({ id }) => id === gradeId)!,
    orientation,
    {
      draws: CHOICE_DRAWS,
    },
  )!;

describe.each(sampleBriefs.map((brief) => [brief.title, brief] as const))('%s', (_title, brief) => {
  const candidates = candidatesOf(brief);
  const [first] = choose(world(brief), candidates);
  test('who comes first is sure, with room on typical values, or nobody is', () => {
    if (first?.best.status !== 'pass') return;
    const chance = chanceIn(brief, first.gradeId, first.best.orientation);
    const isSure = chance.all >= 0.9 && (first.typicalReserve ?? Infinity) >= 1.3;
    if (isSure) return;
    const cheaper = candidates.filter(({ best }) => best.status === 'pass');
    for (const one of cheaper) {
      const other = chanceIn(brief, one.gradeId, one.best.orientation);
      expect([one.gradeId, other.all >= 0.9 && (one.typicalReserve ?? Infinity) >= 1.3]).toEqual([one.gradeId, false]);
    }
  });
  test('nobody sure is cheaper than who comes first', () => {
    if (first?.best.status !== 'pass') return;
    for (const one of candidates) {
      if (one.best.status !== 'pass' || one.best.costUsd! >= first.best.costUsd!) continue;
      const chance = chanceIn(brief, one.gradeId, one.best.orientation);
      expect([one.gradeId, chance.all < 0.9 || one.typicalReserve! < 1.3]).toEqual([one.gradeId, true]);
    }
  });
  test('a whole evaluation is chosen from as the screening is', () =>
    expect(choose(world(brief), evaluate(brief, sampleLibrary).grades)[0]?.gradeId).toBe(first?.gradeId));
});

test('a company that asks for no chance takes the lowest cost', () => {
  const candidates = candidatesOf(lampArm);
  const asked = { ...world(lampArm), rules: { ...rules, leastChance: 0 } };
  expect(choose(asked, candidates)[0]!.gradeId).toBe(rank(candidates, 'cheapest-that-passes')[0]!.gradeId);
});

test('a company that wants more room on typical values leaves more of them aside', () => {
  const candidates = candidatesOf(lampArm);
  const strict = { ...world(lampArm), rules: { ...rules, typicalReserve: 1.6 } };
  const [first] = choose(strict, candidates);
  expect(first!.typicalReserve ?? Infinity).toBeGreaterThanOrEqual(1.6);
  expect(first!.best.costUsd).toBeGreaterThan(choose(world(lampArm), candidates)[0]!.best.costUsd!);
});

test('a chance is worked out once, and is that of anybody who asks', () => {
  const chance = chancesFor(nozzleBracket, sampleLibrary, rules);
  const [one] = candidatesOf(nozzleBracket).filter(({ best }) => best.status === 'pass');
  expect(chance(one!)).toBe(chance(one!));
  expect(chance(one!)).toEqual(chanceIn(nozzleBracket, one!.gradeId, one!.best.orientation));
});

test('limits of mass and cost say nothing of typical values', () => {
  const check = (checkId: string, evidence: 'C' | 'D', reserve: number | null) =>
    ({ checkId, evidence, reserve }) as never;
  expect(
    typicalReserveOf({ checks: [check('mass-limit', 'D', 1.01), check('cost-limit', 'D', 1.02)] }),
  ).toBeUndefined();
  expect(typicalReserveOf({ checks: [check('sag-after-duration', 'D', 1.4), check('heat-steady', 'D', 1.2)] })).toBe(
    1.2,
  );
  expect(
    typicalReserveOf({ checks: [check('sag-after-duration', 'C', 1.1), check('food', 'D', null)] }),
  ).toBeUndefined();
});
