import { InputError, requireWithin, bisect } from '@anvilstone/core/foundations';
import { noncentralT, normalPoint } from './distributions.ts';

/**
 * One-sided normal tolerance factor k: with the stated confidence at least `share` of all parts lie above mean − k·sd.
 * k = t′(confidence; n − 1, z·√n)/√n, by the noncentral t. Range: n 2 … 10,000.
 * Source: CMH-17 volume 1, section 8.5.13 and table 8.5.10 (B-basis: 0.90 at 0.95; A-basis: 0.99 at 0.95).
 * @throws InputError n no whole number of 2 or more; share or confidence not within 0.5 … 0.9999
 */
export function toleranceFactor(n: number, share = 0.9, confidence = 0.95): number {
  if (!Number.isInteger(n)) throw new InputError('n', n, 'a whole number is needed');
  requireWithin('n', n, 2, 10_000);
  requireWithin('share', share, 0.5, 0.9999);
  requireWithin('confidence', confidence, 0.5, 0.9999);
  const key = `${n} ${share} ${confidence}`;
  const known = factors.get(key);
  if (known !== undefined) return known;
  const root = Math.sqrt(n);
  const noncentrality = normalPoint(share) * root;
  const isSmall = (k: number) => noncentralT(k * root, n - 1, noncentrality) < confidence;
  let most = 1;
  while (isSmall(most)) most *= 2;
  const [, factor] = bisect(isSmall, 0, most);
  factors.set(key, factor);
  return factor;
}

/** The same few are asked for again and again. */
const factors = new Map<string, number>();
