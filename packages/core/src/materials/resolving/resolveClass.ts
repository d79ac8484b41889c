import { say, mm } from '@anvilstone/core/foundations';
import type { EvidenceClass, Grade, Observation, PropertyId, Statement } from '@anvilstone/schema';
import { findFamily } from '../reference/family.ts';
import { PROPERTY_DEFINITIONS } from './properties.ts';

export type ClassResolution =
  | { known: true; classValue: string; evidence: EvidenceClass; steps: readonly Statement[]; observationId?: string }
  | { known: false; gaps: readonly Statement[] };

export interface ClassWantedAt {
  /** Wall the flame class is wanted for, mm. */
  thicknessMm?: number;
  agentId?: string;
}

/**
 * The class of a property that has no number: flame class, chemical resistance. Of several reports at the condition the
 * worst counts. A flame class tested on a thicker piece does not cover a thinner wall. The family's usual flame class is an
 * indication only (D).
 */
export function resolveClass(grade: Grade, property: PropertyId, at: ClassWantedAt = {}): ClassResolution {
  const { classes = [], title } = PROPERTY_DEFINITIONS[property];
  const refusals: Statement[] = [];
  const usable = grade.observations.filter((one) => {
    if (one.property !== property) return false;
    const reason = refusal(one, classes, at);
    if (reason) refusals.push(say`${one.classValue ?? 'no class'} from ${one.reference}: not used, ${reason}`);
    return !reason;
  });
  const worst = [...usable].sort((a, b) => classes.indexOf(b.classValue!) - classes.indexOf(a.classValue!))[0];
  if (worst) {
    const disagree = usable.some((one) => one.classValue !== worst.classValue);
    const evidence: EvidenceClass =
      worst.source === 'bench' || worst.specimen === 'printed' ? 'B' : worst.source === 'estimate' ? 'D' : 'C';
    return {
      known: true,
      classValue: worst.classValue!,
      evidence,
      observationId: worst.id,
      steps: [
        say`${worst.classValue!} from ${worst.reference}${worst.thicknessMm === undefined ? '' : say` at ${mm(worst.thicknessMm)}`}`,
        ...(disagree ? ['reports disagree; the worst counts'] : []),
        ...refusals,
      ],
    };
  }
  const family = property === 'flameClass' ? findFamily(grade.familyId) : undefined;
  const covers =
    family &&
    (family.flameThicknessMm === null || at.thicknessMm === undefined || at.thicknessMm >= family.flameThicknessMm);
  if (!family || !covers) return { known: false, gaps: [`${title}: no report at this condition`, ...refusals] };
  const text = `${family.flameClassTypical} is usual for ${family.abbreviation}; an indication, never a rating of this grade`;
  return { known: true, classValue: family.flameClassTypical, evidence: 'D', steps: [...refusals, text] };
}

function refusal(one: Observation, classes: readonly string[], at: ClassWantedAt): Statement | undefined {
  if (one.classValue === undefined || !classes.includes(one.classValue)) return 'it has no known class';
  if (at.thicknessMm !== undefined && one.property === 'flameClass') {
    if (one.thicknessMm === undefined) return 'the tested thickness is not stated';
    if (one.thicknessMm > at.thicknessMm)
      return say`tested at ${mm(one.thicknessMm)}, which does not cover ${mm(at.thicknessMm)}`;
  }
  return at.agentId !== undefined && one.agentId !== at.agentId ? 'it is for another chemical' : undefined;
}
