import type { PartBody } from '@anvilstone/core/shapes';
import type { CaseCheck, PreparedLoad, PreparedPart } from '../check.ts';

/** Every load, and every combination of loads that act at the same time. */
export const allLoads = ({ loads, combined }: Pick<PreparedPart, 'loads' | 'combined'>): readonly PreparedLoad[] =>
  combined.length === 0 ? loads : [...loads, ...combined];

/** A check of single loads is not asked of combinations, nor the other way round. */
export const isAskedOf = (check: CaseCheck, load: PreparedLoad, body: PartBody): boolean =>
  (load.together !== undefined) === (check.ofCombinations === true) && check.appliesTo(load, body);
