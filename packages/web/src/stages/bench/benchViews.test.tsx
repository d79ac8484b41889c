import { findCheck } from '@anvilstone/core/checks';
import { sampleCampaigns } from '@anvilstone/core/education/sample';
import { armResult, findMethod, rankArms, testMethods } from '@anvilstone/core/evidence';
import { inSentence, formatNumber, spellOut, inWords } from '@anvilstone/core/foundations';
import type { TrialCurve } from '@anvilstone/schema';
import { drawn, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { CurveChart } from './testing/CurveChart.tsx';
import { Expectations } from './plan/Expectations.tsx';
import { MethodCard } from './plan/MethodCard.tsx';
import { RankingChart } from './results/RankingChart.tsx';
import { RigSketch } from './testing/RigSketch.tsx';
import { WeibullChart } from './results/WeibullChart.tsx';
import { CONDITIONING_WORDS, DEFECT_WORDS, DIRECTION_WORDS, outcomeText, WAY_WORDS } from './words.ts';

const NOW = new Date('2026-06-01T12:00:00Z');
const campaigns = sampleCampaigns(NOW);
const ignore = () => undefined;
const resultsOf = ({ campaign, trials }: (typeof campaigns)[number]) => {
  const [outcome] = findMethod(campaign.methodId)!.outcomes;
  return outcome ? campaign.arms.map((arm) => armResult(campaign, arm, outcome, trials)) : [];
};

describe.each(testMethods.map((method) => [method.title, method] as const))('the method “%s”', (_title, method) => {
  const root = drawn(<MethodCard method={method} />);
  test('says what it settles, what it needs and every step in order', () => {
    expect(textOf(root)).toContain(method.settles);
    expect(root.querySelectorAll('ol li').map(textOf)).toEqual(
      spellOut(method.steps).map((step) => step.replace(/\s+/g, ' ')),
    );
    expect(root.querySelectorAll('ul li').length).toBeGreaterThanOrEqual(method.needs.length);
  });
  test('says which checks its result counts in, or that it is for information', () => {
    for (const id of method.moves) expect(textOf(root)).toContain(inSentence(findCheck(id)!.title));
    expect(textOf(root).includes('For information only')).toBe(method.moves.length === 0);
  });
  test('its cautions stand before its steps, and defer to local rules', () => {
    if (method.cautions.length === 0) return;
    const text = textOf(root);
    for (const caution of method.cautions)
      expect(text.indexOf(caution)).toBeLessThan(text.indexOf(inWords(method.steps[0]!)));
    expect(text).toContain('local rules and the person responsible for the test area come first');
  });
  test('its rig is drawn and named', () =>
    expect(
      drawn(<RigSketch rig={method.rig} />)
        .querySelector('svg')!
        .getAttribute('aria-label'),
    ).toMatch(/^Sketch of the rig: .+/));
  test('shows no code', () => expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]));
});

describe.each(campaigns.map((one) => [one.campaign.title, one] as const))('%s', (_name, { campaign, trials }) => {
  test('each arm says what is expected and whether gauge and rig bear it', () => {
    const root = drawn(<Expectations campaign={campaign} library={sampleWorkshop} edit={ignore} />);
    const list = root.querySelector('section[aria-label="Prediction"]')!;
    expect(list.querySelectorAll('li')).toHaveLength(campaign.arms.length);
    for (const { gradeId } of campaign.arms)
      expect(textOf(list)).toContain(sampleWorkshop.grades.find(({ id }) => id === gradeId)!.name);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
  test('an arm whose grade is gone is not known, and not nought', () => {
    const gone = { ...sampleWorkshop, grades: [] };
    const text = textOf(drawn(<Expectations campaign={campaign} library={gone} edit={ignore} />));
    expect(text).toContain('The grade is not in the library');
  });
  test('readings are drawn once each, those that do not count hollow', () => {
    const results = resultsOf({ campaign, trials });
    if (results.length === 0 || results.every(({ summary }) => !summary)) return;
    const ranked = rankArms(results);
    const root = drawn(<RankingChart ranked={ranked} outcome={results[0]!.outcome} nameOf={(id) => `arm ${id}`} />);
    const values = ranked.flatMap(({ result }) => result.replicates.filter(({ value }) => value !== undefined));
    expect(root.querySelectorAll('circle').length).toBeGreaterThanOrEqual(values.length);
    expect(root.outerHTML).not.toMatch(/NaN/);
  });
});

test('a Weibull plot is drawn of arms with readings enough, its numbers beside it', () => {
  const { campaign, trials } = campaigns[0]!;
  const results = resultsOf({ campaign, trials }).filter(({ weibull }) => weibull);
  expect(results.length).toBeGreaterThan(0);
  const root = drawn(<WeibullChart results={results} nameOf={(id) => `arm ${id}`} />);
  expect(root.querySelector('svg')!.getAttribute('aria-label')).toContain('the table below has the numbers');
  for (const { weibull } of results) expect(textOf(root)).toContain(formatNumber(weibull!.shape, 3));
  expect(root.outerHTML).not.toMatch(/NaN/);
});

describe('a curve', () => {
  const curve: TrialCurve = {
    readings: 5,
    timeS: [0, 1, 2, 3, 4],
    forceN: [0, 50, 100, 150, 20],
    movedMm: [0, 0.5, 1, 1.5, 2],
    temperatureC: [23, 23, 23, 23, 23],
    over: [false, false, false, false, false],
    last: 4,
  };
  const chart = (units: 'metric' | 'inchPound' = 'metric') =>
    drawn(<CurveChart curves={[{ id: 'a', curve }]} kind="force" />, { units });
  test('is drawn with its axes in the reader’s units', () => {
    expect(textOf(chart())).toMatch(/mm/);
    expect(textOf(chart())).toMatch(/N/);
    expect(textOf(chart('inchPound'))).toMatch(/lbf/);
    expect(chart().outerHTML).not.toMatch(/NaN/);
  });
  test('without any reading it does not fall over', () => {
    const empty: TrialCurve = { ...curve, readings: 0, timeS: [], forceN: [], movedMm: [], temperatureC: [], over: [] };
    expect(drawn(<CurveChart curves={[{ id: 'a', curve: empty }]} kind="force" />).outerHTML).not.toMatch(/NaN/);
  });
});

test('every word of the bench is a word', () => {
  for (const words of [CONDITIONING_WORDS, DEFECT_WORDS, DIRECTION_WORDS, WAY_WORDS])
    for (const text of Object.values(words)) expect(text).toMatch(/^[A-Za-z][\w, %-]+$/);
  expect(outcomeText(1000, { dimension: 'force' }, 'metric')).toBe('1000 N');
  expect(outcomeText(4.4482216, { dimension: 'force' }, 'inchPound')).toBe('1 lbf');
});
