import { say, celsius } from '@anvilstone/core/foundations';
import type { Grade, Machine, Statement } from '@anvilstone/schema';
import { findFamily, supports, type Support, type SupportPairing } from '@anvilstone/core/materials';

/** A support material beside one model family on one machine. */
export interface SupportChoice {
  support: Support;
  pairing: SupportPairing;
  /** Why it cannot be used on this machine; empty: it can. */
  problems: readonly Statement[];
}

/** How a support comes off, in words. */
export const REMOVAL_WORDS: Record<SupportPairing['removability'], string> = {
  easy: 'easily',
  moderate: 'with some work',
  hard: 'hardly',
  notPractical: 'not in practice',
};

const RANK: Record<SupportPairing['recommended'], number> = { yes: 0, possible: 1, no: 2 };

/**
 * Support materials for a grade, the recommended ones first. On the machine its bed and chamber must stay below what a
 * support stands. Typical and indicative, evidence class D. Undefined: the family is not in the table.
 */
export function supportChoices(grade: Grade, machine: Machine | undefined): SupportChoice[] | undefined {
  const family = findFamily(grade.familyId);
  if (!family) return undefined;
  const bedC = (grade.process.bedC ?? family.bedC).low;
  const found = supports.flatMap((support): SupportChoice[] => {
    const pairing = support.models[grade.familyId];
    if (!pairing) return [];
    const problems = [
      ...(support.bedMaxC !== null && bedC > support.bedMaxC
        ? [say`The model wants a bed at ${celsius(bedC)}; this support stands ${celsius(support.bedMaxC)}`]
        : []),
      ...(machine && support.chamberMaxC !== null && (family.chamberC.minimum ?? 0) > support.chamberMaxC
        ? [
            say`The model wants a chamber at ${celsius(family.chamberC.minimum ?? 0)}; this support stands ${celsius(support.chamberMaxC)}`,
          ]
        : []),
      ...(machine && support.nozzleC !== null && support.nozzleC.low > machine.maximumNozzleC
        ? [
            say`It needs a nozzle at ${celsius(support.nozzleC.low)}; the machine reaches ${celsius(machine.maximumNozzleC)}`,
          ]
        : []),
    ];
    return [{ support, pairing, problems }];
  });
  return found.sort(
    (a, b) => a.problems.length - b.problems.length || RANK[a.pairing.recommended] - RANK[b.pairing.recommended],
  );
}
