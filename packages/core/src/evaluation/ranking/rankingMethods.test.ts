import type { EvaluationEntry } from '@anvilstone/schema';
import { lampArm, sampleLibrary } from '../../education/sample/index.ts';
import type { Chance } from '../probability/chance.ts';
import { EQUAL_WEIGHTS, meritsOf, type MeritWeights } from './merit.ts';
import { rank, rankingMethods } from './ranking.ts';
import type { RankedCandidate } from './rankedCandidate.ts';
import { screen } from '../evaluating/screen.ts';
import { prepareSizing, type Sized } from '../sizing/sizing.ts';

const candidate = (gradeId: string, best: Partial<RankedCandidate['best']>, ownEvidenceShare = 0): RankedCandidate => ({
  gradeId,
  ownEvidenceShare,
  best: {
    orientation: 'XY',
    machineId: 'm',
    status: 'pass',
    minimumReserve: 1.5,
    governingCheckId: 'mass-limit',
    massG: 100,
    costUsd: 10,
    ownHeatLimitC: 73,
    ...best,
  },
});
const ids = (grades: readonly RankedCandidate[]) => grades.map(({ gradeId }) => gradeId).join(' ');
const only = (criterion: keyof MeritWeights): MeritWeights => ({
  cost: 0,
  mass: 0,
  reserve: 0,
  heat: 0,
  evidence: 0,
  [criterion]: 7,
});

describe('weighted merit', () => {
  const cheap = candidate('cheap', { costUsd: 10, massG: 200, minimumReserve: 1.2, ownHeatLimitC: 48 }, 0.25);
  const dear = candidate('dear', { costUsd: 40, massG: 100, minimumReserve: 2.4, ownHeatLimitC: 123 }, 1);
  const merits = (weights: MeritWeights, grades = [cheap, dear]) => meritsOf(grades, weights);

  test('each criterion is the ratio to the best of it', () => {
    expect(merits(EQUAL_WEIGHTS).get('cheap')!.scores).toEqual({
      cost: 1,
      mass: 0.5,
      reserve: 0.5,
      heat: 0.25,
      evidence: 0.25,
    });
    expect(merits(EQUAL_WEIGHTS).get('dear')!.scores.cost).toBe(0.25);
    expect(merits(EQUAL_WEIGHTS).get('cheap')!.total).toBeCloseTo((1 + 0.5 + 0.5 + 0.25 + 0.25) / 5, 12);
  });
  test('only the ratio of the weights counts, and what weighs nothing decides nothing', () => {
    expect(merits(only('heat')).get('cheap')!.total).toBeCloseTo(0.25, 12);
    const tenfold = Object.fromEntries(Object.entries(EQUAL_WEIGHTS).map(([id, one]) => [id, 10 * one]));
    expect(merits(tenfold as MeritWeights)).toEqual(merits(EQUAL_WEIGHTS));
    expect(ids(rank([cheap, dear], 'weighted-merit', { weights: only('cost') }))).toBe('cheap dear');
    expect(ids(rank([cheap, dear], 'weighted-merit', { weights: only('evidence') }))).toBe('dear cheap');
  });
  test('a reserve beyond 3 is worth no more, and what is not known is worth nothing', () => {
    const strong = candidate('strong', { minimumReserve: 9, costUsd: null, massG: null, ownHeatLimitC: null });
    const found = merits(EQUAL_WEIGHTS, [strong, candidate('enough', { minimumReserve: 3 })]);
    expect(found.get('enough')!.scores.reserve).toBe(1);
    expect(found.get('strong')!.scores).toEqual({ cost: 0, mass: 0, reserve: 1, heat: 0, evidence: 0 });
  });
  test('a grade that fails changes nobody’s score and comes after all that pass, however cheap', () => {
    const failing = candidate('failing', { status: 'fail', costUsd: 0.1, massG: 1, minimumReserve: 0.4 });
    const before = merits(EQUAL_WEIGHTS);
    expect(merits(EQUAL_WEIGHTS, [cheap, dear, failing]).get('dear')).toEqual(before.get('dear'));
    expect(ids(rank([failing, cheap, dear], 'weighted-merit', { weights: only('cost') }))).toBe('cheap dear failing');
  });
});

describe('required confidence', () => {
  const chance = (all: number): Chance => ({
    draws: 100,
    all,
    low: 0,
    high: 1,
    byCheck: [],
    scatter: { modulus: 0, strength: 0, across: 0, heatK: 0, load: 0 },
  });
  const grades = [
    candidate('cheap', { costUsd: 1 }),
    candidate('mid', { costUsd: 2 }),
    candidate('dear', { costUsd: 3 }),
  ];
  const chances = new Map<string, Chance | undefined>([
    ['cheap XY', chance(0.7)],
    ['dear XY', chance(0.95)],
  ]);
  test('who passes surely comes before who only passes; a chance that is not known is no surety', () => {
    const order = (least: number) => ids(rank(grades, 'cheapest-that-passes', { confidence: { least, chances } }));
    expect(order(0.5)).toBe('cheap dear mid');
    expect(order(0.9)).toBe('dear cheap mid');
    expect(ids(rank(grades, 'cheapest-that-passes'))).toBe('cheap mid dear');
  });
});

describe('lowest mass when sized', () => {
  const entry = { massG: 0 } as EvaluationEntry;
  const sizedTo = (gradeId: string, massG: number): [string, Sized] => [
    gradeId,
    { ok: true, gradeId, sizeMm: 10, atSmallest: false, heightMm: 5, entry: { ...entry, massG } },
  ];
  const cannot = (gradeId: string): [string, Sized] => [
    gradeId,
    { ok: false, gradeId, orientation: 'XY', blockerId: 'colour', why: '' },
  ];
  test('by the mass at its own size, whatever it is as drawn; then what is not sized yet, last what cannot be', () => {
    const grades = [
      candidate('fails drawn', { status: 'fail', minimumReserve: 0.5 }),
      candidate('passes drawn', {}),
      candidate('waiting', {}),
      candidate('blocked', {}),
    ];
    const sized = new Map([sizedTo('fails drawn', 20), sizedTo('passes drawn', 30), cannot('blocked')]);
    expect(rank(grades, 'lightest-when-sized', { sized }).map(({ gradeId }) => gradeId)).toEqual([
      'fails drawn',
      'passes drawn',
      'waiting',
      'blocked',
    ]);
  });
  test('of the sample the lightest arm is lighter than every other that can be sized', () => {
    const job = prepareSizing(lampArm, sampleLibrary)!;
    const sized = new Map(sampleLibrary.grades.map((grade) => [grade.id, job.size(grade)]));
    const ranked = rank(screen(lampArm, sampleLibrary).grades, 'lightest-when-sized', { sized });
    const masses = ranked.flatMap(({ gradeId }) => {
      const found = sized.get(gradeId)!;
      return found.ok ? [found.entry.massG!] : [];
    });
    expect(masses.length).toBeGreaterThan(20);
    expect(Math.min(...masses)).toBe(masses[0]);
    expect(masses).toEqual([...masses].sort((a, b) => a - b));
    expect(sized.get(ranked.at(-1)!.gradeId)!.ok).toBe(false);
  });
});

test('every ranking method is a total order: whatever order the grades come in, the ranking is the same', () => {
  const { grades } = screen(lampArm, sampleLibrary);
  for (const { id } of rankingMethods) expect(ids(rank([...grades].reverse(), id))).toBe(ids(rank(grades, id)));
});
