import type { Grade, CompanyRules, PropertyId } from '@anvilstone/schema';
import { findFamily } from '../reference/family.ts';
import type { Resolution, ResolveAt, Resolved } from '../resolving/resolution.ts';
import { resolve } from '../resolving/resolve.ts';

type Wanted = 'tensileModulus' | 'tensileStrength';
const BENT: Record<Wanted, PropertyId> = { tensileModulus: 'flexuralModulus', tensileStrength: 'flexuralStrength' };
const WEAKER = { A: 'B', B: 'C', C: 'D', D: 'D' } as const;

/**
 * What own bending tests tell of a part that bends, where they are no weaker evidence than what is known from pulling: the bending modulus
 * as it is; the bending strength × the family’s pull over bend, one class weaker, since an edge stress at break counts the load that goes
 * over to the middle. Undefined: no such test, or what is known is better.
 */
export function ownBending(
  grade: Grade,
  wanted: Wanted,
  known: Resolution,
  at: ResolveAt,
  rules: CompanyRules,
  explain: boolean,
): Resolution | undefined {
  const observations = grade.observations.filter(
    ({ property, source }) => property === BENT[wanted] && source === 'bench',
  );
  if (observations.length === 0) return undefined;
  const found = resolve({ ...grade, observations }, BENT[wanted], at, rules, explain);
  if (!found.known || found.evidence === 'D') return undefined;
  const own = wanted === 'tensileModulus' ? asModulus(found, explain) : asStrength(found, grade, explain);
  return own && (!known.known || own.evidence <= known.evidence) ? own : undefined;
}

const asModulus = (found: Resolved, explain: boolean): Resolved => ({
  ...found,
  steps: explain ? [...found.steps, { text: 'own bending modulus, since the part bends', value: found.value }] : [],
});

function asStrength(found: Resolved, grade: Grade, explain: boolean): Resolved | undefined {
  const family = findFamily(grade.familyId);
  if (!family?.flexuralStrengthMpa) return undefined;
  const share = Math.min(1, family.tensileStrengthXyMpa.mid / family.flexuralStrengthMpa);
  const value = found.value * share;
  const text = `own bending strength × ${share.toPrecision(2)}, pull over bend, typical of the family`;
  return {
    ...found,
    value,
    evidence: WEAKER[found.evidence],
    steps: explain ? [...found.steps, { text, value }] : [],
  };
}
