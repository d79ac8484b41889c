import { inWords } from '@anvilstone/core/foundations';
import { gaugeBeam, heaterDuct, lampArm, sampleBriefs, sampleLibrary } from '@anvilstone/core/education/sample';
import {
  evaluate,
  EQUAL_WEIGHTS,
  findRankingMethod,
  MERIT_CRITERIA,
  rankingMethods,
  explain,
} from '@anvilstone/core/evaluation';
import type { Brief, CheckResult } from '@anvilstone/schema';
import { drawn, drawnFor, LEAKS, sampleWorkshop, textOf, wordsOf } from '../../testing/testPage.tsx';
import type { Shortlist } from '../../workers/leaders.ts';
import { engineOf } from '../../workers/testEngine.ts';
import { ChancePanel } from './grade/ChancePanel.tsx';
import { FixesPanel } from './grade/FixesPanel.tsx';
import { HeatPanel } from './grade/HeatPanel.tsx';
import { MovedLine } from './table/MovedLine.tsx';
import { percent } from './confidence/percent.ts';
import { RankingMethodStrip } from './ranking/RankingMethodStrip.tsx';
import { EqualMassRow, SizeRow } from './sized/SizeRow.tsx';
import { ViewSwitch } from './ViewSwitch.tsx';
import { WeightsBar } from './ranking/WeightsBar.tsx';
import { WorkingTable } from './grade/WorkingTable.tsx';

const engine = engineOf(sampleWorkshop);
const ignore = () => undefined;
const gradeOf = (id: string) => sampleWorkshop.grades.find((grade) => grade.id === id)!;
const grades = new Map(sampleWorkshop.grades.map((grade) => [grade.id, grade]));
const shortlistOf = (brief: Brief, schoolId: string, comparedWith?: string): Shortlist =>
  engine.shortlist(
    brief,
    { schoolId, groupBy: 'none', find: '', pinnedIds: [], ...(comparedWith ? { comparedWith } : {}) },
    { schoolId },
  );

describe.each(sampleBriefs.map((brief) => [brief.title, brief] as const))('the working of %s', (_title, brief) => {
  const explained = engine.explain(brief, 'ne-petg', 'XY');
  test.each(explained.map((check) => [check.checkId, check] as const))('%s can be followed', (_id, check) => {
    const root = drawnFor(brief, <WorkingTable check={check} />);
    const steps = root.querySelectorAll('tbody tr');
    expect(steps).toHaveLength((check.working ?? []).length);
    for (const step of steps) {
      const [, meaning, value] = step.querySelectorAll('td');
      expect(textOf(meaning!)).not.toBe('');
      expect(textOf(value!)).not.toBe('');
    }
    if (check.reserve !== null) expect(textOf(root)).toMatch(/: reserve (\d+\.\d\d|> 20), (passes|fails)/);
    expect(textOf(root.querySelector('h3')!)).not.toBe('');
    expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
  });
});

test('a check that is not known says that it does not pass, and what is missing', () => {
  const check: CheckResult = {
    checkId: 'sag-after-duration',
    status: 'unknown',
    reserve: null,
    demand: null,
    capacity: null,
    unit: 'mm',
    evidence: null,
    gaps: ['Its creep has never been measured'],
  } as unknown as CheckResult;
  const text = textOf(drawnFor(lampArm, <WorkingTable check={check} />));
  expect(text).toContain('Unknown, so it does not pass. Its creep has never been measured.');
  expect(text).not.toMatch(/reserve \d/);
});

describe('what would make it pass', () => {
  const failing = engine
    .ranking(heaterDuct, 'cheapest-that-passes')
    .filter(({ best }) => best.status === 'fail')
    .slice(0, 3);
  test.each(failing.map(({ gradeId }) => [gradeId]))(
    '%s: every change says price and what governs then, and can be applied',
    (id) => {
      const root = drawnFor(heaterDuct, <FixesPanel grade={gradeOf(id)} />);
      const fixes = engine.fixes(heaterDuct, id).proposals;
      const items = root.querySelectorAll('li');
      expect(items).toHaveLength(fixes.length);
      items.forEach((item, i) => {
        expect(textOf(item)).toContain(inWords(fixes[i]!.title));
        expect(textOf(item)).toMatch(/USD|cost unknown|same cost/);
        expect(textOf(item)).toMatch(/governs/);
        expect(item.querySelector('button, a')).not.toBeNull();
        if (fixes[i]!.isDecision) expect(textOf(item)).toContain('A decision, not a fix');
      });
      if (fixes.length === 0) expect(textOf(root)).toContain('No single change does');
    },
  );
});

describe('heat', () => {
  const best = engine.oneWay(lampArm, 'ne-petg', 'XZ')!;
  test('says to where the part holds, beside what the data sheet’s HDT would suggest', () => {
    const root = drawnFor(lampArm, <HeatPanel gradeId="ne-petg" entry={best} />);
    expect(textOf(root)).toMatch(/the limit under load is \d+(\.\d)? °C, limited by thermal ageing/);
    expect(textOf(root)).toMatch(/HDT of \d+/);
    expect(root.querySelector('svg')).not.toBeNull();
  });
  test('where nothing is known of it no curve is drawn', () => {
    const root = drawnFor(lampArm, <HeatPanel gradeId="ne-petg" entry={{ ...best, ownHeatLimitC: null }} />);
    expect(textOf(root)).toContain('Unknown: this grade’s behaviour in heat is not known.');
    expect(root.querySelector('svg')).toBeNull();
  });
});

test('the chance of a grade is said with each check’s own', () => {
  const root = drawnFor(lampArm, <ChancePanel gradeId="ne-petg" orientation="XZ" />);
  expect(textOf(root)).toMatch(/9[78](\.\d)? %/);
  expect(wordsOf(root).filter((text) => LEAKS.test(text))).toEqual([]);
});

describe('sized', () => {
  const { drawnMm, rows } = engine.sized(lampArm, ['ne-petg', 'ne-pla', 'ol-pa6-gf'])!;
  test('a row says size, change against the drawing, mass, cost, time, height and what then governs', () => {
    for (const row of rows) {
      if (!row.ok) continue;
      const root = drawnFor(lampArm, <SizeRow row={row} drawnMm={drawnMm} />);
      expect(textOf(root)).toMatch(/\d mm/);
      expect(textOf(root)).toMatch(/as drawn|[+−]\d+ %/);
      expect(textOf(root)).toMatch(/\d g/);
      expect(textOf(root)).toMatch(/USD/);
      expect(root.querySelector('button')!.getAttribute('aria-label')).toMatch(/^Apply the size of /);
    }
    expect(rows.some(({ ok }) => ok)).toBe(true);
  });
  test('at equal mass every part weighs the same', () => {
    const equal = engine.equalMass(lampArm, 80, ['ne-petg', 'ol-pa6-gf'])!;
    for (const row of equal.rows) {
      if (!row.ok) continue;
      expect(row.entry.massG).toBeCloseTo(80, 1);
      expect(textOf(drawnFor(lampArm, <EqualMassRow row={row} drawnMm={equal.drawnMm} />))).toMatch(/Apply this size/);
    }
  });
});

describe('ranking methods', () => {
  const leaders = shortlistOf(lampArm, 'cheapest-that-passes').leaders;
  const strip = (chosen: string, sizing?: number, of = leaders) =>
    drawn(
      <RankingMethodStrip
        chosen={findRankingMethod(chosen)}
        leaders={of}
        grades={grades}
        sizing={sizing}
        onChange={ignore}
      />,
    );
  test('stand side by side, one of them chosen, each with whom it puts first', () => {
    const radios = strip('cheapest-that-passes').querySelectorAll('[role=radio]');
    expect(radios).toHaveLength(rankingMethods.length);
    expect(radios.filter((one) => one.getAttribute('aria-checked') === 'true')).toHaveLength(1);
    expect(textOf(radios[0]!)).toContain('Nine Elms PETG Trade');
    expect(radios.every((one) => one.getAttribute('title')!.length > 20)).toBe(true);
  });
  test('what is not sized yet says how to have it sized', () => {
    // Nobody has asked for sizes of this one.
    const unsized = shortlistOf(gaugeBeam, 'cheapest-that-passes').leaders;
    expect(textOf(strip('cheapest-that-passes', undefined, unsized))).toContain('select to size all grades');
    expect(textOf(strip('cheapest-that-passes', 0.4, unsized))).toContain('sizing …');
    expect(textOf(strip('cheapest-that-passes', 1, unsized))).toContain('none can be sized');
  });
  test('the others say where they rank the first of the chosen one', () =>
    expect(textOf(strip('cheapest-that-passes'))).toMatch(/agrees|ranks your first \d+(st|nd|rd|th)/));
  test('after a change it is said what that moved', () => {
    const line = (now: string, before?: string) =>
      textOf(
        drawn(<MovedLine sentence="What it asks." shortlist={shortlistOf(lampArm, now, before)} grades={grades} />),
      );
    expect(line('cheapest-that-passes')).toBe('What it asks.');
    expect(line('weakest-link', 'cheapest-that-passes')).toMatch(
      /\d+ places changed; .+ leads instead of Nine Elms PETG Trade\./,
    );
  });
});

describe('weights', () => {
  test('are a bar of a hundred parts whose joints can be moved by keyboard', () => {
    const root = drawn(<WeightsBar weights={EQUAL_WEIGHTS} onChange={ignore} />);
    const shares = root.querySelectorAll('strong').map((one) => Number.parseInt(textOf(one), 10));
    expect(shares.reduce((a, b) => a + b)).toBe(100);
    const joints = root.querySelectorAll('[role=slider]');
    expect(joints).toHaveLength(MERIT_CRITERIA.length - 1);
    for (const joint of joints) {
      expect(joint.getAttribute('tabindex')).toBe('0');
      expect(joint.getAttribute('aria-valuetext')).toMatch(/\d+, .+ \d+$/);
    }
  });
});

test('the four views are offered, and the one that is shown says so', () => {
  const root = drawn(<ViewSwitch view="map" onChange={ignore} />);
  const chosen = root.querySelectorAll('[aria-checked=true],[aria-pressed=true],[data-state=on],[data-state=checked]');
  expect(chosen.length).toBeGreaterThan(0);
});

test.each([
  [0.9812, '98 %'],
  [0.9996, '> 99.9 %'],
  [1, '> 99.9 %'],
  [0.997, '> 99 %'],
  [0.002, '< 0.5 %'],
  [0, '0 %'],
])('a share of %f is told as %s', (share, text) => expect(percent(share)).toBe(text));

test('what passes is what the evaluation says, in every sample part', () => {
  for (const brief of sampleBriefs) {
    const { counts } = shortlistOf(brief, 'cheapest-that-passes');
    const found = evaluate(brief, sampleWorkshop, { rules: sampleWorkshop.rules }).grades;
    expect(counts.pass).toBe(found.filter(({ best }) => best.status === 'pass').length);
    expect(counts.pass + counts.unknown + counts.fail).toBe(sampleWorkshop.grades.length);
  }
  expect(shortlistOf(gaugeBeam, 'cheapest-that-passes').leaders[0]!.first).toBeDefined();
});

test('the working tells what it comes to in inches and pounds, with the value that the formulas reckon in beside it', () => {
  const [check] = explain(lampArm, sampleLibrary, 'ne-petg', 'XZ');
  const rows = drawnFor(lampArm, <WorkingTable check={check!} />, { units: 'inchPound' }).querySelectorAll('tr');
  const force = rows.map((row) => row.querySelectorAll('td').map(textOf)).find(([symbol]) => symbol === 'F')!;
  const [, pounds, newtons] = /^([\d.]+) lbf([\d.]+) N$/.exec(force[2]!)!;
  expect(Number(pounds) * 4.4482216).toBeCloseTo(Number(newtons), 1);
  const concentration = rows.map((row) => row.querySelectorAll('td').map(textOf)).find(([symbol]) => symbol === 'Kt')!;
  expect(concentration[2]).toMatch(/^[\d.]+ ×$/);
});

test('a load keeps the name that somebody gave it, whatever the units', () => {
  const named = { ...lampArm, loadCases: lampArm.loadCases.map((one) => ({ ...one, name: 'Pull of 20 N at 5 mm' })) };
  const [check] = explain(named, sampleLibrary, 'ne-petg', 'XZ');
  const root = drawnFor(named, <WorkingTable check={check!} />, { units: 'inchPound' });
  const meanings = root.querySelectorAll('tr').map((row) => textOf(row.querySelectorAll('td')[1]!));
  expect(meanings).toContain('Pull of 20 N at 5 mm');
});
