import { dripCup, gaugeBeam, heaterDuct, lampArm, sampleBriefs } from '@anvilstone/core/education/sample';
import { formatReserve } from '@anvilstone/core/foundations';
import { CRITERION_WORDS } from '@anvilstone/core/shapes';
import type { Layup } from '@anvilstone/schema';
import { ChartFigure } from '../../charts/ChartFigure.tsx';
import { drawn, drawnFor, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import { engineOf } from '../../workers/testEngine.ts';
import { FillingsTable } from './FillingsTable.tsx';
import { FibreTab } from './fibre/FibreTab.tsx';
import { FIRST_LAYUP } from './layup/useLayup.ts';
import { LaminateFacts } from './layup/LaminateFacts.tsx';
import { FoamTable } from './FoamTable.tsx';
import { SplitTab } from './SplitTab.tsx';
import { WaysTable } from './WaysTable.tsx';
import { WayUpTab } from './WayUpTab.tsx';

const engine = engineOf(sampleWorkshop);
const sampleLayup: Layup = {
  ...FIRST_LAYUP,
  loads: [...(FIRST_LAYUP.loads ?? []), { name: 'Sheared', nxyNPerMm: 10 }],
};

describe.each(sampleBriefs.map((brief) => [brief.title, brief] as const))(
  'build orientations of %s',
  (_title, brief) => {
    const found = engine.ways(brief, 'ne-petg');
    const root = drawnFor(brief, <WaysTable found={found} gradeId="ne-petg" />);
    test('each way has a column, one of them recommended', () => {
      const heads = root.querySelectorAll('thead th').slice(1).map(textOf);
      expect(heads).toHaveLength(found.ways.length);
      expect(heads.filter((head) => head.includes('recommended')).length).toBeLessThanOrEqual(1);
      found.ways.forEach((way, i) => {
        if (!way.allowed && way.id !== found.recommendedId) expect(heads[i]).toMatch(/excluded by the brief|selected/);
      });
    });
    test('each reserve is the one worked out, and what governs is ringed', () => {
      const rows = root.querySelectorAll('tbody tr');
      found.checkIds.forEach((checkId, row) => {
        found.ways.forEach((way, column) => {
          const cell = rows[row]!.querySelectorAll('td')[column]!;
          const result = way.entry.checks.find((one) => one.checkId === checkId);
          if (!result) expect(textOf(cell)).toBe('–');
          else if (result.reserve !== null) expect(textOf(cell)).toContain(formatReserve(result.reserve));
          expect(cell.innerHTML.includes('ring-ember')).toBe(way.entry.governingCheckId === checkId);
        });
      });
    });
  },
);

test('a part that may only lie flat: no check changes with the tilt, and that is said in place of a diagram', () => {
  const root = drawnFor(dripCup, <WayUpTab gradeId="ne-petg" />);
  expect(textOf(root)).toContain('No check changes with the tilt.');
  expect(textOf(root)).toContain('No data to draw.');
  expect(textOf(root)).toMatch(/Whatever the tilt: .+ \d/);
});

test('a diagram with lines has its numbers as a table, and can be taken along', () => {
  const chart = engine.tiltSweep(lampArm, 'ne-petg', 'ZX');
  const root = drawn(<ChartFigure chart={chart} />);
  expect(root.querySelector('button')!.getAttribute('aria-label')).toBe(`Save “${chart.title}” as SVG`);
  const heads = root.querySelectorAll('thead th').map(textOf);
  expect(heads).toHaveLength(chart.lines.length + 1);
  const first = root.querySelector('tbody tr')!.querySelectorAll('td').map(textOf);
  expect(Number(first[0])).toBe(0);
  chart.lines.forEach(({ points }, i) => expect(Number(first[i + 1])).toBeCloseTo(points[0]!.y, 1));
});

describe('fillings', () => {
  const fillings = engine.fillings(lampArm, 'ne-petg');
  const root = drawnFor(lampArm, <FillingsTable title="Fillings" fillings={fillings} now={undefined} />);
  test('each can be taken but the one that is set', () => {
    const rows = root.querySelectorAll('tbody tr');
    expect(rows).toHaveLength(fillings.length);
    expect(rows.filter((row) => textOf(row).includes('current'))).toHaveLength(1);
    expect(root.querySelectorAll('button[aria-label^="Apply "]')).toHaveLength(fillings.length - 1);
  });
  test('less inside weighs less', () => {
    const grams = fillings.map(({ entry }) => entry.massG!);
    const solid = fillings.findIndex(({ filled }) => filled === undefined);
    expect(Math.max(...grams)).toBe(grams[solid]);
  });
  test('with none it says what to do', () =>
    expect(
      textOf(
        drawnFor(
          lampArm,
          <FillingsTable title="Of that mass" fillings={[]} now={undefined} empty="None weighs that." />,
        ),
      ),
    ).toContain('None weighs that.'));
});

describe('foam', () => {
  const foaming = sampleWorkshop.grades.find(({ id }) => engine.foams(lampArm, id) !== undefined);
  test('a grade that does not foam shows nothing of it', () =>
    expect(drawnFor(lampArm, <FoamTable gradeId="ne-petg" />).innerHTML).toBe(''));
  test('one that does gets lighter as the nozzle gets hotter, and one of its rows is set', () => {
    expect(foaming).toBeDefined();
    const rows = drawnFor(lampArm, <FoamTable gradeId={foaming!.id} />).querySelectorAll('tbody tr');
    const found = engine.foams(lampArm, foaming!.id)!;
    expect(rows).toHaveLength(found.length);
    expect(rows.filter((row) => textOf(row).includes('current'))).toHaveLength(1);
    const densities = found.map(({ densityGPerCm3 }) => densityGPerCm3);
    expect(densities).toEqual([...densities].sort((a, b) => b - a));
  });
});

describe('two materials', () => {
  test('each way of joining says the bond it needs, or why it is not known', () => {
    const root = drawnFor(lampArm, <SplitTab gradeId="ne-petg" />, { at: '/parts/p1/build?grade=ne-petg&show=split' });
    const rows = root.querySelectorAll('tbody tr');
    expect(rows.length).toBeGreaterThan(4);
    for (const row of rows) expect(textOf(row)).toMatch(/passes|fails|not known/);
    expect(rows.filter((row) => / alone/.test(textOf(row)))).toHaveLength(2);
  });
  test('in inches the skins are inches', () => {
    const root = drawnFor(lampArm, <SplitTab gradeId="ne-petg" />, {
      at: '/parts/p1/build?show=split',
      units: 'inchPound',
    });
    const titles = root
      .querySelectorAll('tbody th')
      .map(textOf)
      .filter((title) => title.includes(' around '));
    expect(titles.length).toBeGreaterThan(0);
    for (const title of titles) expect(title).toMatch(/^0\.\d+ in of /);
  });
});

test('fibre stands beside thickening and filled grades, with a verdict from the numbers', () => {
  const root = drawnFor(gaugeBeam, <FibreTab gradeId="tm-pla-cf" />, { at: '/parts/p1/build?show=fibre' });
  const status = root.querySelectorAll('[role=status]').map(textOf).join(' ');
  expect(status).toMatch(/fibre/i);
  expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
});

describe('a layup', () => {
  const report = engine.laminate(sampleLayup);
  const root = drawnFor(lampArm, <LaminateFacts report={report} />);
  test('says its plies and thickness, and what it is as one material', () => {
    expect(textOf(root)).toContain(`${report.plies.length} plies, `);
    const [ex] = root.querySelectorAll('tbody tr');
    expect(textOf(ex!)).toMatch(/^Ex, MPa/);
    expect(Number(textOf(ex!.querySelectorAll('td')[0]!))).toBeCloseTo(report.inPlane.exMPa, -2);
  });
  test('each load names the ply that gives first by every criterion, and how far they differ', () => {
    for (const load of report.loads) {
      const panel = root
        .querySelectorAll('section')
        .find((one) => one.getAttribute('aria-label')?.endsWith(load.name))!;
      const criteria = panel.querySelectorAll('tbody th').map(textOf);
      expect(criteria.slice(0, load.failures.length)).toEqual(
        load.failures.map(({ criterion }) => CRITERION_WORDS[criterion]),
      );
      if (load.failures.length > 0) expect(textOf(panel)).toMatch(/criteria agree|criteria differ by/);
    }
  });
  test('a mirrored layup lies flat when it cools', () => {
    expect(textOf(root)).toContain('bow by 0 mm along x and 0 mm along y');
  });
});

test('the duct’s fibre is not promised where its kind of part takes none', () => {
  const root = drawnFor(heaterDuct, <FibreTab gradeId="ol-pc" />, { at: '/parts/p1/build?show=fibre' });
  expect(root.querySelector('table')).toBeNull();
  expect(textOf(root)).toMatch(/strand|fibre/i);
});
