import type { Comparison } from '@anvilstone/core/decisions';
import { heaterDuct, lampArm, stampPad } from '@anvilstone/core/education/sample';
import { formatReserve } from '@anvilstone/core/foundations';
import type { Brief } from '@anvilstone/schema';
import { drawnFor, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { engineOf } from '../../workers/testEngine.ts';
import { BuysPanel } from './BuysPanel.tsx';
import { ChoiceWords } from './ChoiceWords.tsx';
import { CompareStage } from './CompareStage.tsx';
import { CostPanel } from './CostPanel.tsx';
import { FinalistsTable } from './FinalistsTable.tsx';
import { MeasurementsList } from './MeasurementsList.tsx';
import { PropertiesTable } from './PropertiesTable.tsx';
import { ReserveSpan } from './ReserveSpan.tsx';

const engine = engineOf(sampleWorkshop);
const IDS = ['tm-petg', 'tm-petg-gf', 'ne-abs'];
const compared = (brief: Brief, ids = IDS): Comparison => engine.compare(brief, ids, 'metric');
const ignore = () => undefined;
const cheapest = { schoolId: 'cheapest-that-passes' };

describe('three finalists for the lamp arm', () => {
  const comparison = compared(lampArm);
  const root = drawnFor(lampArm, <FinalistsTable comparison={comparison} onChoose={ignore} />);
  const rowOf = (title: string) =>
    root.querySelectorAll('tr').find((row) => row.querySelector('th')?.text.trim() === title)!;
  test('stand under their letters, the first of them the base', () => {
    const heads = root.querySelectorAll('thead th').slice(1).map(textOf);
    expect(heads).toHaveLength(3);
    expect(heads[0]).toContain('baseline, 100 %');
    heads.forEach((head, i) => expect(head).toContain(comparison.finalists[i]!.name));
    expect(heads.slice(1).every((head) => head.includes('Set as baseline'))).toBe(true);
  });
  test('sample data is said to be sample data', () =>
    expect(
      root
        .querySelectorAll('thead th')
        .slice(1)
        .every((head) => textOf(head).includes('sample data')),
    ).toBe(true));
  test('every check shows each reserve and its change against the base', () => {
    for (const row of comparison.checks) {
      // A check may have the name of a fact above it, such as mass.
      const cells = root.querySelectorAll(`tr:has(a[aria-label*=", ${row.title}: "]) td`);
      row.results.forEach((check, i) => {
        if (check.reserve !== null) expect(textOf(cells[i]!)).toContain(formatReserve(check.reserve));
        const percent = row.percents[i];
        if (i === 0 || typeof percent !== 'number' || Math.abs(percent) < 1) return;
        const [, sign, shown] = /([+−]) ([\d.]+) %/.exec(textOf(cells[i]!))!;
        expect((sign === '+' ? 1 : -1) * Number(shown)).toBeCloseTo(percent, percent > 100 ? 0 : 1);
      });
    }
  });
  test('the governing check of each stands out, one a column', () => {
    const governing = root.querySelectorAll('a[aria-label*=", governs"]');
    expect(governing).toHaveLength(3);
    expect(governing.every((link) => link.getAttribute('href')!.includes('&check='))).toBe(true);
  });
  test('cost, mass and time are said with what they differ by', () => {
    for (const title of ['Cost of one good part', 'Mass', 'Print time']) {
      const [base, ...others] = rowOf(title).querySelectorAll('td').map(textOf);
      expect(base).not.toMatch(/%/);
      for (const other of others) expect(other).toMatch(/%|equal/);
    }
  });
  test('each says how it fails, and leads to its decision', () => {
    expect(
      rowOf('Failure mode')
        .querySelectorAll('td')
        .every((cell) => textOf(cell).length > 3),
    ).toBe(true);
    const links = rowOf('Decide').querySelectorAll('a');
    expect(links.map((link) => link.getAttribute('aria-label'))).toEqual(
      comparison.finalists.map(({ name }) => `Choose ${name}`),
    );
  });
});

describe('properties like for like', () => {
  const comparison = compared(lampArm, ['tm-petg', 'ol-pa6', 'ne-abs']);
  const root = drawnFor(lampArm, <PropertiesTable comparison={comparison} />);
  test('one row a property and condition, no row twice', () => {
    const heads = root.querySelectorAll('tbody th').map(textOf);
    expect(heads).toHaveLength(comparison.properties.length);
    expect(new Set(heads).size).toBe(heads.length);
  });
  test('what nobody knows is unknown, never nought and never blank', () => {
    const cells = root.querySelectorAll('tbody td');
    expect(cells.every((cell) => textOf(cell) !== '')).toBe(true);
    const unknown = comparison.properties.flatMap(({ cells: all }) => all).filter(({ value }) => value === null);
    expect(cells.filter((cell) => textOf(cell) === 'unknown')).toHaveLength(unknown.length);
  });
  test('what may not be compared says why in place of a percentage', () => {
    const refused = comparison.properties
      .flatMap(({ cells }) => cells)
      .filter(({ against }) => against.kind === 'refused');
    const shown = root.querySelectorAll('td').filter((cell) => textOf(cell).includes('Not comparable:'));
    expect(shown).toHaveLength(refused.length);
    for (const cell of shown) expect(textOf(cell).split('Not comparable:')[0]).not.toMatch(/[+−] ?\d+ %/);
  });
});

describe('cost', () => {
  const columns = (brief: Brief) => {
    const comparison = compared(brief);
    const rows = drawnFor(brief, <CostPanel comparison={comparison} />, { at: '/parts/p1/compare' })
      .querySelectorAll('tbody tr')
      .map((row) => [textOf(row.querySelector('th')!), ...row.querySelectorAll('td').map(textOf)] as const);
    return { comparison, rows, row: (title: string) => rows.find(([name]) => name === title) };
  };
  const bare: Brief = { ...stampPad, asks: {} };
  test('the components of each add up to its total, which is that of the shortlist', () => {
    const { comparison, rows, row } = columns(bare);
    comparison.finalists.forEach(({ entry }, i) => {
      const numbers = rows.map((one) => Number(one[i + 1]));
      if (entry.costUsd === null) return;
      const total = Number(row('Total')![i + 1]);
      expect(total).toBeCloseTo(entry.costUsd, 2);
      expect(numbers.slice(0, -1).reduce((a, b) => a + b)).toBeCloseTo(total, 1);
    });
  });
  test('a consumable is said by its use, the changing counted with it; a lot by its sum', () => {
    const { comparison, row } = columns({
      ...bare,
      asks: { consumable: { uses: 50, changeOverUsd: 5 }, lot: { quantity: 8 } },
    });
    const total = comparison.finalists[0]!.entry.costUsd!;
    expect(Number(row('Cost per use, replacement included')![1])).toBeCloseTo((total + 5) / 50, 2);
    expect(Number(row('Lot of 8')![1])).toBeCloseTo(8 * total, 1);
    expect(columns(bare).row('Cost per use, replacement included')).toBeUndefined();
  });
});

describe('what the dearer one buys', () => {
  test('each step names both, the price between them and what it gains or loses', () => {
    const comparison = compared(lampArm);
    const root = drawnFor(lampArm, <BuysPanel comparison={comparison} wide />);
    const steps = root.querySelectorAll('li');
    expect(steps).toHaveLength(comparison.buys.length);
    steps.forEach((step, i) => {
      const { dearerId, cheaperId } = comparison.buys[i]!;
      const letter = (id: string) => comparison.finalists.find(({ gradeId }) => gradeId === id)!.letter;
      expect(textOf(step)).toContain(`${letter(cheaperId)} → ${letter(dearerId)}`);
      expect(textOf(step)).toMatch(/USD more|costs the same/);
      expect(textOf(step)).toMatch(/Gains|Loses|No reserve factor changes/);
    });
  });
  test('one without a price is named as left out', () => {
    const grades = sampleWorkshop.grades.map((grade) =>
      grade.id === 'ne-abs' ? { ...grade, pricePerKgUsd: null } : grade,
    );
    const library = { ...sampleWorkshop, grades };
    const comparison = engineOf(library).compare(lampArm, IDS, 'metric');
    const text = textOf(drawnFor(lampArm, <BuysPanel comparison={comparison} wide={false} />, { library }));
    const unpriced = comparison.finalists.filter(({ entry }) => entry.costUsd === null);
    if (unpriced.length > 0) expect(text).toContain(`cost unknown: ${unpriced[0]!.name}`);
    else expect(text).not.toContain('Left out');
  });
});

describe('in plain words', () => {
  test('the choice names the leader, and every number leads to its working', () => {
    const root = drawnFor(lampArm, <ChoiceWords preferences={cheapest} sizedSoFar={0} />);
    expect(textOf(root)).toContain('Nine Elms PETG Trade');
    const links = root.querySelectorAll('a');
    expect(links.length).toBeGreaterThan(2);
    expect(links.every((link) => link.getAttribute('href')!.startsWith('/parts/p1/shortlist?grade='))).toBe(true);
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
  test('with a wanted confidence it says so', () =>
    expect(
      textOf(drawnFor(lampArm, <ChoiceWords preferences={{ ...cheapest, leastChance: 0.95 }} sizedSoFar={0} />)),
    ).toContain('confidence 95 %'));
  test('where nobody passes, nobody is praised', () => {
    const impossible = { ...lampArm, asks: { ...lampArm.asks, maxMassG: 1 } };
    expect(textOf(drawnFor(impossible, <ChoiceWords preferences={cheapest} sizedSoFar={0} />))).toMatch(
      /No|nobody|none/i,
    );
  });
});

test('the one measurement that helps most is named with its chance, or that none would', () => {
  const root = drawnFor(heaterDuct, <MeasurementsList preferences={cheapest} />);
  const found = engine.measurements(heaterDuct, cheapest);
  expect(root.querySelectorAll('li')).toHaveLength(found.length);
  if (found.length === 0) expect(textOf(root)).toContain('None: no single measurement');
  for (const item of root.querySelectorAll('li'))
    expect(textOf(item)).toMatch(/probability that the choice changes|is not known/);
});

describe('a span of reserves', () => {
  const range = { least: 0.5, most: 4 };
  test('is drawn from the smaller to the larger, whichever comes first', () => {
    const x = (low: number, high: number) => {
      const bar = drawnFor(lampArm, <ReserveSpan low={low} high={high} range={range} />).querySelector('rect')!;
      return [Number(bar.getAttribute('x')), Number(bar.getAttribute('width'))];
    };
    expect(x(0.8, 2)).toEqual(x(2, 0.8));
    expect(x(0.8, 2)[1]).toBeGreaterThan(x(1, 1.2)[1]!);
  });
  test.each([
    [null, 2],
    [1, null],
    [0, 2],
  ])('%p to %p is not known', (low, high) =>
    expect(textOf(drawnFor(lampArm, <ReserveSpan low={low} high={high} range={range} />))).toBe('unknown'),
  );
});

test('with fewer than two the stage says what is missing', () =>
  expect(textOf(drawnFor(lampArm, <CompareStage />, { at: '/parts/p1/compare?grades=tm-petg' }))).toContain(
    'Choose at least two grades to compare',
  ));
