import type { Machine } from '@anvilstone/schema';
import type { Material, CompleteRules } from '@anvilstone/core/materials';
import type { FilamentCost } from './cost.ts';
import type { PriceSource } from './costLines.ts';

type PricedMaterial = Pick<Material, 'grade' | 'family' | 'filler'>;

/**
 * A grade as it is paid for on a machine: at the closed supply’s price where the machine has one, else its own, else the usual one
 * of its family with its filler. Null: the family is not known.
 */
export function filamentCost(
  material: PricedMaterial,
  { closedSupply }: Pick<Machine, 'closedSupply'>,
  { minimumDryingH }: Pick<CompleteRules, 'minimumDryingH'>,
): (FilamentCost & { priceFrom: PriceSource }) | null {
  const { grade, family, filler } = material;
  if (!family) return null;
  const { dryingH, abrasive } = grade.process;
  return {
    pricePerKgUsd: closedSupply?.pricePerKgUsd ?? openPricePerKgUsd(material)!,
    priceFrom: closedSupply ? 'closed' : grade.pricePerKgUsd === null ? 'family' : 'list',
    dryingH: Math.max(dryingH ?? family.dryingH, minimumDryingH),
    abrasive: abrasive ?? (family.abrasive || (filler?.abrasive ?? false)),
  };
}

/** Price on the open market, USD/kg; null: not stated, and the family is not known. */
export const openPricePerKgUsd = ({ grade, family, filler }: PricedMaterial): number | null =>
  grade.pricePerKgUsd ?? (family ? family.pricePerKgUsd.mid * (filler?.priceFactor ?? 1) : null);
