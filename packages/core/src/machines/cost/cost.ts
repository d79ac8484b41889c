import type { Machine } from '@anvilstone/schema';
import { requirePositive, requirePositiveValue } from '@anvilstone/core/foundations';
import type { CompleteRules } from '@anvilstone/core/materials';
import { NOZZLE_LIFE_G } from '../fit/handlingFindings.ts';
import { scrapShareOf, withFailShare } from './scrap.ts';

/** Typical of heads that lay strands. */
const STRAND_SPEED_MM_PER_S = 10;
/** Usual prices that the rules do not state, USD. Ours, class D. */
export const NOZZLE_USD = { brass: 8, hardened: 25 } as const;
export const DRYER_HOUR_USD = 0.12;
const SPOOL_G = 1000;

/** A filament as it is paid for. */
export interface FilamentCost {
  pricePerKgUsd: number;
  /** Drying of a spool, h. */
  dryingH: number;
  abrasive: boolean;
}

/** How many good parts one set-up makes, and what each throws away. */
export interface Lot {
  quantity: number;
  /** Set-up of the lot, USD; absent: as the company rules say. */
  setupUsd?: number | undefined;
  /** Support thrown away with each part, g. @default 0 */
  supportG?: number | undefined;
}

export interface CostInput {
  massG: number;
  volumeMm3: number;
  filament: FilamentCost;
  machine: Pick<
    Machine,
    'name' | 'volumetricFlowMm3PerS' | 'hourlyRateUsd' | 'strandSpeedMmPerS' | 'nozzleMaterial' | 'condition'
  >;
  /** Continuous strands within that mass and volume, what they cost, and how long they are. */
  fibre?: { laidMm3: number; massG: number; strandUsd: number; lengthMm: number };
  rules: Pick<
    CompleteRules,
    'purgeShare' | 'scrapShare' | 'printTimeFactor' | 'labourPerPartUsd' | 'machineHourUsd' | 'setupUsd'
  >;
  /** @default one part */
  lot?: Lot | undefined;
  /** Share of prints that this machine loses with this grade beside the usual ones. @default 0 */
  failShare?: number | undefined;
}

/** What one good part costs, USD: the one place where it is reckoned. */
export interface Cost {
  filamentUsd: number;
  /** Continuous strands; absent: none. */
  strandUsd?: number;
  machineUsd: number;
  /** Its share of drying a spool. */
  dryingUsd: number;
  /** Abrasive grams over the life of the nozzle. */
  nozzleUsd: number;
  labourUsd: number;
  /** What failed prints add to a good part. */
  scrapUsd: number;
  /** Its share of setting up the lot; not paid again for a failed print. */
  setupUsd: number;
  totalUsd: number;
  /** Of one print, h. */
  printTimeH: number;
  /** Filament of one print with purge and support, g. */
  filamentG: number;
  /** Share of prints that fail. */
  scrapShare: number;
  quantity: number;
}

/** Hours of one print: the melted volume at the sustained flow × a factor for travel, corners and small layers, and the strands at their own speed. */
export function printTimeH({
  volumeMm3,
  machine,
  fibre,
  rules,
}: Pick<CostInput, 'volumeMm3' | 'fibre'> & {
  machine: Pick<Machine, 'volumetricFlowMm3PerS' | 'strandSpeedMmPerS'>;
  rules: Pick<CompleteRules, 'printTimeFactor'>;
}): number {
  requirePositive(machine, ['volumetricFlowMm3PerS']);
  const meltedMm3 = Math.max(0, volumeMm3 - (fibre?.laidMm3 ?? 0));
  const strandH = (fibre?.lengthMm ?? 0) / (machine.strandSpeedMmPerS ?? STRAND_SPEED_MM_PER_S) / 3600;
  return ((meltedMm3 / machine.volumetricFlowMm3PerS) * rules.printTimeFactor) / 3600 + strandH;
}

/**
 * Cost of one good part, USD: filament with purge and support, strands, machine hours, drying, nozzle wear and labour of a print,
 * over the share of prints that succeed on this machine, and its share of setting up the lot.
 * @throws InputError mass, volume, price, flow or quantity not finite and above 0
 */
export function partCost(input: CostInput): Cost {
  requirePositive(input, ['massG', 'volumeMm3']);
  requirePositive(input.filament, ['pricePerKgUsd']);
  const { rules, machine, fibre, filament } = input;
  const quantity = input.lot?.quantity ?? 1;
  requirePositiveValue('quantity', quantity);
  const printedG = Math.max(0, input.massG - (fibre?.massG ?? 0));
  const filamentG = (printedG + (input.lot?.supportG ?? 0)) * (1 + rules.purgeShare);
  const filamentUsd = (filamentG / 1000) * filament.pricePerKgUsd;
  const strandUsd = fibre?.strandUsd ?? 0;
  const hours = printTimeH(input);
  const machineUsd = hours * (rules.machineHourUsd ?? machine.hourlyRateUsd);
  const dryingUsd = (filament.dryingH * DRYER_HOUR_USD * filamentG) / SPOOL_G;
  const nozzleUsd = filament.abrasive
    ? (filamentG / NOZZLE_LIFE_G[machine.nozzleMaterial]) * NOZZLE_USD[machine.nozzleMaterial]
    : 0;
  const labourUsd = rules.labourPerPartUsd;
  const printUsd = filamentUsd + strandUsd + machineUsd + dryingUsd + nozzleUsd + labourUsd;
  const scrapShare = withFailShare(scrapShareOf(machine, rules.scrapShare), input.failShare ?? 0);
  const scrapUsd = (printUsd * scrapShare) / (1 - scrapShare);
  const setupUsd = (input.lot?.setupUsd ?? rules.setupUsd) / quantity;
  const cost: Cost = {
    filamentUsd,
    machineUsd,
    dryingUsd,
    nozzleUsd,
    labourUsd,
    scrapUsd,
    setupUsd,
    totalUsd: printUsd + scrapUsd + setupUsd,
    printTimeH: hours,
    filamentG,
    scrapShare,
    quantity,
  };
  if (fibre) cost.strandUsd = strandUsd;
  return cost;
}

/** Cost of one good part in a lot of another size, USD: only its share of the set-up changes. */
export const unitCostUsd = ({ totalUsd, setupUsd, quantity }: Cost, ofQuantity: number): number =>
  totalUsd - setupUsd + (setupUsd * quantity) / ofQuantity;

/** Cost of one good part with its filament at another price, USD. */
export const atPricePerKgUsd = (
  { totalUsd, filamentUsd, filamentG, scrapShare }: Cost,
  pricePerKgUsd: number,
): number => totalUsd + ((filamentG / 1000) * pricePerKgUsd - filamentUsd) / (1 - scrapShare);

/** What each good part would cost less if a machine failed no more often than is usual of it, USD. */
export const savedWithoutOdds = ({ totalUsd, setupUsd, scrapUsd, scrapShare }: Cost, usualScrapShare: number): number =>
  (totalUsd - setupUsd - scrapUsd) * (1 / (1 - scrapShare) - 1 / (1 - usualScrapShare));
