import type { Machine } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';

/** The company’s share counts as so many prints beside a machine’s own. */
const COMPANY_PRINTS = 20;
/** Beyond it nobody prints. */
const MOST_SCRAP = 0.95;

/** Share of prints that fail on a machine: (failed + 20 × the company’s share) ÷ (prints + 20), for a short history says little. */
export function scrapShareOf({ condition }: Pick<Machine, 'condition'>, companyShare: number): number {
  const { prints, failedPrints } = condition ?? {};
  if (!prints || failedPrints === undefined) return companyShare;
  return Math.min(MOST_SCRAP, (failedPrints + COMPANY_PRINTS * companyShare) / (prints + COMPANY_PRINTS));
}

/** Share of prints that fail by the one or by the other: 1 − (1 − usual)(1 − added), at most 0.95. */
export const withFailShare = (usual: number, added: number): number =>
  Math.min(MOST_SCRAP, 1 - (1 - usual) * (1 - added));

/** Where that share is from, in words. */
export function scrapSource({ condition, name }: Pick<Machine, 'condition' | 'name'>, companyShare: number): string {
  const { prints, failedPrints } = condition ?? {};
  if (!prints || failedPrints === undefined) return 'company rule';
  return `${failedPrints} of ${prints} prints of ${name} failed, weighted with the company rule of ${f(100 * companyShare)} %`;
}
