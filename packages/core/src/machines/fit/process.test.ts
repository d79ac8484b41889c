import { inWords, joined, spellOut } from '@anvilstone/core/foundations';
import type { Grade, Machine } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { findFamily } from '../../materials/reference/family.ts';
import { findReinforcement } from '../../materials/reference/reinforcement.ts';
import { sampleLibrary } from '../../education/sample/index.ts';
import { atPricePerKgUsd, partCost, unitCostUsd, type CostInput } from '../cost/cost.ts';
import { costLines } from '../cost/costLines.ts';
import { scrapShareOf, scrapSource } from '../cost/scrap.ts';
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
    defaultCompanyRules,
  );
const blockersOf = (fit: ReturnType<typeof fitOf>) =>
  spellOut(fit.findings)
    .filter((finding) => finding.verdict === 'blocker')
    .map((finding) => finding.text)
    .join(' | ');

describe('machine fit', () => {
  test('PLA prints on the open frame', () => expect(fitOf('pla', open).verdict).toBe('pass'));
  test('PC above the PTFE limit is blocked and says fumes', () =>
    expect(spellOut(blockersOf(fitOf('pc', { ...open, maximumNozzleC: 300 })))).toMatch(/toxic fumes above 240/));
  test('fibre through brass is blocked', () =>
    expect(blockersOf(fitOf('petg', open, 'carbon-10'))).toMatch(/hardened/));
  test('a 0.6 mm recommendation on a 0.4 mm hardened nozzle is a caution, not a blocker', () => {
    const fit = fitOf('petg', { ...enclosed, nozzleDiameterMm: 0.4 }, 'carbon-10');
    expect(fit.verdict).toBe('caution');
  });
  test('a large part of ABS wants an enclosure, a small one fails now and then', () => {
    const bench: Machine = { ...open, hotEndLining: 'all-metal', maximumBedC: 110 };
    expect(blockersOf(fitOf('abs', bench, null, { ...small, length: 200 }))).toMatch(/No enclosure: about 7\d %/);
    const clip = fitOf('abs', bench, null, { ...small, length: 30 });
    expect(blockersOf(clip)).toBe('');
    expect(
      inWords(
        joined(
          clip.findings.map(({ text }) => text),
          '; ',
        ),
      ),
    ).toMatch(/No enclosure: about [5-9]/);
  });
  test.each([
    ['filled PP', 'pp', 'glass-30'],
    ['filled PBT', 'pbt', 'glass-30'],
  ])('%s is printed openly, at odds', (_what, family, filler) => {
    const bench: Machine = { ...open, nozzleMaterial: 'hardened', maximumBedC: 110, maximumNozzleC: 300 };
    const fit = fitOf(family, { ...bench, hotEndLining: 'all-metal', nozzleDiameterMm: 0.6 }, filler);
    expect(blockersOf(fit)).toBe('');
    expect(fit.findings.some(({ failShare = 0 }) => failShare > 0.05 && failShare < 0.4)).toBe(true);
  });
  test('PC is printed in a passive enclosure, at odds; PEI is not', () => {
    const shareOf = (family: string) => fitOf(family, enclosed).findings.find(({ failShare }) => failShare)?.failShare;
    expect(blockersOf(fitOf('pc', enclosed))).toBe('');
    expect(shareOf('pc')).toBeCloseTo(0.15 + 0.2 * 0.2, 9);
    expect(spellOut(blockersOf(fitOf('pei', enclosed)))).toMatch(/Needs a chamber at 120/);
  });
  test('PEI needs more than the chamber can give or passes with a hotter one', () => {
    expect(fitOf('pei', enclosed).verdict).toBe('blocker');
    expect(fitOf('pei', { ...hot, maximumChamberC: 200, maximumBedC: 200 }).verdict).not.toBe('blocker');
  });
  test('too tall for the machine upright', () => {
    const needs = processNeeds(bare as Grade, findFamily('pla'), undefined)!;
    const tall = machineFit(needs, open, { ...small, length: 300 }, 'ZX', defaultCompanyRules);
    expect(spellOut(blockersOf(tall))).toMatch(/300 mm high/);
  });
  test('an unknown family leaves the fit unknown', () =>
    expect(processNeeds(bare as Grade, undefined, undefined)).toBeUndefined());
});

describe('footprint on a bed', () => {
  test('a 250 × 10 strip fits a 220 × 220 bed across the corner', () =>
    expect(fitsRectangle(250, 10, 220, 220)).toBe(true));
  test('a 310 × 10 strip does not: the diagonal is 311 mm', () => expect(fitsRectangle(310, 10, 220, 220)).toBe(false));
});

// 100 g at 30 USD/kg with 8 % purge = 3.24; 80 000 mm³ at 10 mm³/s × 2.2 = 4.889 h · 2 USD/h = 9.778; labour 4; 108 g of a spool dried
// 6 h at 0.12 USD/h = 0.0778; scrap 7 %; set-up 5 once.
const printed: CostInput = {
  massG: 100,
  volumeMm3: 80000,
  filament: { pricePerKgUsd: 30, dryingH: 6, abrasive: false },
  machine: { name: 'Bench', volumetricFlowMm3PerS: 10, hourlyRateUsd: 2, nozzleMaterial: 'hardened' },
  rules: defaultCompanyRules,
};
const PRINT_USD = 3.24 + 9.77778 + 4 + 0.07776;

describe('cost of one good part', () => {
  test('by hand', () => {
    const cost = partCost(printed);
    expect(cost.filamentUsd).toBeCloseTo(3.24, 9);
    expect(cost.printTimeH).toBeCloseTo(4.8889, 4);
    expect(cost.dryingUsd).toBeCloseTo(0.07776, 9);
    expect(cost.nozzleUsd).toBe(0);
    expect(cost.scrapUsd).toBeCloseTo((PRINT_USD * 0.07) / 0.93, 4);
    expect(cost.totalUsd).toBeCloseTo(PRINT_USD / 0.93 + 5, 4);
  });
  test('its components add up to it, each with its arithmetic', () => {
    const fibre = { laidMm3: 2000, massG: 3, strandUsd: 9, lengthMm: 18000 };
    for (const input of [printed, { ...printed, fibre }, { ...printed, lot: { quantity: 40, supportG: 12 } }]) {
      const cost = partCost(input);
      const lines = costLines(cost, input, 'list');
      expect(lines.reduce((sum, { usd }) => sum + usd, 0)).toBeCloseTo(cost.totalUsd, 9);
      expect(lines.some(({ id }) => id === 'strands')).toBe('fibre' in input);
      for (const { how } of lines) expect(spellOut(how)).toMatch(/\w/);
    }
  });
  test('set-up is shared by the lot and not paid again for a failed print', () => {
    const one = partCost(printed);
    const ten = partCost({ ...printed, lot: { quantity: 10 } });
    expect(one.totalUsd - ten.totalUsd).toBeCloseTo(5 - 0.5, 9);
    expect(unitCostUsd(one, 10)).toBeCloseTo(ten.totalUsd, 9);
    expect(unitCostUsd(ten, 1)).toBeCloseTo(one.totalUsd, 9);
    expect(() => partCost({ ...printed, lot: { quantity: 0 } })).toThrow(/quantity/);
  });
  test('more in a lot never costs more each', () => {
    const each = [1, 2, 5, 20, 100].map((quantity) => partCost({ ...printed, lot: { quantity } }).totalUsd);
    expect(each).toEqual([...each].sort((a, b) => b - a));
  });
  test('support is filament that is thrown away', () =>
    expect(partCost({ ...printed, lot: { quantity: 1, supportG: 50 } }).filamentUsd).toBeCloseTo(1.5 * 3.24, 9));
  test('abrasive grams wear the nozzle: by hand, 108 g of 8000 g at 25 USD, of 250 g at 8 USD', () => {
    const filament = { ...printed.filament, abrasive: true };
    const brass = { ...printed.machine, nozzleMaterial: 'brass' as const };
    expect(partCost({ ...printed, filament }).nozzleUsd).toBeCloseTo((108 / 8000) * 25, 9);
    expect(partCost({ ...printed, filament, machine: brass }).nozzleUsd).toBeCloseTo((108 / 250) * 8, 9);
  });
  test('strands are priced as strands, and their grams not as filament', () => {
    const cost = partCost({ ...printed, fibre: { laidMm3: 10000, massG: 20, strandUsd: 9, lengthMm: 90000 } });
    expect(cost.filamentUsd).toBeCloseTo(0.8 * 3.24, 9);
    expect(cost.strandUsd).toBe(9);
    // 70 000 mm³ melted and 90 m laid at 10 mm/s.
    expect(cost.printTimeH).toBeCloseTo(((70000 / 10) * 2.2) / 3600 + 2.5, 9);
  });
  test('what fails for want of warm air is lost beside the usual scrap', () => {
    const lost = partCost({ ...printed, failShare: 0.2 });
    expect(lost.scrapShare).toBeCloseTo(1 - 0.93 * 0.8, 12);
    expect(lost.totalUsd - lost.setupUsd).toBeCloseTo(PRINT_USD / 0.93 / 0.8, 4);
    const how = costLines(lost, { ...printed, failShare: 0.2 }, 'list').find(({ id }) => id === 'scrap')!.how;
    expect(how).toMatch(/20 % for want of warm air/);
  });
  test('at another price only the filament changes, and its share of scrap', () =>
    expect(atPricePerKgUsd(partCost(printed), 60) - partCost(printed).totalUsd).toBeCloseTo(3.24 / 0.93, 9));
  test('a machine’s own failures count: 19 of 388, with 20 prints of the company’s 7 %', () => {
    const condition = { prints: 388, failedPrints: 19 };
    const cost = partCost({ ...printed, machine: { ...printed.machine, condition } });
    expect(cost.scrapShare).toBeCloseTo((19 + 1.4) / 408, 12);
    expect(scrapShareOf({ condition: {} }, 0.07)).toBe(0.07);
    expect(scrapSource({ name: 'Bench', condition }, 0.07)).toMatch(/19 of 388/);
  });
});
