import { spellOut } from '@anvilstone/core/foundations';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { openRisksOf, unknownRisks } from './openRisks.ts';
import { rankedThen } from './rankedThen.ts';
import { frozenDecision as frozen } from './testContext.ts';

const asked = { ...lampArm, asks: { ...lampArm.asks, food: 'dry' as const, skin: 'brief' as const } };
const library = { ...sampleLibrary, grades: sampleLibrary.grades.filter(({ id }) => id === 'ne-abs') };
const entry = evaluate(asked, library).grades[0]!.best;

describe('open risks', () => {
  test('every check that is not known is one, with what is missing and what would settle it', () => {
    const risks = spellOut(unknownRisks(entry));
    expect(risks).toHaveLength(2);
    expect(risks[0]).toMatch(/^Food contact is not known: Nothing is claimed; Have a printed part tested/);
    expect(risks[1]).toMatch(/^Skin contact is not known: /);
  });
  test('they follow what was written, each once', () => {
    const written = 'Sun.';
    const all = openRisksOf(entry, written);
    expect(all.split('\n')).toEqual(['Sun.', ...spellOut(unknownRisks(entry))]);
    // Written down again as it stands, nothing is added.
    expect(openRisksOf(entry, all)).toBe(all);
    const inInches = spellOut(unknownRisks(entry), 'inchPound').join('\n');
    expect(openRisksOf(entry, inInches)).toBe(inInches);
  });
  test('where all is known, only what was written stands', () => {
    const known = evaluate(lampArm, library).grades[0]!.best;
    expect(openRisksOf(known, '  Sun. ')).toBe('Sun.');
    expect(openRisksOf(known, '')).toBe('');
  });
});

describe('the order of the day of a decision', () => {
  const decision = frozen(lampArm, sampleLibrary);
  test('is by the chance that was asked then, read from what was frozen', () => {
    expect(decision.grounds!.leastChance).toBe(0.9);
    const [first] = rankedThen(decision, 'cheapest-that-passes');
    const chance = first!.entries.find(({ orientation }) => orientation === first!.best.orientation)!.chance!;
    expect(chance.all).toBeGreaterThanOrEqual(0.9);
  });
  test('of a decision that asked for none it is by cost alone', () => {
    const { leastChance: _none, ...grounds } = decision.grounds!;
    const ranked = rankedThen({ ...decision, grounds }, 'cheapest-that-passes').filter(
      ({ best }) => best.status === 'pass',
    );
    const costs = ranked.map(({ best }) => best.costUsd!);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });
});
