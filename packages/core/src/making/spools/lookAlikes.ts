import { say, kelvins, grams } from '@anvilstone/core/foundations';
import type { Grade, Spool, Statement } from '@anvilstone/schema';
import { prepareMaterial, findFamily, defaultCompanyRules } from '@anvilstone/core/materials';

/** Two spools that the eye takes for each other, of different grades. */
export interface LookAlikes {
  spoolIds: readonly [string, string];
  /** What mixing them up would do. */
  risk: Statement;
  /** How to tell them apart without a label. */
  tellApart: Statement;
}

/** Masses of a metre that differ by this much are told apart on a scale to 0.01 g. */
const TELLING_G = 0.05;

/**
 * Every pair of spools in stock of one colour and filament diameter but of different grades. Fibre-filled
 * is dull and an elastomer limp: neither is taken for another kind. */
export function lookAlikes(spools: readonly Spool[], gradeOf: (id: string) => Grade | undefined): LookAlikes[] {
  const known = spools
    .filter((spool) => !spool.empty)
    .map((spool) => ({ spool, grade: gradeOf(spool.gradeId) }))
    .filter((one): one is { spool: Spool; grade: Grade } => one.grade !== undefined)
    .sort((a, b) => (a.spool.id < b.spool.id ? -1 : 1));
  return known.flatMap((a, i) =>
    known.slice(i + 1).flatMap((b) => {
      const differ = a.grade.id !== b.grade.id;
      const looksSame =
        a.spool.colour.toLowerCase() === b.spool.colour.toLowerCase() &&
        a.spool.filamentDiameterMm === b.spool.filamentDiameterMm &&
        isDull(a.grade) === isDull(b.grade) &&
        isSoft(a.grade) === isSoft(b.grade);
      return differ && looksSame
        ? [
            {
              spoolIds: [a.spool.id, b.spool.id] as const,
              risk: riskOf(a.grade, b.grade),
              tellApart: tellApart(a, b),
            },
          ]
        : [];
    }),
  );
}

const isSoft = ({ familyId }: Grade) => findFamily(familyId)?.morphology === 'elastomer';
const isDull = ({ reinforcementId }: Grade) => reinforcementId !== null;

function riskOf(a: Grade, b: Grade): Statement {
  const [one, other] = [findFamily(a.familyId), findFamily(b.familyId)];
  if (!one || !other) return 'one of their families is not known';
  if (one.id !== other.id) {
    const apart = Math.abs(one.glassTransitionC - other.glassTransitionC);
    return say`${one.abbreviation} taken for ${other.abbreviation}: they are printed differently${apart > 15 ? say`, and one softens ${kelvins(Math.round(apart))} earlier` : ''}`;
  }
  return a.reinforcementId === b.reinforcementId
    ? `both ${one.abbreviation}, but not one grade: results would be written to the wrong one`
    : `both ${one.abbreviation}, one with another filler`;
}

function tellApart(a: { spool: Spool; grade: Grade }, b: { spool: Spool; grade: Grade }): Statement {
  const [first, second] = [metreG(a), metreG(b)];
  if (first === undefined || second === undefined || Math.abs(first - second) < TELLING_G)
    return 'not by weight: go by the label, and keep them apart';
  return say`a metre of ${a.spool.id} weighs ${grams(first)}, of ${b.spool.id} ${grams(second)}`;
}

/** Mass of a metre of filament: π/4·d² in mm², times 1 m, is cm³. */
function metreG({ spool, grade }: { spool: Spool; grade: Grade }): number | undefined {
  const { density } = prepareMaterial(grade, 'dry', defaultCompanyRules, false);
  return density.known ? (Math.PI / 4) * spool.filamentDiameterMm ** 2 * density.value : undefined;
}
