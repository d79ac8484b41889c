import type { Grade, Observation, PartGeometry } from '@anvilstone/schema';
import Papa from 'papaparse';
import { briefWith, testGrade } from '../../checks/testContext.ts';
import { evaluate } from '../../evaluation/evaluating/evaluate.ts';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import { PLENTY } from '../../foundations/units/formatQuantity.ts';
import { compareFinalists } from './comparison.ts';
import { comparisonCsv } from './csv.ts';
import { costRows } from './costParts.ts';
import { fillerSets } from './fillerSets.ts';

const IDS = ['tm-petg', 'tm-petg-gf', 'ne-abs'];
const comparison = compareFinalists(lampArm, sampleLibrary, IDS);
const full = new Map(evaluate(lampArm, sampleLibrary).grades.map((one) => [one.gradeId, one.best]));
const chartOf = (id: string, of = comparison) => of.charts.find((one) => one.id === id)!;

test('finalists stand exactly where the shortlist has them, lettered in the order given', () => {
  expect(comparison.finalists.map(({ gradeId, letter }) => [letter, gradeId])).toEqual([
    ['A', 'tm-petg'],
    ['B', 'tm-petg-gf'],
    ['C', 'ne-abs'],
  ]);
  for (const { gradeId, entry } of comparison.finalists) expect(entry).toEqual(full.get(gradeId));
});

test('every percentage is of the first one', () => {
  for (const { results, percents } of comparison.checks) {
    const base = results[0]!.reserve;
    if (base === null || base > PLENTY) {
      expect(percents.every((one) => one === null)).toBe(true);
      continue;
    }
    expect(percents[0]).toBe(0);
    results.forEach(({ reserve }, i) => {
      if (reserve !== null && reserve > PLENTY) expect(percents[i]).toBeNull();
      else if (reserve !== null) expect(base * (1 + percents[i]! / 100)).toBeCloseTo(reserve, 9);
    });
  }
});

test.each([
  [[], 'two to five'],
  [['tm-petg'], 'two to five'],
  [['a', 'b', 'c', 'd', 'e', 'f'], 'two to five'],
  [['tm-petg', 'tm-petg'], 'each grade once'],
  [['tm-petg', 'not-there'], 'a grade of the library'],
])('%p is refused: %s', (ids, why) => {
  expect(() => compareFinalists(lampArm, sampleLibrary, ids)).toThrow(why);
});

describe('cost', () => {
  test('its components add up to the cost of a good part, as do the bars of the chart', () => {
    const rows = costRows(comparison.finalists);
    expect(rows.map(({ id }) => id)).toEqual(
      expect.arrayContaining(['filament', 'machine', 'drying', 'labour', 'scrap', 'setup']),
    );
    comparison.finalists.forEach(({ entry }, i) => {
      expect(rows.reduce((sum, { usd }) => sum + usd[i]!, 0)).toBeCloseTo(entry.costUsd!, 9);
      expect(comparison.cost.bars[i]!.values.reduce((sum, one) => sum + one, 0)).toBeCloseTo(entry.costUsd!, 9);
    });
  });
  test('a component that nobody pays for is left out, and who has no cost has none of its components', () => {
    const [first, second] = comparison.finalists;
    const rows = costRows([{ ...first!, cost: null }, second!]);
    expect(rows.every(({ usd }) => usd[0] === null)).toBe(true);
    expect(rows.some(({ id }) => id === 'strands')).toBe(false);
  });
});

describe('what the dearer buys', () => {
  test('step by step up the prices, with what changes by 5 % or more, cost left out', () => {
    const costOf = (id: string) => full.get(id)!.costUsd!;
    const order = [...IDS].sort((a, b) => costOf(a) - costOf(b));
    expect(comparison.buys.map(({ cheaperId, dearerId }) => [cheaperId, dearerId])).toEqual([
      [order[0], order[1]],
      [order[1], order[2]],
    ]);
    for (const { cheaperId, dearerId, gains, losses, moreUsd } of comparison.buys) {
      expect(moreUsd).toBeCloseTo(costOf(dearerId) - costOf(cheaperId), 9);
      for (const { checkId, from, to } of [...gains, ...losses]) {
        expect(checkId).not.toBe('cost-limit');
        expect(Math.abs(to / from - 1)).toBeGreaterThanOrEqual(0.05);
      }
      expect(gains.every(({ from, to }) => to > from)).toBe(true);
      expect(losses.every(({ from, to }) => to < from)).toBe(true);
    }
  });
});

describe('curves', () => {
  test('the modulus that the part needs is E over the reserve of its deflection, to the temperature of the load', () => {
    // 4·F·L³/(E·b·t³) = δ, and a little shear: 2000 MPa · reserve⁻¹
    const arm: PartGeometry = {
      model: 'cantilever-arm',
      spanMm: 400,
      section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
      filletRadiusMm: 30,
    };
    const brief = briefWith({ kind: 'short', forceN: 2, maxDeflectionMm: 20, temperatureC: 23 }, arm);
    const library = { ...sampleLibrary, grades: [testGrade, { ...testGrade, id: 'twin' }] };
    const { needs } = chartOf('modulus-over-temperature', compareFinalists(brief, library, ['round-abs', 'twin']));
    expect(needs).toHaveLength(1);
    expect(needs[0]!.x).toBe(23);
    expect(needs[0]!.y / ((4 * 2 * 400 ** 3) / (20 * 20 * 10 ** 3))).toBeCloseTo(1, 2);
  });
  test('sag reaches at the asked time what the check says', () => {
    const { lines, limits, marks } = chartOf('sag-over-time');
    const asked = marks[0]!.x;
    expect(limits[0]!.y).toBe(lampArm.loadCases.find(({ maxSagMm }) => maxSagMm !== undefined)!.maxSagMm);
    comparison.finalists.forEach(({ entry }, i) => {
      const check = entry.checks.find(({ checkId }) => checkId === 'sag-after-duration')!;
      const { points } = lines[i]!;
      const after = points.findIndex(({ x }) => x >= asked);
      expect(points[after - 1]!.y).toBeLessThanOrEqual(check.demand!);
      expect(points[after]!.y).toBeGreaterThanOrEqual(check.demand!);
    });
  });
  test('strength falls from within the layers to across them, and the build orientations stand at their angles', () => {
    const { lines, marks, needs } = chartOf('strength-over-angle');
    for (const { points } of lines) {
      expect(points[0]!.x).toBe(0);
      expect(points.at(-1)!.x).toBe(90);
      expect(points[0]!.y).toBeGreaterThan(points.at(-1)!.y);
    }
    expect(marks).toEqual([
      { label: 'XY, XZ', x: 0 },
      { label: 'ZX', x: 90 },
    ]);
    const check = comparison.finalists[0]!.entry.checks.find(({ checkId }) => checkId === 'strength-in-plane')!;
    expect(needs[0]!.y).toBeCloseTo(check.demand!, 9);
    expect(lines[0]!.points[0]!.y).toBeCloseTo(check.capacity!, 9);
  });
});

describe('properties', () => {
  const row = (title: string, condition: string, of = comparison) =>
    of.properties.find((one) => one.title === title && one.condition.startsWith(condition))!;
  test('each row has one condition; stiffness and strength stand again across the layers and at the warmest', () => {
    const conditions = comparison.properties
      .filter(({ title }) => title === 'Tensile modulus')
      .map((one) => one.condition);
    expect(conditions).toEqual([
      'in plane, 23 °C, equilibrium at 50 % RH',
      'across layers, 23 °C, equilibrium at 50 % RH',
      'in plane, 50 °C, equilibrium at 50 % RH',
    ]);
    expect(new Set(comparison.properties.map(({ id }) => id)).size).toBe(comparison.properties.length);
  });
  test('percent of the base, kelvin for temperatures, decades for resistivity', () => {
    const [base, filled] = row('Tensile modulus', 'in plane, 23').cells;
    expect(base!.against).toEqual({ kind: 'base' });
    expect(filled!.against).toEqual({ kind: 'percent', percent: 100 * (filled!.value! / base!.value! - 1) });
    expect(row('HDT at 1.8 MPa', '').cells[1]!.against.kind).toBe('kelvin');
    expect(row('Surface resistivity', '').cells[1]!.against.kind).toBe('decades');
  });
  test('what resolving does not carry over is refused with its reason, not compared', () => {
    const notched = (id: string, notchRadiusMm: number): Grade => ({
      ...testGrade,
      id,
      observations: [
        ...testGrade.observations,
        {
          id: 'c',
          property: 'charpyNotched',
          value: 8,
          unit: 'kJ/m²',
          notchRadiusMm,
          source: 'bench',
          count: 5,
          specimen: 'printed',
          orientation: 'XY',
          conditioning: 'dry',
          reference: 'bench',
        } as Observation,
      ],
    });
    const library = { ...sampleLibrary, grades: [notched('a', 0.25), notched('b', 1)] };
    const { cells } = row(
      'Charpy impact, notched',
      '',
      compareFinalists(briefWith({ forceN: 5 }), library, ['a', 'b']),
    );
    expect(cells[1]!.against).toEqual({
      kind: 'refused',
      why: expect.stringMatching(/0\.25 mm against 1 mm/) as string,
    });
  });
});

test('ready comparisons: the neat grade first, then its filled ones of the same maker and family', () => {
  const sets = fillerSets(sampleLibrary.grades);
  expect(sets.length).toBeGreaterThan(3);
  const byId = new Map(sampleLibrary.grades.map((grade) => [grade.id, grade]));
  for (const { gradeIds } of sets) {
    const grades = gradeIds.map((id) => byId.get(id)!);
    expect(grades[0]!.reinforcementId).toBeNull();
    expect(grades.slice(1).every(({ reinforcementId }) => reinforcementId !== null)).toBe(true);
    expect(new Set(grades.map(({ maker, familyId }) => `${maker} ${familyId}`)).size).toBe(1);
    expect(grades.length).toBeLessThanOrEqual(5);
  }
  expect(sets.map(({ title }) => title)).toContain('PETG of Tarrowmill: neat ↔ glass fibre ↔ carbon fibre');
});

test('the table for spreadsheets holds the same numbers, and no name runs as a formula', () => {
  const evil = {
    ...sampleLibrary,
    grades: sampleLibrary.grades.map((one) => (one.id === 'ne-abs' ? { ...one, name: '=1+1' } : one)),
  };
  const { data } = Papa.parse<string[]>(
    comparisonCsv(lampArm, compareFinalists(lampArm, evil, IDS))
      .replace('\uFEFF', '')
      .trim(),
  );
  expect(data[1]).toEqual([
    'what',
    'condition',
    'unit',
    'Tarrowmill PETG Clearway',
    'Tarrowmill PETG G15',
    'against Tarrowmill PETG Clearway',
    "'=1+1",
    'against Tarrowmill PETG Clearway',
  ]);
  const cost = data.find(([what]) => what === 'cost of one good part')!;
  expect(Number(cost[3])).toBeCloseTo(full.get('tm-petg')!.costUsd!, 9);
  expect(cost[5]).toBe(
    `${(100 * (full.get('tm-petg-gf')!.costUsd! / full.get('tm-petg')!.costUsd! - 1)).toFixed(1)} %`,
  );
  expect(new Set(data.map((row) => row.length))).toEqual(new Set([8]));
});
