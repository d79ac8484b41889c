import { inWords, spellOut } from '@anvilstone/core/foundations';
import { type Campaign, type Trial, PROPERTIES } from '@anvilstone/schema';
import { carrierTray, lampArm, ratchetPawl, sampleLibrary } from '../../education/sample/index.ts';
import { evaluate } from '../../evaluation/index.ts';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import {
  advantageOf,
  armResult,
  fillerEffect,
  checksTestedBy,
  findMethod,
  lastingOf,
  lookAlikeArms,
  nextLook,
  nextSpecimenIds,
  observationOf,
  planTests,
  predictCoupon,
  predictPart,
  rangeOf,
  rankArms,
  swappedWith,
  testMethods,
  typicalSetUp,
} from './index.ts';

const pull = findMethod('pull-bar')!;
const grade = (id: string) => sampleLibrary.grades.find((one) => one.id === id)!;
const PETG = sampleLibrary.grades.find(({ familyId }) => familyId === 'petg')!;

function campaignWith(forces: readonly number[], over: Partial<Campaign> = {}): [Campaign, Trial[]] {
  const specimens = forces.map((_, i) => ({
    id: `T1-A${i + 1}`,
    armId: 'A',
    defects: [],
    conditioning: 'dry' as const,
    loadDirection: 'as-drawn' as const,
  }));
  const campaign: Campaign = {
    id: 'T1',
    title: 'Strength from layer to layer',
    methodId: 'pull-bar',
    setUp: { widthMm: 5, thicknessMm: 4, lengthMm: 80 },
    arms: [{ id: 'A', gradeId: PETG.id, orientation: 'ZX', predicted: 25 }],
    perArm: forces.length,
    specimens,
    inspections: [],
    inspectOn: [],
    accepted: [],
    sampleData: true,
    ...over,
  };
  const trials = forces.map((peakN, i): Trial => ({
    id: `00000000-0000-4000-8000-00000000000${i}`,
    campaignId: 'T1',
    specimenId: `T1-A${i + 1}`,
    at: '2026-11-01T10:00:00Z',
    state: 'done',
    source: 'typed',
    advantage: 1,
    found: { peakN },
    events: [],
    sampleData: true,
  }));
  return [campaign, trials];
}
const [strength] = pull.outcomes;
const resultOf = ([campaign, trials]: [Campaign, Trial[]]) => armResult(campaign, campaign.arms[0]!, strength!, trials);

describe('test methods', () => {
  test.each(testMethods.map((method) => [method.id, method] as const))('%s can be followed', (_, method) => {
    expect(method.steps.length).toBeGreaterThanOrEqual(3);
    expect(method.needs.length).toBeGreaterThan(0);
    expect(checksTestedBy(method.id).length).toBeGreaterThan(0);
    for (const { property } of method.outcomes) if (property) expect(PROPERTIES).toContain(property);
    if (method.capture === 'force') expect(method.cautions.join(' ')).toMatch(/Stored energy/);
    if (method.capture === 'number') expect(method.number).toBeDefined();
    if (method.capture === 'time') expect(method.times!.loadedS.length).toBeGreaterThan(2);
  });
  test('a pulled bar: 500 N on 5 × 4 mm are 25 MPa; bent over 64 mm, 100 N on 10 × 4 mm are 60 MPa and 8 N/mm 819 MPa', () => {
    expect(strength!.of({ peakN: 500 }, { widthMm: 5, thicknessMm: 4 })).toBe(25);
    const bend = findMethod('bend-bar')!;
    const sizes = { spanMm: 64, widthMm: 10, thicknessMm: 4 };
    expect(bend.outcomes[0]!.of({ peakN: 100 }, sizes)).toBeCloseTo(60, 9);
    expect(bend.outcomes[1]!.of({ stiffnessNPerMm: 8 }, sizes)).toBeCloseTo(819.2, 9);
    expect(strength!.of({}, { widthMm: 5, thicknessMm: 4 })).toBeUndefined();
    expect(strength!.of({ peakN: 5 }, {})).toBeUndefined();
  });
  test('a sagging bar: 5 N over 100 mm, 1 mm down on 10 × 4 mm is 1953 MPa; a reading at another time is none', () => {
    const sag = findMethod('sag-48h')!;
    const sizes = { spanMm: 100, widthMm: 10, thicknessMm: 4, loadN: 5 };
    const found = { moved: [{ timeS: 172_000, movedMm: 1 }] };
    expect(sag.outcomes[0]!.of(found, sizes)).toBeCloseTo(1953.125, 6);
    expect(sag.outcomes[1]!.of(found, sizes)).toBeUndefined();
    expect(sag.outcomes[0]!.conditions!(sizes, found)).toEqual({ durationH: 48, creepStressMPa: 4.69 });
    const back = sag.outcomes.find(({ id }) => id === 'recovered')!;
    expect(
      back.of(
        {
          moved: [
            { timeS: 10, movedMm: 2 },
            { timeS: 99, movedMm: 0.5, unloaded: true },
          ],
        },
        {},
      ),
    ).toBe(75);
  });
  test('coupons are predicted from what the library knows, and say where they go', () => {
    for (const method of testMethods.filter(({ tests, capture }) => tests === 'coupon' && capture === 'force')) {
      const flat = predictCoupon(method, PETG, 'XY', typicalSetUp(method), { moisture: 'dry' }, defaultCompanyRules);
      const upright = predictCoupon(method, PETG, 'ZX', typicalSetUp(method), { moisture: 'dry' }, defaultCompanyRules);
      if (!flat.known || !upright.known) throw new Error('a common grade is predicted');
      expect(upright.forceN!).toBeLessThan(flat.forceN!);
      expect(upright.place).toMatch(/layers/);
    }
  });
});

describe('gauge and rig', () => {
  const setUp = { gaugeCapacityN: 500, thicknessMm: 4, widthMm: 6 };
  const resize = pull.resize;
  test('a tackle of four falls at 0.9 and a lever of two make 7.2', () => {
    expect(advantageOf({ pulleyRatio: 4, leverRatio: 2 })).toBeCloseTo(7.2, 12);
    expect(advantageOf({})).toBe(1);
    expect(advantageOf({ pulleyRatio: 2, pulleyEfficiency: 0.8 })).toBeCloseTo(1.6, 12);
  });
  test('fits: 300 N, at most 360 N, of 500 N', () =>
    expect(rangeOf({ forceN: 300, cov: 0.1 }, setUp, resize)).toMatchObject({ verdict: 'fits', gaugeN: 360 }));
  test('too strong: thinner specimens or a tackle, and each of them then fits', () => {
    const found = rangeOf({ forceN: 900, cov: 0.1 }, setUp, resize);
    expect(found.verdict).toBe('over');
    expect(found.remedies).toHaveLength(2);
    const [thinner, tackle] = found.remedies;
    // 900 N at half the thickness are 450 N, too near the end: 3.5 of 6 mm leave 262.5 N.
    expect(thinner!.setUp).toEqual({ thicknessMm: 2, widthMm: 3.5 });
    expect(spellOut(thinner!.text)).toMatch(/about 263 N/);
    expect(rangeOf({ forceN: 262, cov: 0.1 }, { ...setUp, ...thinner!.setUp })).toMatchObject({ verdict: 'fits' });
    expect(rangeOf({ forceN: 600, cov: 0.1 }, setUp, resize).remedies[0]!.setUp).toEqual({ thicknessMm: 2 });
    expect(rangeOf({ forceN: 900, cov: 0.1 }, { ...setUp, ...tackle!.setUp })).toMatchObject({ verdict: 'fits' });
  });
  test('too weak for the gauge: thicker; past the rig: do not load', () => {
    expect(rangeOf({ forceN: 20, cov: 0.1 }, setUp, resize).verdict).toBe('small');
    expect(rangeOf({ forceN: 300, cov: 0.1 }, { ...setUp, rigLimitN: 320 }, resize)).toMatchObject({ verdict: 'rig' });
    expect(rangeOf({ forceN: 300, cov: 0.1 }, {}).verdict).toBe('unknown');
    expect(() => rangeOf({ forceN: 0, cov: 0.1 }, setUp)).toThrow(/forceN/);
  });
});

describe('results', () => {
  test('five readings: mean 25, and they agree with what was predicted', () => {
    const found = resultOf(campaignWith([480, 490, 500, 510, 520]));
    expect(found.summary).toMatchObject({ n: 5, mean: 25 });
    expect(found.claim).toBe('mean');
    expect(found.calibration).toMatchObject({ factor: 1, agrees: true });
    expect(resultOf(campaignWith([680, 690, 700, 710, 720])).calibration).toMatchObject({ agrees: false });
  });
  test('three readings do not make a confident claim, two make none', () => {
    expect(resultOf(campaignWith([480, 500, 520]))).toMatchObject({
      claim: 'hint',
      says: expect.stringMatching(/hint.*2 more/) as string,
    });
    expect(resultOf(campaignWith([480, 500]))).toMatchObject({ claim: 'none' });
    expect(resultOf(campaignWith([])).says).toMatch(/Nothing/);
  });
  test('one left out stays in sight with its reason; one past the range is no value', () => {
    const [campaign, trials] = campaignWith([480, 490, 500, 510, 900]);
    trials[4]!.excluded = { why: 'parted in the grip' };
    trials[3]!.overRange = true;
    const found = resultOf([campaign, trials]);
    expect(found.replicates).toHaveLength(5);
    expect(found.values).toHaveLength(3);
    expect(found.replicates[4]).toMatchObject({ counts: false, whyNot: 'parted in the grip', value: 45 });
    expect(found.says).toMatch(/1 went past/);
    expect(() => observationOf(campaign, found, '2026-11-02')).toThrow(/T1-A4/);
    trials[3]!.corrected = { found: { peakN: 505 }, why: 'read off the dial' };
    const mended = resultOf([campaign, trials]);
    expect(observationOf(campaign, mended, '2026-11-02')).toMatchObject({
      id: 'bench-T1-A-strength',
      property: 'tensileStrength',
      count: 4,
      unit: 'MPa',
      orientation: 'ZX',
      conditioning: 'dry',
      specimen: 'printed',
      note: expect.stringMatching(/T1-A5 \(parted in the grip\)/) as string,
    });
  });
  test('what a specimen measures itself takes the place of the set-up', () => {
    const [campaign, trials] = campaignWith([500, 500, 500]);
    campaign.specimens[0]!.widthMm = 4;
    expect(resultOf([campaign, trials]).values).toEqual([31.25, 25, 25]);
  });
  test('the temperature is the one that was measured, where it is not the one that was planned', () => {
    const at = (measuredC: number | undefined) => {
      const [campaign, trials] = campaignWith([480, 490, 500], {
        setUp: { widthMm: 5, thicknessMm: 4, temperatureC: 60 },
      });
      if (measuredC !== undefined) for (const trial of trials) trial.temperatureC = measuredC;
      return observationOf(campaign, resultOf([campaign, trials]), '2026-11-02').temperatureC;
    };
    expect([at(undefined), at(61.2), at(52.4)]).toEqual([60, 60, 52.4]);
  });
  test('two moisture states have no mean that may be kept', () => {
    const [campaign, trials] = campaignWith([480, 490, 500]);
    campaign.specimens[0]!.conditioning = 'wet';
    expect(() => observationOf(campaign, resultOf([campaign, trials]), '2026-11-02')).toThrow(/one moisture state/);
  });
  test('a ranking says what cannot be told apart, and pairs need two makers', () => {
    const strong = resultOf(campaignWith([580, 590, 600, 610, 620]));
    const alike = resultOf(campaignWith([570, 590, 600, 600, 615]));
    const weak = resultOf(campaignWith([300, 310, 320, 305, 315]));
    const ranked = rankArms([weak, strong, alike, resultOf(campaignWith([]))]);
    expect(ranked.map(({ result, mayBeFirst }) => [result, mayBeFirst])).toEqual([
      [strong, true],
      [alike, true],
      [weak, false],
    ]);
    expect(rankArms([weak, strong], true)[0]!.result).toBe(weak);
    // Two readings far apart from five others still tell no difference.
    const two = resultOf(campaignWith([100, 101]));
    expect(rankArms([strong, two])[1]).toMatchObject({ againstFirst: undefined, mayBeFirst: true });
    expect(fillerEffect([{ filled: strong, neat: weak }])).toBeUndefined();
    const effect = fillerEffect([
      { filled: strong, neat: weak },
      { filled: alike, neat: weak },
    ]);
    expect(effect!.ratio).toBeCloseTo(1.93, 1);
  });
});

describe('specimens', () => {
  const looks = [
    { armId: 'A', grade: grade('tm-asa'), colour: 'Black', massG: 5 },
    { armId: 'B', grade: PETG, colour: 'black', massG: 6 },
    { armId: 'C', grade: PETG, colour: 'white', massG: 6 },
  ];
  test('two black ones are told by notches, and by the scale where it can', () => {
    const [found, ...others] = lookAlikeArms(looks);
    expect(others).toEqual([]);
    expect(spellOut(found!.text)).toMatch(/A 1 notch, B 2 notches.*A scale tells them apart/);
    expect(spellOut(lookAlikeArms([looks[0]!, { ...looks[1]!, massG: 5.1 }])[0]!.text)).toMatch(/does not tell/);
  });
  test('a mass that is another arm’s is asked about', () => {
    expect(swappedWith({ armId: 'A', massG: 5.02 }, looks)).toBeUndefined();
    expect(swappedWith({ armId: 'A', massG: 6.05 }, looks)).toMatchObject({ armId: 'B' });
    expect(spellOut(swappedWith({ armId: 'A', massG: 8 }, looks)!.text)).toMatch(/gaps inside/);
    expect(swappedWith({ armId: 'A' }, looks)).toBeUndefined();
  });
  test('marks go on where they ended', () => {
    const [campaign] = campaignWith([1, 2]);
    expect(nextSpecimenIds(campaign, 'A', 2)).toEqual(['T1-A3', 'T1-A4']);
    expect(nextSpecimenIds(campaign, 'B', 1)).toEqual(['T1-B1']);
  });
});

describe('left in a real place', () => {
  const [base] = campaignWith([1, 2, 3]);
  const look = (at: string, states: ('whole' | 'changed' | 'gone')[]) => ({
    id: at,
    at: `${at}T10:00:00Z`,
    findings: states.map((state, i) => ({ specimenId: `T1-A${i + 1}`, state })),
  });
  const campaign: Campaign = {
    ...base,
    methodId: 'leave-out',
    begunAt: '2026-01-01T10:00:00Z',
    inspectOn: ['2026-01-11', '2026-02-10', '2026-03-12'],
    inspections: [look('2026-01-11', ['whole', 'changed', 'gone']), look('2026-02-10', ['whole', 'gone', 'gone'])],
  };
  test('two of three are gone: the median lies between two looks; the third has not failed', () => {
    const [arm] = lastingOf(campaign)!;
    expect(arm).toMatchObject({ gone: 2, medianD: { from: 10, to: 40 } });
    expect(arm!.lasted[0]).toMatchObject({ wholeD: 40, goneD: null });
    expect(arm!.lasted[1]).toMatchObject({ changedD: 10, goneD: 40 });
  });
  test('one of three gone tells no median; without a first day nothing is told', () => {
    expect(lastingOf({ ...campaign, inspections: campaign.inspections.slice(0, 1) })![0]!.medianD).toBeNull();
    const { begunAt: _b, ...undated } = campaign;
    expect(lastingOf(undated)).toBeUndefined();
    expect(nextLook(campaign)).toBe('2026-03-12');
  });
});

describe('a test plan', () => {
  const { grades } = evaluate(lampArm, sampleLibrary);
  const { best } = grades.find(({ gradeId }) => gradeId === PETG.id)!;
  const plan = planTests(lampArm, sampleLibrary, PETG, best, defaultCompanyRules, { gaugeCapacityN: 500 });
  test('proposes what is weakest or least certain first, each with its specimens, effort and cautions', () => {
    expect(plan.length).toBeGreaterThanOrEqual(3);
    expect(new Set(plan.map(({ method, orientation }) => `${method.id} ${orientation}`)).size).toBe(plan.length);
    for (const { perArm, effort, why, method } of plan) {
      expect(perArm).toBeGreaterThanOrEqual(5);
      if (method.volumeMm3) expect(effort!.filamentG).toBeGreaterThan(1);
      expect(inWords(why).length).toBeGreaterThan(20);
    }
  });
  test('a pressure over a face is no pull: the part itself is then not proposed', () => {
    const { best: drains } = evaluate(carrierTray, sampleLibrary).grades.find(
      ({ gradeId }) => gradeId === 'vp-asa-esd',
    )!;
    const tray = planTests(carrierTray, sampleLibrary, grade('vp-asa-esd'), drains, defaultCompanyRules);
    expect(tray.map(({ method }) => method.id)).not.toContain('break-part');
    expect(tray.length).toBeGreaterThan(0);
    expect(
      predictPart(
        carrierTray,
        carrierTray.loadCases[0]!.id,
        sampleLibrary,
        grade('vp-asa-esd'),
        'XY',
        defaultCompanyRules,
      ).known,
    ).toBe(false);
  });
  test('a part that could hurt someone is itself tested first', () => {
    const { best: leads } = evaluate(ratchetPawl, sampleLibrary).grades.find(({ gradeId }) => gradeId === 'ol-pa12')!;
    expect(planTests(ratchetPawl, sampleLibrary, grade('ol-pa12'), leads, defaultCompanyRules)[0]!.method.id).toBe(
      'break-part',
    );
  });
  test('the part’s own breaking load is its load times the minimum reserve without safety factors', () => {
    const gust = lampArm.loadCases.find(({ forceN, kind }) => forceN !== undefined && kind !== 'knock')!;
    const bench = predictPart(lampArm, gust.id, sampleLibrary, PETG, 'XZ', defaultCompanyRules);
    if (!bench.known) throw new Error('it is predicted');
    expect(bench.value).toBeGreaterThan(gust.forceN! * gust.safetyFactor * 0.8);
    expect(bench.place).toMatch(/first$/);
    const doubled = {
      ...lampArm,
      loadCases: lampArm.loadCases.map((one) => (one.id === gust.id ? { ...one, forceN: 2 * gust.forceN! } : one)),
    };
    const same = predictPart(doubled, gust.id, sampleLibrary, PETG, 'XZ', defaultCompanyRules);
    // The load that breaks it does not depend on the load that was asked for.
    expect(same).toMatchObject({ known: true, value: expect.closeTo(bench.value, 6) as number });
    expect(predictPart(lampArm, 'none', sampleLibrary, PETG, 'XZ', defaultCompanyRules).known).toBe(false);
  });
});

describe('a part that was loaded until it broke', () => {
  const gust = lampArm.loadCases.find(({ forceN, kind }) => forceN !== undefined && kind !== 'knock')!;
  const grounds = { grade: PETG, rules: defaultCompanyRules, library: sampleLibrary, brief: lampArm };
  const predicted = predictPart(lampArm, gust.id, sampleLibrary, PETG, 'XZ', defaultCompanyRules);
  if (!predicted.known) throw new Error('it is predicted');
  const tested = (shares: readonly number[], over: Partial<Campaign> = {}) => {
    const [campaign, trials] = campaignWith(
      shares.map((share) => share * predicted.value),
      {
        methodId: 'break-part',
        partId: '00000000-0000-4000-8000-000000000003',
        loadCaseId: gust.id,
        setUp: {},
        arms: [{ id: 'A', gradeId: PETG.id, orientation: 'XZ', predicted: predicted.value }],
        ...over,
      },
    );
    const result = armResult(campaign, campaign.arms[0]!, findMethod('break-part')!.outcomes[0]!, trials);
    return { campaign, result };
  };
  test('at four fifths of what was predicted tells four fifths of the strength, along the layers', () => {
    const { campaign, result } = tested([0.78, 0.79, 0.8, 0.8, 0.81, 0.82]);
    const kept = observationOf(campaign, result, '2026-11-02', grounds);
    expect(kept).toMatchObject({ property: 'tensileStrength', unit: 'MPa', orientation: 'XZ', count: 6 });
    expect(kept.note).toMatch(/Back-calculated through the model of “Lamp arm/);
    // Taken into the library it predicts what was measured.
    const corrected = { ...PETG, observations: [...PETG.observations, { ...kept, conditioning: lampArm.moisture }] };
    const then = predictPart(lampArm, gust.id, sampleLibrary, corrected, 'XZ', defaultCompanyRules);
    expect(then.known && then.value / (0.8 * predicted.value)).toBeCloseTo(1, 2);
  });
  test('without its part, or without what the model reads, it tells nothing', () => {
    const { campaign, result } = tested([0.78, 0.79, 0.8, 0.8, 0.81, 0.82]);
    expect(() => observationOf(campaign, result, '2026-11-02')).toThrow(/grounds/);
    expect(() => observationOf(campaign, result, '2026-11-02', { ...grounds, brief: undefined })).toThrow(/partId/);
    const { loadCaseId: _l, ...lost } = campaign;
    expect(() => observationOf(lost, result, '2026-11-02', grounds)).toThrow(/one of its loads/);
  });
});
