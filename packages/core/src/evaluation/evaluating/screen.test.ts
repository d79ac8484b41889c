import { sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { evaluate } from './evaluate.ts';
import { funnel } from './funnel.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { rank } from '../ranking/ranking.ts';
import { screen } from './screen.ts';

test.each(sampleBriefs.map((brief) => [brief.title, brief] as const))(
  '%s: screening stands every grade where evaluating does, and counts the same funnel',
  (_title, brief) => {
    const full = evaluate(brief, sampleLibrary);
    const quick = screen(brief, sampleLibrary);
    expect(quick.checkIds).toEqual(full.checkIds);
    expect(quick.funnel).toEqual(funnel(full));
    expect(quick.grades.map(({ gradeId, best }) => [gradeId, best.status, best.minimumReserve])).toEqual(
      full.grades.map(({ gradeId, best }) => [gradeId, best.status, best.minimumReserve]),
    );
    for (const rankingMethod of ['cheapest-that-passes', 'weakest-link']) {
      const ids = (grades: readonly { gradeId: string }[]) => grades.map(({ gradeId }) => gradeId);
      expect(ids(rank(quick.grades, rankingMethod))).toEqual(ids(rank(full.grades, rankingMethod)));
    }
  },
);

test('the same grade objects give the same answer again, and another set of rules another one', () => {
  const [brief] = sampleBriefs;
  const once = screen(brief!, sampleLibrary);
  expect(screen(brief!, sampleLibrary)).toEqual(once);
  const strict = screen(brief!, sampleLibrary, {
    rules: { ...defaultCompanyRules, mouldedToPrintedStrengthFactor: 0.5, datasheetStrengthFactor: 0.5 },
  });
  const smallest = (one: typeof once) => one.grades.map(({ best }) => best.minimumReserve ?? 0).reduce((a, b) => a + b);
  expect(smallest(strict)).toBeLessThan(smallest(once));
});

test('what does not depend on the build orientation is worked out once, and is the same as when it is asked alone', () => {
  const [brief] = sampleBriefs;
  for (const { gradeId, entries } of evaluate(brief!, sampleLibrary).grades.slice(0, 12)) {
    for (const { orientation, checks } of entries) {
      const one = { ...sampleLibrary, grades: sampleLibrary.grades.filter((grade) => grade.id === gradeId) };
      const alone = evaluate(brief!, one, { orientations: [orientation] }).grades[0]!.best;
      expect(checks).toEqual(alone.checks);
    }
  }
});
