import { briefBlocks, type RecordBlock } from '@anvilstone/core/decisions';
import { lampArm, sampleBriefs } from '@anvilstone/core/education/sample';
import type { ChoiceStatus, DecisionDrift } from '@anvilstone/schema';
import { answered, drawn, drawnFor, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { PrintedBrief } from '../brief/PrintedBrief.tsx';
import { DecisionStage } from './DecisionStage.tsx';
import { Changes, DriftPanel } from './DriftPanel.tsx';
import { RecordBlocks } from './RecordBlocks.tsx';

describe('blocks of a record', () => {
  const blocks: RecordBlock[] = [
    { kind: 'text', text: 'Before any heading.' },
    { kind: 'heading', text: 'Requirements' },
    { kind: 'facts', rows: [['Load', '9 N']] },
    { kind: 'list', items: ['first', 'second'] },
    { kind: 'heading', text: 'Checks' },
    {
      kind: 'table',
      head: ['Check', 'Reserve'],
      rows: [
        ['Strength', { reserve: 0.999, status: 'fail' }],
        ['Creep deflection', { reserve: null, status: 'unknown' }],
      ],
      governs: 0,
    },
    { kind: 'text', text: 'Not for use.', tone: 'warning' },
  ] as RecordBlock[];
  const root = drawn(<RecordBlocks blocks={blocks} />);
  test('stand in regions under their headings, in their order', () => {
    expect(root.querySelectorAll('section').map((one) => one.getAttribute('aria-label'))).toEqual([
      undefined,
      'Requirements',
      'Checks',
    ]);
    expect(root.querySelectorAll('h3').map(textOf)).toEqual(['Requirements', 'Checks']);
  });
  test('a reserve in a table is cut and marked as everywhere', () => {
    const cells = root.querySelectorAll('tbody tr').map((row) => textOf(row.querySelectorAll('td')[1]!));
    expect(cells).toEqual(['0.99', 'unknown']);
    expect(root.querySelectorAll('tbody tr')[0]!.getAttribute('class')).toContain('bg-ember-ground');
  });
  test('a warning looks like one', () =>
    expect(
      root
        .querySelectorAll('p')
        .find((one) => one.text === 'Not for use.')!
        .getAttribute('class'),
    ).toContain('border-fail'));
});

test.each(sampleBriefs.map((brief) => [brief.title, brief] as const))(
  'on paper the brief of %s says every load and every ask',
  (_title, brief) => {
    const root = drawnFor(brief, <PrintedBrief />);
    for (const { name } of brief.loadCases) expect(textOf(root)).toContain(name);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
    expect(briefBlocks({ brief, ...sampleWorkshop }, 'metric').length).toBeGreaterThan(2);
  },
);

describe('what it would be today', () => {
  const then: ChoiceStatus = {
    status: 'pass',
    reserve: 1.17,
    governingCheckId: 'sag-after-duration',
    leaderId: 'ne-petg',
    leaderName: 'Nine Elms PETG Trade',
  } as ChoiceStatus;
  const now: ChoiceStatus = {
    ...then,
    status: 'fail',
    reserve: 0.94,
    leaderId: 'ne-abs',
    leaderName: 'Nine Elms ABS Trade',
  };
  const cause = (id: string, matters: boolean, alone: ChoiceStatus) => ({
    id,
    title: `Cause ${id}`,
    changes: [{ area: 'Brief', field: 'Load', before: '9 N', after: null }],
    alone,
    matters,
  });
  const panel = (drift: DecisionDrift) => drawn(<DriftPanel id="d1" />, { answers: answered(['drift', 'd1', drift]) });
  test('nothing changed: the same', () => {
    const root = panel({ frozen: then, now: then, causes: [] } as unknown as DecisionDrift);
    expect(textOf(root)).toContain('Nothing it is based on has changed: the decision would be the same today.');
  });
  test('changed without moving the choice: the same, with what changed one click away', () => {
    const root = panel({ frozen: then, now: then, causes: [cause('a', false, then)] } as unknown as DecisionDrift);
    expect(textOf(root)).toContain('The decision would be the same today, although one thing has changed since.');
    expect(root.querySelector('details')).not.toBeNull();
  });
  test('moved: each cause with what it alone does, then all together against what it was', () => {
    const root = panel({
      frozen: then,
      now,
      causes: [cause('a', true, now), cause('b', false, then)],
    } as unknown as DecisionDrift);
    const text = textOf(root);
    expect(text).toContain('Would now differ, because …');
    expect(text).toContain(
      'the chosen grade fails by now; minimum reserve 1.17 then, 0.94 with it; Nine Elms ABS Trade comes first in place of Nine Elms PETG Trade',
    );
    expect(text).toMatch(/All together: ?the chosen grade fails with 0\.94 \(.+\), Nine Elms ABS Trade comes first/);
    expect(text).toContain('Also changed, without effect on the choice (1)');
  });
  test('what was not there before or is gone says so', () => {
    const root = drawn(
      <Changes
        changes={[
          { area: 'Brief', field: 'Peak', before: null, after: '62 °C' },
          { area: 'Brief', field: 'Colour', before: 'black', after: null },
        ]}
      />,
    );
    expect(root.querySelectorAll('tbody tr').map((row) => row.querySelectorAll('td').slice(2).map(textOf))).toEqual([
      ['not there', '62 °C'],
      ['black', 'not there'],
    ]);
  });
});

describe('deciding', () => {
  const stage = (search: string) =>
    drawnFor(lampArm, <DecisionStage />, {
      at: `/parts/p1/decision${search}`,
      answers: answered(['decisions', 'p1', []]),
    });
  test('a grade that fails can be chosen, but its failure stands beside it', () => {
    const root = stage('?grade=tm-tpu95');
    expect(textOf(root)).toContain('Decide');
    expect(root.querySelectorAll('.text-fail').length).toBeGreaterThan(0);
  });
  test('what rests on estimates is offered as an open risk, worst first', () => {
    const root = stage('?grade=ne-petg');
    const offered = root
      .querySelectorAll('button')
      .map(textOf)
      .filter((text) => text.includes('measure it'));
    expect(offered.length).toBeGreaterThan(0);
    const reserves = offered.map((text) => Number(/reserve ([\d.]+) on/.exec(text)![1]));
    expect(reserves).toEqual([...reserves].sort((a, b) => a - b));
    expect(reserves.every((reserve) => reserve < 2)).toBe(true);
  });
  test('freezing is said to be a record of judgement, and not an approval', () =>
    expect(textOf(stage('?grade=ne-petg'))).toContain('It records a judgement; it does not approve the part.'));
});
