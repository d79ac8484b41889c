import { inWords, joined } from '@anvilstone/core/foundations';
import type { Machine } from '@anvilstone/schema';
import { defaultCompanyRules } from '../../materials/companyRules/companyRules.ts';
import { machineFit } from './machineFit.ts';
import type { ProcessNeeds } from './fitFinding.ts';

const machine: Machine = {
  id: 'm',
  name: 'M',
  maximumNozzleC: 300,
  hotEndLining: 'all-metal',
  maximumBedC: 110,
  enclosure: 'heated',
  maximumChamberC: 80,
  nozzleMaterial: 'hardened',
  nozzleDiameterMm: 0.6,
  extruder: 'direct',
  buildVolumeMm: { x: 200, y: 150, z: 180 },
  volumetricFlowMm3PerS: 10,
  hourlyRateUsd: 1,
  sampleData: true,
};
const needs: ProcessNeeds = {
  nozzleC: { low: 230, mid: 240 },
  bedLowC: 80,
  enclosure: 'open',
  chamber: { minimum: null, recommended: null },
  warpTendency1to5: 2,
  abrasive: false,
  minimumNozzleMm: 0.4,
  recommendedNozzleMm: 0.4,
  directDriveNeeded: false,
};
const size = { length: 100, depth: 20, width: 30 };

/** What is asked, what the machine has, and the verdict that follows; each pair of rows stands on both sides of an edge. */
test.each<[string, Partial<ProcessNeeds>, Partial<Machine>, 'pass' | 'caution' | 'blocker', RegExp]>([
  ['nothing special', {}, {}, 'pass', /^$/],
  ['nozzle: best temperature just reached', {}, { maximumNozzleC: 240 }, 'pass', /^$/],
  ['nozzle: only the low end reached', {}, { maximumNozzleC: 235 }, 'caution', /Best at a nozzle of 240/],
  ['nozzle: low end just reached', {}, { maximumNozzleC: 230 }, 'caution', /reaches 230/],
  ['nozzle: not reached', {}, { maximumNozzleC: 229 }, 'blocker', /Needs a nozzle at 230/],
  ['lining: at the limit', {}, { hotEndLining: 'ptfe' }, 'pass', /^$/],
  [
    'lining: the best is above',
    { nozzleC: { low: 230, mid: 241 } },
    { hotEndLining: 'ptfe' },
    'caution',
    /240 °C or less.*toxic fumes/,
  ],
  [
    'lining: all of it above',
    { nozzleC: { low: 241, mid: 250 } },
    { hotEndLining: 'ptfe' },
    'blocker',
    /toxic fumes above 240.*all-metal/,
  ],
  ['bed: just reached', {}, { maximumBedC: 80 }, 'pass', /^$/],
  ['bed: short', {}, { maximumBedC: 79 }, 'blocker', /bed at 80/],
  ['enclosure: open and little warp', { enclosure: 'enclosed' }, { enclosure: 'open' }, 'caution', /enclosure/],
  [
    'enclosure: open and some warp',
    { enclosure: 'enclosed', warpTendency1to5: 3 },
    { enclosure: 'open' },
    'caution',
    /No enclosure: about 15 % of prints/,
  ],
  [
    'enclosure: open and much warp',
    { enclosure: 'enclosed', warpTendency1to5: 5 },
    { enclosure: 'open' },
    'blocker',
    /No enclosure: about 60 % of prints/,
  ],
  ['enclosure: a heated one does as well', { enclosure: 'enclosed', warpTendency1to5: 5 }, {}, 'pass', /^$/],
  ['chamber: warm enough', { enclosure: 'heated', chamber: { minimum: 60, recommended: 80 } }, {}, 'pass', /^$/],
  [
    'chamber: below the best',
    { enclosure: 'heated', chamber: { minimum: 60, recommended: 90 } },
    {},
    'caution',
    /chamber at 90/,
  ],
  [
    'chamber: a little below the least',
    { enclosure: 'heated', chamber: { minimum: 81, recommended: 90 } },
    {},
    'caution',
    /air in it reaches about 80 °C, best is 90 °C/,
  ],
  [
    'chamber: far below the least',
    { enclosure: 'heated', chamber: { minimum: 96, recommended: 110 } },
    {},
    'blocker',
    /Needs a chamber at 96/,
  ],
  [
    'chamber: none, but warm enough by its bed',
    { enclosure: 'heated', bedLowC: 100, chamber: { minimum: 60, recommended: 90 } },
    { enclosure: 'enclosed', maximumChamberC: null },
    'caution',
    /air in it reaches about 62 °C, best is 90 °C/,
  ],
  [
    'chamber: open',
    { enclosure: 'heated', bedLowC: 100, chamber: { minimum: 60, recommended: 90 } },
    { enclosure: 'open', maximumChamberC: null },
    'blocker',
    /air in this one reaches about 23 °C/,
  ],
  ['fibre through brass', { abrasive: true }, { nozzleMaterial: 'brass' }, 'blocker', /hardened/],
  ['fibre through hardened', { abrasive: true }, {}, 'pass', /^$/],
  [
    'nozzle too narrow',
    { minimumNozzleMm: 0.6, recommendedNozzleMm: 0.6 },
    { nozzleDiameterMm: 0.4 },
    'blocker',
    /0.6 mm or wider/,
  ],
  ['nozzle narrower than advised', { recommendedNozzleMm: 0.8 }, {}, 'caution', /may clog/],
  ['very soft filament, guide tube', { shoreA: 79 }, { extruder: 'remote' }, 'blocker', /79 Shore A.*direct-drive/],
  ['soft filament, guide tube', { shoreA: 80 }, { extruder: 'remote' }, 'caution', /feed slowly/],
  ['very soft filament, drive at the nozzle', { shoreA: 70 }, {}, 'pass', /^$/],
  ['harder filament, guide tube', { shoreA: 96 }, { extruder: 'remote' }, 'pass', /^$/],
  ['soft on another scale', { directDriveNeeded: true }, { extruder: 'remote' }, 'caution', /Soft filament through/],
  ['several at once', { abrasive: true, bedLowC: 120 }, { nozzleMaterial: 'brass' }, 'blocker', /bed at 120.*hardened/],
])('%s', (_what, ask, have, verdict, said) => {
  const fit = machineFit({ ...needs, ...ask }, { ...machine, ...have }, size, 'XY', defaultCompanyRules);
  expect(fit.verdict).toBe(verdict);
  expect(
    inWords(
      joined(
        fit.findings.map((finding) => finding.text),
        '; ',
      ),
    ),
  ).toMatch(said);
});

test.each([
  ['XY', { length: 190, depth: 170, width: 100 }, 'pass'], // lies down, stacked along the load
  ['XY', { length: 190, depth: 181, width: 100 }, 'blocker'],
  ['XZ', { length: 190, depth: 140, width: 180 }, 'pass'],
  ['XZ', { length: 190, depth: 160, width: 100 }, 'blocker'],
  ['ZX', { length: 180, depth: 100, width: 100 }, 'pass'],
  ['ZX', { length: 181, depth: 100, width: 100 }, 'blocker'],
  ['XY', { length: 235, depth: 20, width: 10 }, 'pass'], // across the corner of 200 × 150
] as const)('%s of %p on 200 × 150 × 180: %s', (orientation, extent, verdict) =>
  expect(machineFit(needs, machine, extent, orientation, defaultCompanyRules).verdict).toBe(verdict),
);
