import { sampleBriefs } from '@anvilstone/core/education/sample';
import type { UnitSystem } from '@anvilstone/core/foundations';
import type { Brief } from '@anvilstone/schema';
import type { ComponentType } from 'react';
import { BenchStage } from '../bench/BenchStage.tsx';
import { BriefStage } from '../brief/BriefStage.tsx';
import { BuildStage } from '../build/BuildStage.tsx';
import { CompareStage } from '../compare/CompareStage.tsx';
import { DecisionStage } from '../decision/DecisionStage.tsx';
import { PlanStage } from '../plan/PlanStage.tsx';
import { ShortlistStage } from '../shortlist/ShortlistStage.tsx';
import { answered, drawnFor, LEAKS, leftMetric, textOf, wordsOf } from '../../testing/testPage.tsx';

const STAGES: readonly [name: string, Stage: ComponentType, searches: readonly string[]][] = [
  ['brief', BriefStage, ['']],
  ['shortlist', ShortlistStage, ['', '?view=map', '?grade=ol-pa6-gf&check=sag-after-duration']],
  ['compare', CompareStage, ['?grades=tm-petg,tm-petg-gf,ne-abs']],
  [
    'build',
    BuildStage,
    ['', '&show=filling', '&show=fibre', '&show=split', '&show=layup'].map((show) => `?grade=ne-petg${show}`),
  ],
  [
    'plan',
    PlanStage,
    ['machines', 'card', 'dry', 'supports', 'after', 'cost'].map((show) => `?grade=ne-petg&show=${show}`),
  ],
  ['decision', DecisionStage, ['?grade=tm-tpu95']],
  ['bench', BenchStage, ['?grade=ne-petg']],
];
const PAGES = STAGES.flatMap(([name, Stage, searches]) => searches.map((search) => ({ name, Stage, search })));

/** Of a part that was just begun. */
const NOTHING_YET = answered(['decisions', 'p1', []], ['campaigns', undefined, []]);

const drawnAt = ({ name, Stage, search }: (typeof PAGES)[number], brief: Brief, units: UnitSystem) =>
  drawnFor(brief, <Stage />, { at: `/parts/p1/${name}${search}`, units, answers: NOTHING_YET });

/** One drawing of each page of each part holds both: no fault or code is shown, and no amount stays metric. */
describe.each(sampleBriefs.map((brief) => [brief.title, brief] as const))('%s', (_title, brief) => {
  const own = [brief.title, brief.purpose, ...brief.loadCases.map(({ name }) => name)];
  test.each(PAGES)(
    '$name$search is drawn in inches and pounds, and shows nothing that only a program understands',
    (page) => {
      const root = drawnAt(page, brief, 'inchPound');
      expect(root.querySelectorAll('[role=alert]').map(textOf)).toEqual([]);
      expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
      expect(leftMetric(root, own)).toEqual([]);
    },
  );
});

test.each(PAGES)('$name$search is drawn in metric units, and shows nothing that only a program understands', (page) => {
  const root = drawnAt(page, sampleBriefs[0]!, 'metric');
  expect(root.querySelectorAll('[role=alert]').map(textOf)).toEqual([]);
  expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
});

test('controls of a page have names, and none has the same id as another', () => {
  for (const { name, Stage, search } of PAGES) {
    const root = drawnFor(sampleBriefs[0]!, <Stage />, { at: `/parts/p1/${name}${search}`, answers: NOTHING_YET });
    const labelled = new Set(root.querySelectorAll('label[for]').map((one) => one.getAttribute('for')));
    const nameless = root
      .querySelectorAll('input:not([aria-hidden=true]),select,textarea')
      .filter((one) => !labelled.has(one.id) && !one.getAttribute('aria-label') && !one.closest('label'));
    expect(nameless.map(({ outerHTML }) => `${name}${search} ${outerHTML}`)).toEqual([]);
    const ids = root.querySelectorAll('[id]').map(({ id }) => id);
    expect(ids.filter((id, i) => ids.indexOf(id) !== i)).toEqual([]);
  }
});
