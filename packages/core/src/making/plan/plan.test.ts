import { inWords, joined, say, spellOut } from '@anvilstone/core/foundations';
import type { Brief, Grade, Machine } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { waterDiffusionMm2PerH, waterUptakeFraction } from '../../materials/behaviour/sorption.ts';
import { holdingPowerW } from '../../machines/fit/bedPower.ts';
import { machineFit, processNeeds } from '../../machines/fit/machineFit.ts';
import { findFamily } from '../../materials/reference/family.ts';
import { findReinforcement } from '../../materials/reference/reinforcement.ts';
import { carrierTray, lampArm, ratchetPawl, sampleBriefs, sampleLibrary } from '../../education/sample/index.ts';
import { timeToFraction } from '../../materials/behaviour/timeToFraction.ts';
import { afterPrinting } from './postProcessing.ts';
import { flowOf } from './flow.ts';
import { afterPrintingH } from './cooldown.ts';
import { latestStart, lotNeeds, readyOn } from './lot.ts';
import { machineChoices } from './machineChoices.ts';
import { processCard } from './processCard.ts';
import { supportChoices } from './supportChoices.ts';
import { upgradeGains } from './upgradeGains.ts';

const machine = (id: string): Machine => sampleLibrary.machines.find((one) => one.id === id)!;
const grade = (id: string): Grade => sampleLibrary.grades.find((one) => one.id === id)!;
const bare = (familyId: string, reinforcementId: string | null = null): Grade => ({
  ...grade('ne-petg'),
  id: 'bare',
  name: 'Bare',
  familyId,
  reinforcementId,
  process: {},
});
const needsOf = (one: Grade) => processNeeds(one, findFamily(one.familyId), findReinforcement(one.reinforcementId))!;
const findingsOf = (one: Grade, change: Partial<Machine>, base = machine('workshop-enclosed')) =>
  machineFit(needsOf(one), { ...base, ...change }, { length: 50, depth: 20, width: 20 }, 'XY', defaultCompanyRules);

describe('what a machine says of itself', () => {
  test.each<[string, Grade, Partial<Machine>, 'pass' | 'caution' | 'blocker', RegExp]>([
    ['sensor holds', bare('petg'), { sensorLimitC: 300 }, 'pass', /^$/],
    [
      'sensor lets go before the polymer melts',
      bare('pc'),
      { sensorLimitC: 250 },
      'blocker',
      /sensor can be trusted to 250/,
    ],
    [
      'sensor below the best',
      bare('petg'),
      { sensorLimitC: 236 },
      'caution',
      /236 °C or less, the limit of its sensor/,
    ],
    [
      'supply too small for the bed',
      bare('abs'),
      { mainsBed: undefined, supplyW: 100 },
      'blocker',
      /its supply gives 100 W/,
    ],
    ['bed from the mains', bare('abs'), { supplyW: 100 }, 'caution', /styrene/],
    ['ducts that soften', bare('asa'), { ownPlasticC: 55 }, 'blocker', /own plastic near the heat softens at 55/],
    ['no surface that holds', bare('pp'), { bedSurfaces: ['smooth PEI sheet'] }, 'caution', /Poor adhesion/],
    ['another filament diameter', bare('petg'), { filamentDiameterMm: 2.85 }, 'blocker', /not stated in that diameter/],
    ['fumes and no air', bare('abs'), { ventilation: 'none' }, 'caution', /neither filtered nor extracted/],
    ['fumes led outside', bare('abs'), { ventilation: 'extracted' }, 'pass', /^$/],
    ['worn nozzle', bare('petg'), { condition: { nozzleAbrasiveG: 9000 } }, 'caution', /9000 g of abrasive/],
  ])('%s', (_what, one, change, verdict, said) => {
    const fit = findingsOf(one, change);
    expect(
      inWords(
        joined(
          fit.findings.map(({ text }) => text),
          '; ',
        ),
      ),
    ).toMatch(said);
    expect(fit.verdict).toBe(verdict);
  });

  test('sold in the diameter that the machine takes, and not', () => {
    const sold = (diametersMm: number[]): Grade => ({ ...bare('petg'), process: { diametersMm } });
    expect(findingsOf(sold([1.75, 2.85]), { filamentDiameterMm: 2.85 }).verdict).toBe('pass');
    expect(spellOut(findingsOf(sold([1.75]), { filamentDiameterMm: 2.85 }).findings[0]!.text)).toMatch(
      /sold in 1.75 mm/,
    );
  });

  test('by hand: 17 W/(m²·K) on 220 × 220 mm at 110 °C, and 60 W for the rest', () => {
    const open = machine('bench-open');
    expect(holdingPowerW(open, 110)).toBeCloseTo(17 * 0.0484 * 87 + 60, 9);
    expect(holdingPowerW({ ...open, enclosure: 'enclosed' }, 110)).toBeCloseTo(0.65 * 17 * 0.0484 * 87 + 60, 9);
  });

  test('a chamber warmer than the glass transition allows is to be held down', () => {
    const hot = machine('hot-chamber');
    expect(
      spellOut(findingsOf(bare('petg'), {}, hot).findings)
        .map(({ text }) => text)
        .join(),
    ).toMatch(/chamber at 70 °C or less/);
    expect(
      spellOut(findingsOf(bare('pa12'), {}, hot).findings)
        .map(({ text }) => text)
        .join(),
    ).not.toMatch(/chamber at/);
  });
});

describe('every machine for one grade', () => {
  const glass = bare('pa6', 'glass-30');
  const library = { ...sampleLibrary, grades: [glass] };

  test('glass in a brass nozzle with a PTFE lining: blocked, explained, and what mends it is priced', () => {
    const open = { ...machine('bench-open'), supplyW: 400, extruder: 'direct' as const };
    const [choice] = machineChoices(lampArm, { ...library, machines: [open] }, glass.id, 'XZ')!;
    expect(choice!.fit.verdict).toBe('blocker');
    expect(spellOut(choice!.fit.summary)).toMatch(/brass nozzle/);
    const titles = inWords(
      joined(
        choice!.unlock!.upgrades.map(({ title }) => title),
        '; ',
      ),
    );
    expect(titles).toMatch(/hardened nozzle/);
    expect(choice!.unlock!.priceUsd).toBe(choice!.unlock!.upgrades.reduce((sum, { priceUsd }) => sum + priceUsd, 0));
    // With them nothing blocks it, and with one fewer something does.
    const fits = (changed: Machine) =>
      machineFit(needsOf(glass), changed, { length: 50, depth: 20, width: 20 }, 'XY', defaultCompanyRules).verdict;
    expect(fits(choice!.unlock!.machine)).not.toBe('blocker');
    for (const left of choice!.unlock!.upgrades) {
      const without = choice!.unlock!.upgrades.filter((one) => one !== left);
      expect(fits(without.reduce<Machine>((built, { change }) => ({ ...built, ...change }), open))).toBe('blocker');
    }
  });

  test('a chamber too cold for a hot polymer: no usual upgrade helps', () => {
    const hot = bare('pekk-crystallised');
    const choices = machineChoices(lampArm, { ...sampleLibrary, grades: [hot] }, hot.id, 'XY')!;
    for (const { fit, unlock } of choices) {
      expect(fit.verdict).toBe('blocker');
      expect(unlock).toBeUndefined();
    }
    expect(
      inWords(
        joined(
          choices.map(({ fit }) => fit.summary),
          '; ',
        ),
      ),
    ).toMatch(/chamber/);
  });

  test('printed at odds: what would help is priced, and what it saves is the difference in cost', () => {
    const pc = bare('pc');
    const on = (one: Machine) =>
      machineChoices(ratchetPawl, { ...sampleLibrary, grades: [pc], machines: [one] }, pc.id, 'XY')![0]!;
    const passive = on(machine('workshop-enclosed'));
    expect(passive.fit.verdict).toBe('caution');
    expect(passive.unlock).toBeUndefined();
    expect(spellOut(passive.relief!.upgrades.map(({ title }) => title))).toEqual(['heat its chamber to 70 °C']);
    expect(passive.relief!.upgrades[0]!.caution).toMatch(/licensed person.*thermal fuse/);
    const heated = on(passive.relief!.machine);
    expect(heated.relief).toBeUndefined();
    expect(heated.cost!.totalUsd).toBeLessThan(passive.cost!.totalUsd);
    expect(passive.cost!.totalUsd - heated.cost!.totalUsd).toBeCloseTo(passive.relief!.savesUsd!, 9);
  });
  test('a large part of PC in a passive enclosure is blocked, and a heated chamber mends it', () => {
    const pc = bare('pc');
    const library = { ...sampleLibrary, grades: [pc], machines: [machine('workshop-enclosed')] };
    const [choice] = machineChoices(lampArm, library, pc.id, 'XY')!;
    expect(spellOut(choice!.fit.summary)).toMatch(
      /air in it reaches about 69 °C, best is 90 °C: about \d+ % of prints this large/,
    );
    expect(choice!.fit.verdict).toBe('blocker');
    expect(spellOut(choice!.unlock!.upgrades).map(({ title }) => title)).toEqual(['heat its chamber to 70 °C']);
  });

  test('usable ones first, cheapest first; blocked ones last', () => {
    const choices = machineChoices(lampArm, sampleLibrary, 'ne-petg', 'XZ')!;
    const blocked = choices.map(({ fit }) => fit.verdict === 'blocker');
    expect(blocked).toEqual([...blocked].sort((a, b) => Number(a) - Number(b)));
    const costs = choices.filter(({ fit }) => fit.verdict !== 'blocker').map(({ entry }) => entry.costUsd!);
    expect(costs).toEqual([...costs].sort((a, b) => a - b));
  });

  test('an unknown family: nothing is said of how it is printed', () => {
    expect(machineChoices(lampArm, sampleLibrary, 'vp-unlisted', 'XY')).toBeUndefined();
    expect(processCard(lampArm, grade('vp-unlisted'), machine('bench-open'), 'XY')).toBeUndefined();
  });
});

test('an upgrade is worth what it lets the workshop print, over all parts', () => {
  const library = { ...sampleLibrary, machines: [machine('bench-open')] };
  const gains = upgradeGains(sampleBriefs, library, 'bench-open');
  expect(gains.map(({ title }) => title)).toContain('fit an all-metal hot end');
  const gained = gains.map(({ parts }) => parts.reduce((sum, { gradeIds }) => sum + gradeIds.length, 0));
  expect(gained).toEqual([...gained].sort((a, b) => b - a));
  expect(gained[0]).toBeGreaterThan(0);
  expect(() => upgradeGains(sampleBriefs, library, 'none-such')).toThrow(/machineId/);
});

describe('process card', () => {
  const lineOf = (brief: Brief, one: Grade, on: Machine, id: string) =>
    processCard(brief, one, on, 'XY')!
      .groups.flatMap(({ lines }) => lines)
      .find((line) => line.id === id);

  test('the nozzle is held at what the PTFE lining bears, and says so', () => {
    const open = machine('bench-open');
    expect(spellOut(lineOf(lampArm, bare('petg'), open, 'nozzle')!.value)).toMatch(/to 240 °C/);
    expect(spellOut(lineOf(lampArm, bare('petg'), open, 'nozzle')!.why)).toMatch(/toxic fumes/);
    expect(spellOut(lineOf(lampArm, bare('pc'), open, 'nozzle')!.value)).toMatch(/not available: \d+ °C needed/);
  });
  test('filled: no fan for the bond of the layers, with what its family would do beside it', () => {
    const on = machine('workshop-enclosed');
    expect(spellOut(lineOf(lampArm, bare('petg', 'carbon-15'), on, 'fan')!.value)).toBe('off');
    expect(spellOut(lineOf(lampArm, bare('petg', 'carbon-15'), on, 'fan')!.why)).toMatch(
      /usual for its family is 20 to 50 %/,
    );
    expect(spellOut(lineOf(lampArm, bare('petg'), on, 'fan')!.value)).toBe('20 to 50 %');
  });
  test('dried as its maker says, and longer where the company wants it', () => {
    const stated: Grade = { ...bare('petg'), process: { dryingC: 60, dryingH: 4 } };
    const line = (minimumDryingH: number) =>
      processCard(lampArm, stated, machine('bench-open'), 'XY', {
        ...defaultCompanyRules,
        minimumDryingH,
      })!.groups[0]!.lines.find(({ id }) => id === 'drying')!;
    expect(spellOut(line(0).value)).toBe('4 h at 60 °C');
    expect(spellOut(line(9).value)).toBe('9 h at 60 °C');
    expect(line(9).from).toBe('company');
  });
  test('amorphous: the chamber stays 10 K below its glass transition', () => {
    const line = lineOf(lampArm, bare('abs'), { ...machine('hot-chamber'), maximumChamberC: 60 }, 'chamber')!;
    expect(spellOut(line.value)).toBe('60 °C');
  });
  test('polyamide in ordinary air is conditioned; what stays dry and what takes up nothing is not', () => {
    const wet: Brief = { ...lampArm, moisture: 'conditioned' };
    expect(spellOut(lineOf(wet, bare('pa6'), machine('workshop-enclosed'), 'condition')!.value)).toMatch(
      /in air at 50 % humidity/,
    );
    expect(lineOf({ ...wet, moisture: 'dry' }, bare('pa6'), machine('workshop-enclosed'), 'condition')).toBeUndefined();
    expect(lineOf(wet, bare('petg'), machine('workshop-enclosed'), 'condition')).toBeUndefined();
  });
  test('drawn larger by what annealing shrinks it, where the brief counts on it', () => {
    const annealed = lineOf({ ...lampArm, annealed: true }, bare('pla-heat'), machine('bench-open'), 'anneal')!;
    const { shrinkPct } = findFamily('pla-heat')!.annealing!;
    expect(Number(/part ([\d.]+) % larger/.exec(inWords(annealed.why))![1])).toBeCloseTo(
      100 / (1 - shrinkPct / 100) - 100,
      1,
    );
  });
  test('units as the reader has them', () =>
    expect(
      inWords(
        processCard(lampArm, bare('petg'), machine('workshop-enclosed'), 'XY')!.groups[1]!.lines[0]!.value,
        'inchPound',
      ),
    ).toMatch(/°F/));
});

describe('flow', () => {
  const setting = (familyId: string, change: Partial<Machine> = {}) => ({
    brief: { ...lampArm, filled: undefined } as Brief,
    machine: { ...machine('workshop-enclosed'), ...change },
    family: findFamily(familyId)!,
    filler: undefined,
  });
  test('by hand: 14 mm³/s through lines of 0.66 × 0.3 mm', () => {
    const { meltShare, speedMmPerS } = flowOf(setting('petg'));
    expect(speedMmPerS).toBeCloseTo((14 * meltShare) / (0.66 * 0.3), 9);
  });
  test('soft filament is held at 35 mm/s, and says why', () => {
    expect(flowOf(setting('tpu-85a', { volumetricFlowMm3PerS: 40 })).speedMmPerS).toBe(35);
    expect(flowOf(setting('tpu-85a', { volumetricFlowMm3PerS: 40 })).limit).toMatch(/buckles/);
    expect(flowOf(setting('tpu-85a', { volumetricFlowMm3PerS: 40, extruder: 'remote' })).speedMmPerS).toBe(20);
  });
});

describe('a lot', () => {
  const choice = machineChoices(lampArm, sampleLibrary, 'ne-petg', 'XZ')!.find(({ cost }) => cost)!;
  const cost = choice.cost!;
  const rules = { machineHoursPerDay: 12 };
  const needs = (quantity: number, stockG = 0, more = {}) =>
    lotNeeds({ cost: { ...cost, ...more }, quantity, stockG, dryingH: 6, afterH: 12, rules });

  test('its cost on a machine is the one of the evaluation, line by line', () => {
    for (const one of machineChoices(lampArm, sampleLibrary, 'ol-pa6-gf', 'XZ')!) {
      expect(one.cost!.totalUsd).toBe(one.entry.costUsd);
      expect(one.costLines.reduce((sum, { usd }) => sum + usd, 0)).toBeCloseTo(one.entry.costUsd!, 9);
    }
  });
  test('by hand: 93 good parts at 7 % failed take 100 prints', () => {
    const { prints, machineH, filamentG } = needs(93, 0, { scrapShare: 0.07 });
    expect(prints).toBeCloseTo(100, 9);
    expect(machineH).toBeCloseTo(100 * cost.printTimeH, 9);
    expect(filamentG).toBeCloseTo(100 * cost.filamentG, 9);
  });
  test('what is in stock is not bought, and spools are bought whole', () => {
    const { filamentG } = needs(20);
    expect(needs(20, filamentG / 2).toBuyG).toBeCloseTo(filamentG / 2, 9);
    expect(needs(20, filamentG + 1)).toMatchObject({ toBuyG: 0, spoolsToBuy: 0 });
    expect(needs(20).spoolsToBuy).toBe(Math.ceil(filamentG / 1000));
  });
  test('days: drying, then 12 h of printing a day, then what comes after; a long print runs through the night', () => {
    const { days } = needs(10, 0, { scrapShare: 0, printTimeH: 6 });
    expect(days).toEqual({ drying: 0.25, printing: 5, after: 0.5, total: 5.75 });
    expect(needs(10, 0, { scrapShare: 0, printTimeH: 20 }).days.printing).toBeCloseTo(10, 9);
    expect(needs(1, 0, { scrapShare: 0, printTimeH: 48 }).days.printing).toBeCloseTo(2, 9);
    // The last day ends when the last print does.
    expect(needs(3, 0, { scrapShare: 0, printTimeH: 6 }).days.printing).toBeCloseTo(1.25, 9);
  });
  test('the day to start on, and the day it is ready, across a month', () => {
    expect(latestStart('2026-03-03', 5.75)).toBe('2026-02-25');
    expect(readyOn('2026-02-25', 5.75)).toBe('2026-03-03');
  });
  test('no part is no lot', () => expect(() => needs(0)).toThrow(/quantity/));
  test('annealing and conditioning come after printing where the brief counts on them', () => {
    const pa6 = findFamily('pa6')!;
    const dry = { ...lampArm, moisture: 'dry' as const };
    expect(afterPrintingH(dry, pa6)).toBe(0);
    expect(afterPrintingH({ ...dry, annealed: true }, pa6)).toBeGreaterThan(1);
    // What dissolves in water is not conditioned in it.
    expect(afterPrintingH({ ...dry, moisture: 'conditioned' }, findFamily('pva')!)).toBe(0);
    // Walls of several millimetres take weeks to take up their water.
    expect(afterPrintingH({ ...dry, moisture: 'conditioned' }, pa6)).toBeGreaterThan(24 * 7);
  });
});

describe('supports and what comes after', () => {
  test('a bed hotter than a support stands rules it out, with both temperatures', () => {
    const pva = supportChoices(bare('asa'), machine('workshop-enclosed'))!.find(({ support }) => support.id === 'pva')!;
    expect(inWords(joined(pva.problems, '; '))).toMatch(/bed at \d+ °C; this support stands 75 °C/);
  });
  test('usable and recommended ones come first', () => {
    const choices = supportChoices(bare('petg'), machine('workshop-enclosed'))!;
    expect(choices[0]!.problems).toEqual([]);
    const firstProblem = choices.findIndex(({ problems }) => problems.length > 0);
    if (firstProblem >= 0)
      for (const { problems } of choices.slice(firstProblem)) expect(problems.length).toBeGreaterThan(0);
  });
  test.each([
    ['abs', null, 'smoothing', 'with care'],
    ['abs', 'carbon-15', 'smoothing', 'not suitable'],
    ['pp', null, 'smoothing', 'not suitable'],
    ['pp', null, 'solvent-bonding', 'no effect'],
    ['tpu-85a', null, 'heat-set-insert', 'not suitable'],
    ['pa6', null, 'conditioning', 'works'],
    ['petg', null, 'conditioning', 'no effect'],
  ] as const)('%s %s: %s %s', (familyId, filler, id, verdict) =>
    expect(afterPrinting(bare(familyId, filler))!.find((one) => one.id === id)!.verdict).toBe(verdict),
  );
  test('chlorinated solvents are for fume hoods, others for ventilated rooms', () => {
    const caution = (familyId: string) =>
      afterPrinting(bare(familyId))!.find(({ id }) => id === 'solvent-bonding')!.caution;
    expect(caution('petg')).toMatch(/Chlorinated.*Fume hood/);
    expect(caution('abs')).toMatch(/Flammable vapour/);
  });
  test('time to nine tenths of the water is where Crank’s series says so', () => {
    const diffusion = waterDiffusionMm2PerH(findFamily('pa6')!.sorptionHalfTime2mmH);
    expect(waterUptakeFraction(3, diffusion, timeToFraction(3, diffusion, 0.9))).toBeCloseTo(0.9, 9);
  });
});

test('every grade of the library with a known family has a card for every demo part on every machine', () => {
  for (const brief of [lampArm, carrierTray])
    for (const one of sampleLibrary.grades)
      for (const on of sampleLibrary.machines) {
        const card = processCard(brief, one, on, 'XY');
        if (!findFamily(one.familyId)) expect(card).toBeUndefined();
        else
          for (const { value, why } of card!.groups.flatMap(({ lines }) => lines)) {
            expect(inWords(say`${value} ${why}`)).not.toMatch(/NaN|undefined|Infinity/);
            expect(inWords(why)).not.toMatch(/[.]$/);
          }
      }
});

test('a machine that the brief leaves out comes last and says so', () => {
  const only: Brief = { ...lampArm, asks: { ...lampArm.asks, machineIds: ['hot-chamber'] } };
  const choices = machineChoices(only, sampleLibrary, 'ne-petg', 'XZ')!;
  expect(choices[0]!.machine.id).toBe('hot-chamber');
  const texts = (id: string) => choices.find((one) => one.machine.id === id)!.fit.findings.map(({ text }) => text);
  expect(texts('workshop-enclosed')).toContain('The brief excludes this machine');
  expect(texts('hot-chamber')).not.toContain('The brief excludes this machine');
});
