import { inWords, joined } from '@anvilstone/core/foundations';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { checks } from '../../checks/index.ts';
import { gaugeBeam, lampArm, sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { prepareMaterial } from '../../materials/behaviour/material.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { resultDifferences } from './compareResults.ts';
import { materialDemands } from './demands.ts';
import { evaluate, explain } from './evaluate.ts';
import { funnel } from './funnel.ts';
import { preparePart } from './preparePart.ts';
import { rank } from '../ranking/ranking.ts';
import { reserveOverTemperature } from './reserveOverTemperature.ts';

const arm = {
  ...lampArm,
  loadCases: [
    {
      id: 'load',
      name: 'Load',
      forceN: 12,
      durationH: 1000,
      temperatureC: 23,
      safetyFactor: 2,
      actsWhenHot: true,
      maxSagMm: 6,
    },
  ],
  asks: {},
} satisfies Brief;
const at = (temperatureC: number): Brief => ({
  ...arm,
  loadCases: arm.loadCases.map((loadCase) => ({ ...loadCase, temperatureC })),
});
const passing = (brief: Brief) =>
  evaluate(brief, sampleLibrary)
    .grades.filter((grade) => grade.best.status === 'pass')
    .map((grade) => grade.gradeId);
const checkOf = (brief: Brief, gradeId: string, orientation: BuildOrientation, checkId: string) =>
  evaluate(brief, sampleLibrary)
    .grades.find((grade) => grade.gradeId === gradeId)!
    .entries.find((entry) => entry.orientation === orientation)!
    .checks.find((check) => check.checkId === checkId)!;

describe('a physically sensible story', () => {
  test('families drop out in the order of their softening at 23, 60, 85 and 110 °C', () => {
    const [cool, warm, hot, hottest] = [23, 60, 85, 110].map((temperatureC) => passing(at(temperatureC)));
    expect(cool).toEqual(expect.arrayContaining(['tm-pla', 'tm-petg', 'tm-abs', 'ol-pc', 'ht-ppa-cf']));
    expect(warm).not.toContain('tm-pla');
    expect(warm).toEqual(expect.arrayContaining(['tm-abs', 'tm-asa', 'ol-pc', 'ol-pa6-cf']));
    for (const soft of ['tm-pla', 'tm-petg']) expect(hot).not.toContain(soft);
    expect(hot).toEqual(expect.arrayContaining(['ol-pc', 'ol-pa6-cf']));
    for (const soft of ['tm-abs', 'tm-asa', 'ht-cpe-heat']) expect(hottest).not.toContain(soft);
    expect(hottest).toContain('ol-pc');
    for (const [before, after] of [
      [cool, warm],
      [warm, hot],
      [hot, hottest],
    ] as const) {
      expect(before).toEqual(expect.arrayContaining(after!));
    }
  });

  test('upright printing lowers the smallest strength reserve of every grade', () => {
    for (const { entries } of evaluate(arm, sampleLibrary).grades) {
      const reserve = (orientation: BuildOrientation) =>
        Math.min(
          ...entries
            .find((entry) => entry.orientation === orientation)!
            .checks.filter((check) => check.checkId.startsWith('strength') && check.reserve !== null)
            .map((check) => check.reserve!),
        );
      if (Number.isFinite(reserve('XY'))) expect(reserve('ZX')).toBeLessThan(reserve('XY'));
    }
  });

  test('carbon filling raises the sag reserve but not the across-layer one', () => {
    for (const [neat, filled] of [
      ['tm-petg', 'tm-petg-cf'],
      ['ol-pa12', 'ol-pa12-cf'],
      ['tm-asa', 'vp-asa-cf'],
    ] as const) {
      const gain = (checkId: string) =>
        checkOf(arm, filled, 'ZX', checkId).reserve! / checkOf(arm, neat, 'ZX', checkId).reserve!;
      expect(checkOf(arm, filled, 'XZ', 'sag-after-duration').reserve).toBeGreaterThan(
        1.2 * checkOf(arm, neat, 'XZ', 'sag-after-duration').reserve!,
      );
      // Grades of one family vary by up to a tenth; a real gain would be far outside that.
      expect(gain('strength-across-layers')).toBeLessThan(1.15);
    }
  });

  test('longer never reduces sag, thicker never lowers a strength or movement reserve, hotter never raises one', () => {
    const reserves = (brief: Brief) =>
      checks
        .filter((check) => check.applies(preparePart(brief)) && /strength|sag|deflection/.test(check.id))
        .map((check) => checkOf(brief, 'tm-abs', 'XY', check.id).reserve!);
    const base = reserves(arm);
    const longer: Brief = { ...arm, loadCases: [{ ...arm.loadCases[0]!, durationH: 9000 }] };
    const thicker: Brief = { ...arm, part: { ...arm.part, section: { kind: 'rectangle', widthMm: 18, depthMm: 33 } } };
    reserves(longer).forEach((reserve, i) => expect(reserve).toBeLessThanOrEqual(base[i]!));
    reserves(thicker).forEach((reserve, i) => expect(reserve).toBeGreaterThanOrEqual(base[i]!));
    reserves(at(60)).forEach((reserve, i) => expect(reserve).toBeLessThanOrEqual(base[i]!));
  });
});

describe('service temperature limit', () => {
  test('at the limit the first check is at reserve 1', () => {
    const limitC = evaluate(arm, sampleLibrary).grades.find((grade) => grade.gradeId === 'tm-abs')!.best.ownHeatLimitC!;
    const reserve = (temperatureC: number) =>
      Math.min(
        ...evaluate(at(temperatureC), sampleLibrary)
          .grades.find((grade) => grade.gradeId === 'tm-abs')!
          .best.checks.map((check) => check.reserve ?? Infinity),
      );
    expect(reserve(limitC)).toBeGreaterThanOrEqual(1);
    expect(reserve(limitC + 0.1)).toBeLessThan(1);
  });

  test('a requirement above the limit fails, one below passes', () => {
    const heat = (steadyC: number): Brief => ({ ...arm, asks: { heat: { steadyC } } });
    expect(checkOf(heat(95), 'tm-abs', 'XZ', 'heat-steady').status).toBe('fail');
    expect(checkOf(heat(50), 'tm-abs', 'XZ', 'heat-steady').status).toBe('pass');
  });

  test('only loads that act when hot count', () => {
    const gustCounts: Brief = {
      ...lampArm,
      loadCases: lampArm.loadCases.map((loadCase) => ({ ...loadCase, actsWhenHot: true })),
    };
    expect(checkOf(gustCounts, 'tm-petg', 'XZ', 'heat-peak').capacity).toBeLessThan(
      checkOf(lampArm, 'tm-petg', 'XZ', 'heat-peak').capacity!,
    );
  });
});

describe('unknown never passes', () => {
  test('a grade of an unstated polymer is unknown, says why, and does not stand in the funnel', () => {
    const result = evaluate(lampArm, sampleLibrary);
    const unlisted = result.grades.find((grade) => grade.gradeId === 'vp-unlisted')!;
    expect(unlisted.best.status).toBe('unknown');
    expect(
      inWords(
        joined(
          unlisted.best.checks.flatMap((check) => check.gaps),
          '; ',
        ),
      ),
    ).toMatch(/not in the reference data/);
    expect(unlisted.best.checks.every((check) => check.status !== 'pass' || check.reserve !== null)).toBe(true);
    expect(funnel({ ...result, grades: [unlisted] }).at(-1)).toMatchObject({ checkId: 'printable', remaining: 0 });
  });

  test('every ranking method ranks pass before unknown before fail, and keeps the order whatever order it is given', () => {
    const { grades } = evaluate(lampArm, sampleLibrary);
    for (const rankingMethod of ['cheapest-that-passes', 'weakest-link']) {
      const ranked = rank(grades, rankingMethod);
      const order = ranked.map((grade) => ({ pass: 0, unknown: 1, fail: 2 })[grade.best.status]);
      expect(order).toEqual([...order].sort());
      expect(rank([...grades].reverse(), rankingMethod).map((grade) => grade.gradeId)).toEqual(
        ranked.map((grade) => grade.gradeId),
      );
    }
    const cheapest = rank(grades, 'cheapest-that-passes')[0]!.best.costUsd!;
    for (const grade of grades) {
      if (grade.best.status === 'pass') expect(grade.best.costUsd).toBeGreaterThanOrEqual(cheapest);
    }
  });
});

describe('working', () => {
  test.each(sampleBriefs.map((brief) => [brief.title, brief] as const))(
    '%s: shows the same reserves, step by step',
    (_title, brief) => {
      const result = evaluate(brief, sampleLibrary);
      for (const gradeId of ['tm-asa', 'ol-pa6-cf']) {
        const entry = result.grades.find((grade) => grade.gradeId === gradeId)!.best;
        const explained = explain(brief, sampleLibrary, gradeId, entry.orientation);
        expect(explained.map(({ working: _working, ...rest }) => rest)).toEqual(entry.checks);
        for (const check of explained) {
          if (check.status === 'pass' || check.status === 'fail') expect(check.working!.length).toBeGreaterThan(0);
          expect(check.working!.every((step) => typeof step.value !== 'number' || Number.isFinite(step.value))).toBe(
            true,
          );
        }
      }
    },
  );

  test('a formula that holds in metric units alone stays in them', () => {
    // With an amount beside them the formula would no longer work out where that is shown in inches.
    const metricAlone = /g\/cm³|mm\/N|\bV\b|\bkV\b|1e−6|\/ 1000\b| m$/;
    const library = { ...sampleLibrary, grades: sampleLibrary.grades.slice(0, 8) };
    const mixed = sampleBriefs.flatMap((brief) =>
      evaluate(brief, library, { showWorking: true }).grades.flatMap(({ best }) =>
        best.checks.flatMap(({ working = [] }) =>
          working.flatMap(({ expression }) =>
            typeof expression === 'object' && metricAlone.test(expression.says) ? expression.says : [],
          ),
        ),
      ),
    );
    expect(mixed).toEqual([]);
  });

  test('the ranking path does not even write derivations', () => {
    const asked = prepareMaterial(sampleLibrary.grades[0]!, 'dry', defaultCompanyRules, true);
    const ranked = prepareMaterial(sampleLibrary.grades[0]!, 'dry', defaultCompanyRules, false);
    for (const pick of [
      (m: typeof asked) => m.modulus.inPlane,
      (m: typeof asked) => m.strength.across,
      (m: typeof asked) => m.layerShear,
    ]) {
      const [long, short] = [pick(asked), pick(ranked)];
      if (!long.known || !short.known) throw new Error('known in the sample');
      expect(long.steps.length).toBeGreaterThan(0);
      expect(short).toEqual({ ...long, steps: [] });
    }
  });

  test('the ranking path records none', () => {
    const [first] = evaluate(lampArm, sampleLibrary).grades;
    expect(first!.best.checks.every((check) => check.working === undefined)).toBe(true);
  });
});

test('what the asks demand: needed modulus of the gauge beam by hand', () => {
  // δ = F·L³/(3EI): 8·400³/(3·I·0.6), I = 18·38³/12 = 82308 mm⁴ → 3456 MPa for bending; shear adds about 1 %.
  const stiffness = materialDemands(gaugeBeam).find((demand) => demand.what === 'stiffness')!;
  expect(stiffness.value).toBeGreaterThan(3456);
  expect(stiffness.value).toBeLessThan(3456 * 1.03);
});

test('same input, same output, and a changed number is named', () => {
  const first = evaluate(lampArm, sampleLibrary);
  const second = evaluate(lampArm, sampleLibrary);
  expect(resultDifferences(first, second)).toEqual([]);
  const changed = structuredClone(second);
  changed.grades[0]!.entries[0]!.checks[0]!.reserve! += 0.01;
  expect(resultDifferences(first, changed)).toEqual([
    expect.stringMatching(/tm-pla, XY, strength-in-plane: reserve was/),
  ]);
});

test('an orientation the brief does not allow is refused', () =>
  expect(() => evaluate({ ...arm, asks: { orientations: ['XY'] } }, sampleLibrary, { orientations: ['ZX'] })).toThrow(
    /orientation.*allows XY/,
  ));

describe('reserve over temperature', () => {
  test('falls, and crosses 1 at the service temperature limit', () => {
    const limitC = evaluate(arm, sampleLibrary, { orientations: ['XZ'] }).grades.find(
      (one) => one.gradeId === 'tm-abs',
    )!.best.ownHeatLimitC!;
    const temperaturesC = [23, 50, limitC - 1, limitC + 1, 100];
    const points = reserveOverTemperature(arm, sampleLibrary, 'tm-abs', 'XZ', temperaturesC).map(
      (point) => point.reserve,
    );
    expect([...points].sort((a, b) => b - a)).toEqual(points);
    expect(points[2]).toBeGreaterThan(1);
    expect(points[3]).toBeLessThan(1);
  });
  test('is empty when the grade’s behaviour is unknown', () =>
    expect(reserveOverTemperature(arm, sampleLibrary, 'vp-unlisted', 'XZ', [23])).toEqual([]));
});
