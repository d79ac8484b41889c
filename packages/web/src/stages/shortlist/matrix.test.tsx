import { carrierTray, lampArm } from '@anvilstone/core/education/sample';
import type { ArrangeRequest } from '@anvilstone/core/evaluation';
import { formatReserve } from '@anvilstone/core/foundations';
import type { Brief } from '@anvilstone/schema';
import { drawnFor, sampleWorkshop, textOf, type Circumstances } from '../../testing/testPage.tsx';
import { engineOf } from '../../workers/testEngine.ts';
import { ReservesMatrix } from './table/ReservesMatrix.tsx';
import type { Chances } from './confidence/useChances.ts';

const engine = engineOf(sampleWorkshop);
const ignore = () => undefined;
const request: ArrangeRequest = { schoolId: 'cheapest-that-passes', groupBy: 'none', find: '', pinnedIds: [] };

function matrix(
  brief: Brief,
  {
    ask = {},
    chances = new Map(),
    circumstances = {},
    pinnedIds = [],
  }: { ask?: Partial<ArrangeRequest>; chances?: Chances; circumstances?: Circumstances; pinnedIds?: string[] } = {},
) {
  engineOf(sampleWorkshop);
  const wanted = { ...request, ...ask, pinnedIds };
  const shortlist = engine.shortlist(brief, wanted, { schoolId: wanted.schoolId });
  const evaluations = new Map(engine.evaluateGrades(brief, shortlist.ids).map((one) => [one.gradeId, one]));
  const root = drawnFor(
    brief,
    <ReservesMatrix
      whole
      shortlist={shortlist}
      evaluations={evaluations}
      chances={chances}
      sort={null}
      pinnedIds={pinnedIds}
      openId={null}
      onSort={ignore}
      onPin={ignore}
      onOpen={ignore}
      onLook={ignore}
    />,
    circumstances,
  );
  const rows = root.querySelectorAll('tbody tr').filter((row) => row.querySelector('th[scope=row]'));
  return { root, rows, shortlist, evaluations };
}
const nameOf = (row: { querySelector(selector: string): unknown }) =>
  textOf(row.querySelector('th button') as Parameters<typeof textOf>[0]);

describe('the lamp arm’s reserves', () => {
  const { root, rows, shortlist, evaluations } = matrix(lampArm);
  test('every grade has a row, what passes first, numbered from one', () => {
    expect(rows).toHaveLength(70);
    expect(nameOf(rows[0]!)).toBe('Nine Elms PETG Trade');
    const places = rows
      .slice(0, shortlist.counts.pass)
      .map((row) => Number.parseInt(textOf(row.querySelector('td')!), 10));
    expect(places).toEqual(Array.from({ length: shortlist.counts.pass }, (_, i) => i + 1));
  });
  test('what does not pass has no place', () => {
    const beyond = rows[shortlist.counts.pass]!;
    expect(textOf(beyond.querySelector('td')!)).toBe('');
  });
  test('each cell shows the reserve that was worked out, cut to two decimals', () => {
    for (const [i, row] of rows.entries()) {
      const { best } = evaluations.get(shortlist.ids[i]!)!;
      const cells = row.querySelectorAll('td button[aria-label*="Show working"]');
      expect(cells).toHaveLength(best.checks.length);
      best.checks.forEach((check, k) => {
        const label = cells[k]!.getAttribute('aria-label')!;
        if (check.reserve === null) expect(textOf(cells[k]!)).not.toMatch(/\d\.\d\d/);
        else expect(label).toContain(`reserve ${formatReserve(check.reserve)}`);
        if (check.status === 'unknown') expect(label).toMatch(/: (reserve [\d.> ]+, )?unknown/);
      });
    }
  });
  test('exactly one cell of a row governs, the one that the evaluation names', () => {
    for (const [i, row] of rows.entries()) {
      const { best } = evaluations.get(shortlist.ids[i]!)!;
      const governing = row.querySelectorAll('button[aria-label*=", governs"]');
      expect(governing).toHaveLength(best.governingCheckId === null ? 0 : 1);
      if (governing[0]) expect(governing[0].getAttribute('class')).toContain('border-ember');
    }
  });
  test('a row that does not pass says why, the worst first, the rest on hovering', () => {
    const failing = rows.find((_, i) => evaluations.get(shortlist.ids[i]!)!.best.status === 'fail')!;
    const why = failing.querySelector('th span.text-fail')!;
    expect(textOf(why)).toMatch(/short|:/);
    expect(why.getAttribute('title')!.split('\n').length).toBeGreaterThanOrEqual(1);
    expect(rows[0]!.querySelector('th span.text-fail')).toBeNull();
  });
  test('a column of its own explains each check', () => {
    const heads = root.querySelectorAll('thead th button[title]');
    expect(heads).toHaveLength(shortlist.checkIds.length);
    expect(
      heads.every((head) => head.getAttribute('title')!.endsWith('?') || head.getAttribute('title')!.length > 15),
    ).toBe(true);
  });
  test('a chance that is not worked out yet is no number', () => {
    expect(textOf(rows[0]!.querySelectorAll('td')[2]!)).toBe('…');
  });
});

test('a chance is shown with the span it may lie in; one that nobody knows says so', () => {
  const first = matrix(lampArm);
  const [a, b] = first.shortlist.ids as [string, string];
  const key = (id: string) => `${id} ${first.evaluations.get(id)!.best.orientation}`;
  const chance = { all: 0.981, low: 0.976, high: 0.985, draws: 4000 } as never;
  const { rows } = matrix(lampArm, {
    chances: new Map([
      [key(a), chance],
      [key(b), undefined],
    ]),
  });
  const cell = rows[0]!.querySelectorAll('td')[2]!;
  expect(textOf(cell)).toBe('98 %');
  expect(cell.getAttribute('title')).toMatch(/Between 9\d(\.\d)? % and 9\d(\.\d)? % \(95 %\), 4000 draws/);
  expect(textOf(rows[1]!.querySelectorAll('td')[2]!)).toBe('unknown');
});

test('sorted by a check the order follows its reserves', () => {
  const { rows, shortlist, evaluations } = matrix(lampArm, { ask: { sortBy: 'deflection-at-load', descending: true } });
  expect(rows).toHaveLength(70);
  const reserves = shortlist.ids.flatMap(
    (id) => evaluations.get(id)!.best.checks.find(({ checkId }) => checkId === 'deflection-at-load')?.reserve ?? [],
  );
  expect(reserves.length).toBeGreaterThan(50);
  expect(reserves).toEqual([...reserves].sort((x, y) => y - x));
});

test('a pinned grade stands at the top and says how to unpin it', () => {
  const { rows } = matrix(lampArm, { pinnedIds: ['ol-pa6'] });
  const pinned = rows[0]!;
  expect(pinned.querySelector('button[aria-pressed=true]')!.getAttribute('aria-label')).toBe(`Unpin ${nameOf(pinned)}`);
});

test('grouped, each group says how many it has, and together they have all', () => {
  const { root } = matrix(lampArm, { ask: { groupBy: 'family' } });
  const groups = root.querySelectorAll('th[scope=rowgroup]').map(textOf);
  const counts = groups.map((text) => Number(/\((\d+)\)$/.exec(text)![1]));
  expect(groups.length).toBeGreaterThan(10);
  expect(counts.reduce((a, b) => a + b)).toBe(70);
});

test('found by words, the others are gone; with none left the page says what was looked for', () => {
  expect(
    matrix(lampArm, { ask: { find: 'tarrowmill abs' } })
      .rows.map(nameOf)
      .every((name) => /Tarrowmill ABS/.test(name)),
  ).toBe(true);
  const none = matrix(lampArm, { ask: { find: 'no such grade' } });
  expect(none.rows).toHaveLength(0);
  expect(textOf(none.root)).toContain('No grade has these words');
});

test('inches and pounds reach cost, mass and heat', () => {
  const { rows } = matrix(lampArm, { circumstances: { units: 'inchPound' } });
  const facts = textOf(rows[0]!.querySelectorAll('td')[1]!);
  expect(facts).toMatch(/oz/);
  expect(facts).toMatch(/limit \d+ °F/);
});

test('weighted, every passing row says its merit; others have none', () => {
  const { rows, shortlist } = matrix(lampArm, { ask: { schoolId: 'weighted-merit' } });
  const merits = rows.map((row) => /merit (\d+)/.exec(textOf(row))?.[1]);
  expect(merits.slice(0, shortlist.counts.pass).every((merit) => merit !== undefined)).toBe(true);
  expect(merits.slice(shortlist.counts.pass).every((merit) => merit === undefined)).toBe(true);
  const numbers = merits.slice(0, shortlist.counts.pass).map(Number);
  expect(numbers).toEqual([...numbers].sort((a, b) => b - a));
});

test('the tray: where the range is not measured it is unknown, and nothing unknown has a place', () => {
  const { rows, shortlist, evaluations } = matrix(carrierTray);
  expect(shortlist.counts).toMatchObject({ pass: 1 });
  const unknown = rows.filter((_, i) => evaluations.get(shortlist.ids[i]!)!.best.status === 'unknown');
  expect(unknown).toHaveLength(shortlist.counts.unknown);
  for (const row of unknown) expect(textOf(row.querySelector('td')!)).toBe('');
});
