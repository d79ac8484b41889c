import type { HouseRules, Machine } from '@anvilstone/schema';
import { requirePositive } from '../input/require.ts';

/** Typical of heads that lay strands. */
const STRAND_SPEED_MM_PER_S = 10;

export interface CostInput {
  massG: number;
  volumeMm3: number;
  pricePerKgUsd: number;
  machine: Pick<Machine, 'volumetricFlowMm3PerS' | 'hourlyRateUsd' | 'strandSpeedMmPerS'>;
  /** Continuous strands within that mass and volume, what they cost, and how long they are. */
  fibre?: { laidMm3: number; massG: number; strandUsd: number; lengthMm: number };
  rules: Pick<HouseRules, 'purgeShare' | 'scrapShare' | 'printTimeFactor' | 'labourPerPartUsd' | 'machineHourUsd'>;
}

export interface Cost {
  filamentUsd: number;
  /** Continuous strands; absent: none. */
  strandUsd?: number;
  machineUsd: number;
  labourUsd: number;
  printTimeH: number;
  /** Cost of one good part: everything above over the share of prints that succeed. */
  totalUsd: number;
}

/**
 * Cost of one good part, USD: filament with purge + machine hours + labour, over the share of good prints.
 * Print time is the part's volume at the machine's sustained flow × a factor for travel, corners and small layers.
 * @throws InputError mass, volume, price or flow not finite and above 0
 */
export function partCost(input: CostInput): Cost {
  requirePositive(input, ['massG', 'volumeMm3', 'pricePerKgUsd']);
  requirePositive(input.machine, ['volumetricFlowMm3PerS']);
  const { rules, machine } = input;
  const { fibre } = input;
  const filamentG = Math.max(0, input.massG - (fibre?.massG ?? 0));
  const filamentUsd = (filamentG / 1000) * (1 + rules.purgeShare) * input.pricePerKgUsd;
  const strandUsd = fibre?.strandUsd ?? 0;
  const meltedMm3 = Math.max(0, input.volumeMm3 - (fibre?.laidMm3 ?? 0));
  const strandH = (fibre?.lengthMm ?? 0) / (machine.strandSpeedMmPerS ?? STRAND_SPEED_MM_PER_S) / 3600;
  const printTimeH = ((meltedMm3 / machine.volumetricFlowMm3PerS) * rules.printTimeFactor) / 3600 + strandH;
  const machineUsd = printTimeH * (rules.machineHourUsd ?? machine.hourlyRateUsd);
  const labourUsd = rules.labourPerPartUsd;
  return {
    filamentUsd,
    ...(fibre ? { strandUsd } : {}),
    machineUsd,
    labourUsd,
    printTimeH,
    totalUsd: (filamentUsd + strandUsd + machineUsd + labourUsd) / (1 - rules.scrapShare),
  };
}
