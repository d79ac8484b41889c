import type { Tow } from '@anvilstone/core/materials';

/** Strength along a strand, MPa, and how it scatters: the weaker of pulled and squeezed, since a bent part does both. */
export function strandStrength({ xtMpa, xcMpa, covByPropertyPct, covTypicalPct }: Tow): {
  strengthMPa: number;
  cov: number;
} {
  const [strengthMPa, covPct] = xcMpa < xtMpa ? [xcMpa, covByPropertyPct.xc] : [xtMpa, covByPropertyPct.xt];
  return { strengthMPa, cov: (covPct ?? covTypicalPct) / 100 };
}
