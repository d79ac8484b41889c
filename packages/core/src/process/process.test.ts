import type { Grade, Machine } from '@anvilstone/schema';
import { defaultHouseRules } from '../rules/houseRules.ts';
import { findFamily } from '../reference/family.ts';
import { findReinforcement } from '../reference/reinforcement.ts';
import { sampleLibrary } from '../sample/index.ts';
import { partCost } from './cost.ts';
import { fitsRectangle, machineFit, processNeeds } from './machineFit.ts';

const [open, enclosed, hot] = ['bench-open', 'workshop-enclosed', 'hot-chamber'].map((wanted) =>
  sampleLibrary.machines.find(({ id }) => id === wanted),
) as [Machine, Machine, Machine];
const small = { length: 100, depth: 30, width: 20 };
const bare: Pick<Grade, 'process'> = { process: {} };
const fitOf = (familyId: string, machine: Machine, filler: string | null = null, extent = small) =>
  machineFit(
    processNeeds(bare as Grade, findFamily(familyId), findReinforcement(filler))!,
    machine,
    extent,
    'XY',
    defaultHouseRules,
  );
const blockersOf = (fit: ReturnType<typeof fitOf>) =>
  fit.findings
    .filter((finding) => finding.verdict === 'blocker')
    .map((finding) => finding.text)
    .join(' | ');

describe('machine fit', () => {
  test('PLA prints on the open frame', () => expect(fitOf('pla', open).verdict).toBe('pass'));
  test('PC above the PTFE limit is blocked and says fumes', () =>
    expect(blockersOf(fitOf('pc', { ...open, maximumNozzleC: 300 }))).toMatch(/toxic fumes above 240/));
  test('fibre through brass is blocked', () =>
    expect(blockersOf(fitOf('petg', open, 'carbon-10'))).toMatch(/hardened/));
  test('a 0.6 mm recommendation on a 0.4 mm hardened nozzle is a caution, not a blocker', () => {
    const fit = fitOf('petg', { ...enclosed, nozzleDiameterMm: 0.4 }, 'carbon-10');
    expect(fit.verdict).toBe('caution');
  });
  test('ABS wants an enclosure', () =>
    expect(blockersOf(fitOf('abs', { ...open, hotEndLining: 'all-metal', maximumBedC: 110 }))).toMatch(/enclosure/));
  test('PEI needs more than the chamber can give or passes with a hotter one', () => {
    expect(fitOf('pei', enclosed).verdict).toBe('blocker');
    expect(fitOf('pei', { ...hot, maximumChamberC: 200, maximumBedC: 200 }).verdict).not.toBe('blocker');
  });
  test('too tall for the machine upright', () => {
    const needs = processNeeds(bare as Grade, findFamily('pla'), undefined)!;
    const tall = machineFit(needs, open, { ...small, length: 300 }, 'ZX', defaultHouseRules);
    expect(blockersOf(tall)).toMatch(/300 mm high/);
  });
  test('an unknown family leaves the fit unknown', () =>
    expect(processNeeds(bare as Grade, undefined, undefined)).toBeUndefined());
});

describe('footprint on a bed', () => {
  test('a 250 × 10 strip fits a 220 × 220 bed across the corner', () =>
    expect(fitsRectangle(250, 10, 220, 220)).toBe(true));
  test('a 310 × 10 strip does not: the diagonal is 311 mm', () => expect(fitsRectangle(310, 10, 220, 220)).toBe(false));
});

// 100 g at 30 USD/kg with 8 % purge = 3.24; 80 000 mm³ at 10 mm³/s × 2.2 = 4.889 h · 2 USD/h = 9.778; labour 4; scrap 7 %.
test('cost of one good part by hand', () => {
  const cost = partCost({
    massG: 100,
    volumeMm3: 80000,
    pricePerKgUsd: 30,
    machine: { volumetricFlowMm3PerS: 10, hourlyRateUsd: 2 },
    rules: defaultHouseRules,
  });
  expect(cost.filamentUsd).toBeCloseTo(3.24, 9);
  expect(cost.printTimeH).toBeCloseTo(4.8889, 4);
  expect(cost.totalUsd).toBeCloseTo((3.24 + 9.7778 + 4) / 0.93, 3);
});
