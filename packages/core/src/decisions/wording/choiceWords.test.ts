import type { Brief } from '@anvilstone/schema';
import { chanceOfMeetingAll } from '../../evaluation/probability/chance.ts';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { findRankingMethod, rank } from '../../evaluation/ranking/ranking.ts';
import { sampleBriefs, lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { formatReserve } from '../../foundations/units/formatQuantity.ts';
import { choiceSentences, type Piece } from './choiceWords.ts';

function wordsFor(brief: Brief, schoolId = 'cheapest-that-passes') {
  const ranked = rank(evaluate(brief, sampleLibrary).grades, schoolId);
  const first = ranked[0]!;
  const leader = sampleLibrary.grades.find(({ id }) => id === first.gradeId)!;
  const pieces = choiceSentences({
    brief,
    rankingMethod: findRankingMethod(schoolId),
    ranked,
    first,
    chance: chanceOfMeetingAll(brief, sampleLibrary, leader, first.best.orientation, { draws: 1000 }),
    nameOf: (id) => sampleLibrary.grades.find((grade) => grade.id === id)!.name,
    machineNameOf: (id) => sampleLibrary.machines.find((machine) => machine.id === id)?.name ?? null,
    units: 'metric',
  });
  return { ranked, first, pieces, text: pieces.map((one) => one.map(({ text }) => text).join('')).join(' ') };
}
const links = (pieces: readonly Piece[][]) => pieces.flat().filter(({ to }) => to !== undefined);

test('the lamp arm in plain words: who, why, what governs, the next, and why the others fell', () => {
  const { text, ranked, first } = wordsFor(lampArm);
  const governing = first.best.checks.find(({ checkId }) => checkId === first.best.governingCheckId)!;
  expect(text).toMatch(
    /^Nine Elms PETG Trade, built XY on .* passes all 1\d checks and is the cheapest of those that do: /,
  );
  expect(text).toContain(`${first.best.costUsd!.toFixed(2)} USD a part`);
  expect(text).toContain(
    `Governing: service temperature limit, peak, with a reserve of ${formatReserve(governing.reserve!)}.`,
  );
  expect(text).toContain(`for ${(ranked[1]!.best.costUsd! - first.best.costUsd!).toFixed(2)} USD more`);
  expect(text).toContain(`${ranked.filter(({ best }) => best.status === 'fail').length} of 70 grades fail`);
});

test('every linked number leads to a check that the grade has', () => {
  for (const brief of sampleBriefs) {
    const { pieces, ranked } = wordsFor(brief);
    for (const { to } of links(pieces)) {
      const grade = ranked.find(({ gradeId }) => gradeId === to!.gradeId)!;
      if (to!.checkId && to!.checkId !== 'cost-limit')
        expect(grade.best.checks.map(({ checkId }) => checkId)).toContain(to!.checkId);
    }
  }
});

test('no sentence of any sample part or ranking method holds a hole', () => {
  for (const brief of sampleBriefs)
    for (const rankingMethod of ['cheapest-that-passes', 'weakest-link', 'weighted-merit']) {
      const { text } = wordsFor(brief, rankingMethod);
      expect(text).not.toMatch(/undefined|null|NaN|Infinity| {2}|\.\.| ,/);
      expect(text.length).toBeGreaterThan(60);
    }
});

test('when nobody passes it says who comes nearest and over what', () => {
  const { text } = wordsFor({ ...lampArm, asks: { ...lampArm.asks, maxMassG: 1 } });
  expect(text).toMatch(/^No grade passes every check\. .* comes nearest: a reserve of 0\.0\d* in mass\./);
  expect(text).not.toContain('passes all');
});
