import { say, grams } from '@anvilstone/core/foundations';
import type { Spool, Statement } from '@anvilstone/schema';

export interface MassLeft {
  massG: number;
  /** Last weighing it starts from; null: it was never weighed, and the mass on its label is taken. */
  weighedAt: string | null;
}

/** Filament left on a spool, g: what was weighed last, or its label, less what was printed since. Never below 0. */
export function massLeft({ events, netMassG, emptyReelG }: Spool): MassLeft {
  const weighings = events.filter((one) => one.kind === 'weighed');
  const last = weighings.reduce<(typeof weighings)[number] | undefined>(
    (latest, one) => (latest && Date.parse(latest.at) > Date.parse(one.at) ? latest : one),
    undefined,
  );
  const since = last ? Date.parse(last.at) : -Infinity;
  const used = events.reduce(
    (sum, one) => (one.kind === 'used' && Date.parse(one.at) > since ? sum + one.massG : sum),
    0,
  );
  const start = last ? last.grossG - emptyReelG : netMassG;
  return { massG: Math.max(0, start - used), weighedAt: last?.at ?? null };
}

/** Water and the scale’s own scatter explain so much of a gain, as a share of what is on the spool. */
const EXPLAINED_SHARE = 0.02;
const EXPLAINED_G = 5;

/**
 * What speaks against a weighing, in words; undefined: nothing. A spool neither weighs less than its empty reel nor gains filament.
 */
export function doubtOfWeighing(spool: Spool, grossG: number): Statement | undefined {
  const { massG, weighedAt } = massLeft(spool);
  const found = grossG - spool.emptyReelG;
  const whole = (value: number) => grams(Math.round(value));
  if (found < -EXPLAINED_G)
    return say`${whole(grossG)} is less than its empty reel, ${whole(spool.emptyReelG)}: different reel, or scale error`;
  if (found > massG * (1 + EXPLAINED_SHARE) + EXPLAINED_G)
    return say`${whole(found)} of filament would be on it, but ${whole(massG)} were left ${weighedAt ? 'by the last weighing and what was printed since' : 'by its label and what was printed'}: a spool cannot gain filament: different spool or scale error`;
  return undefined;
}
