import { requirePositiveValue } from '@anvilstone/core/foundations';
import { unitCostUsd, type Cost } from '@anvilstone/core/machines';
import type { CompleteRules } from '@anvilstone/core/materials';

/** Spool sizes that are usually sold, g. */
const SPOOL_G = 1000;
const HOURS_PER_DAY = 24;

export interface LotInput {
  cost: Cost;
  /** Good parts wanted. */
  quantity: number;
  /** Filament of the grade at hand, g. */
  stockG: number;
  dryingH: number;
  /** Annealing and conditioning, h. */
  afterH: number;
  rules: Pick<CompleteRules, 'machineHoursPerDay'>;
}

/** What a lot takes on one machine. */
export interface LotNeeds {
  quantity: number;
  /** Prints that it takes on average, until as many came out good as are wanted. */
  prints: number;
  partUsd: number;
  totalUsd: number;
  machineH: number;
  filamentG: number;
  toBuyG: number;
  /** Of 1 kg, bought whole. */
  spoolsToBuy: number;
  /** From the dryer’s start to parts that may be used, days: drying, printing, what comes after. */
  days: { drying: number; printing: number; after: number; total: number };
}

/**
 * What a lot of good parts takes: prints with those that fail, machine hours, filament and what of it has to be bought, cost, days.
 * All of it on average, as the cost is. A machine prints the company’s hours a day, or through the night where one print takes longer than those.
 * @throws InputError quantity not above 0
 */
export function lotNeeds({ cost, quantity, stockG, dryingH, afterH, rules }: LotInput): LotNeeds {
  requirePositiveValue('quantity', quantity);
  const { printTimeH, scrapShare } = cost;
  const prints = quantity / (1 - scrapShare);
  const machineH = prints * printTimeH;
  const filamentG = prints * cost.filamentG;
  const toBuyG = Math.max(0, filamentG - stockG);
  const hoursADay = Math.min(HOURS_PER_DAY, Math.max(rules.machineHoursPerDay, printTimeH));
  const partUsd = unitCostUsd(cost, quantity);
  const drying = dryingH / HOURS_PER_DAY;
  const fullDays = Math.floor(machineH / hoursADay + 1e-9);
  const printing = fullDays + Math.max(0, machineH - fullDays * hoursADay) / HOURS_PER_DAY;
  const after = afterH / HOURS_PER_DAY;
  return {
    quantity,
    prints,
    partUsd,
    totalUsd: partUsd * quantity,
    machineH,
    filamentG,
    toBuyG,
    spoolsToBuy: toBuyG > 0 ? Math.ceil(toBuyG / SPOOL_G - 1e-9) : 0,
    days: { drying, printing, after, total: drying + printing + after },
  };
}

const DAY_MS = 86_400_000;

/** Last day on which the lot may be started to be ready by a day, both “YYYY-MM-DD”. */
export const latestStart = (readyBy: string, days: number): string =>
  new Date(Date.parse(`${readyBy}T00:00:00Z`) - Math.ceil(days - 1e-9) * DAY_MS).toISOString().slice(0, 10);

/** Day on which a lot started on a day is ready, both “YYYY-MM-DD”. */
export const readyOn = (startOn: string, days: number): string =>
  new Date(Date.parse(`${startOn}T00:00:00Z`) + Math.ceil(days - 1e-9) * DAY_MS).toISOString().slice(0, 10);
