import type { HouseRules, Machine } from '@anvilstone/schema';
import { requirePositive } from '../input/require.ts';

export interface CostInput {
  massG: number;
  volumeMm3: number;
  pricePerKgUsd: number;
  machine: Pick<Machine, 'volumetricFlowMm3PerS' | 'hourlyRateUsd'>;
  rules: Pick<HouseRules, 'purgeShare' | 'scrapShare' | 'printTimeFactor' | 'labourPerPartUsd' | 'machineHourUsd'>;
}

export interface Cost {
  filamentUsd: number;
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
  const filamentUsd = (input.massG / 1000) * (1 + rules.purgeShare) * input.pricePerKgUsd;
  const printTimeH = ((input.volumeMm3 / machine.volumetricFlowMm3PerS) * rules.printTimeFactor) / 3600;
  const machineUsd = printTimeH * (rules.machineHourUsd ?? machine.hourlyRateUsd);
  const labourUsd = rules.labourPerPartUsd;
  return {
    filamentUsd,
    machineUsd,
    labourUsd,
    printTimeH,
    totalUsd: (filamentUsd + machineUsd + labourUsd) / (1 - rules.scrapShare),
  };
}
