import type { Grade, CompanyRules, Layup, LayupPly, Library } from '@anvilstone/schema';
import { InputError, inWords, joined } from '@anvilstone/core/foundations';
import { prepareMaterial, type Material, type Resolution, tows, type Tow } from '@anvilstone/core/materials';
import type { Lamina } from './lamina.ts';
import type { Ply } from './laminate.ts';

/** A layer of a printed grade that does not say how thick it is, mm. */
const LAYER_MM = 0.2;

export const findTow = (id: string): Tow | undefined => tows.find((one) => one.id === id);

/** A printed strand as a ply; dry, 23 °C, typical values. */
export function laminaOfTow(tow: Tow): Lamina {
  return {
    name: tow.name,
    kind: 'tow',
    e1MPa: tow.e1Mpa,
    e2MPa: tow.e2Mpa,
    g12MPa: tow.g12Mpa,
    nu12: tow.nu12,
    xtMPa: tow.xtMpa,
    xcMPa: tow.xcMpa,
    ytMPa: tow.ytMpa,
    ycMPa: tow.ycMpa,
    sMPa: tow.sMpa,
    alpha1PerK: tow.thermalExpansion1PerK,
    alpha2PerK: tow.thermalExpansion2PerK,
    cov: tow.covTypicalPct / 100,
  };
}

/**
 * A solid printed layer as a ply: alike in every direction of its plane, as everywhere in the checks; dry, 23 °C.
 * @throws InputError what a ply needs is not known of the grade
 */
export function laminaOfGrade(grade: Grade, rules: CompanyRules): Lamina {
  const material = prepareMaterial(grade, 'dry', rules, false);
  const need = (resolution: Resolution, what: string): number => {
    if (resolution.known) return resolution.value;
    throw new InputError(
      'gradeId',
      grade.id,
      `a grade whose ${what} is known; ${inWords(joined(resolution.gaps, '; '))}`,
    );
  };
  const poisson = poissonOf(material);
  const e = need(material.modulus.inPlane, 'modulus');
  const tension = need(material.strength.inPlane, 'strength');
  const compression = need(material.property('compressiveStrength'), 'compressive strength');
  const expansion = material.property('thermalExpansion');
  const { strength } = material;
  return {
    name: grade.name,
    kind: 'matrix',
    e1MPa: e,
    e2MPa: e,
    g12MPa: e / (2 * (1 + poisson)),
    nu12: poisson,
    xtMPa: tension,
    xcMPa: compression,
    ytMPa: tension,
    ycMPa: compression,
    sMPa: tension * material.family!.shearToTensileStrengthRatio,
    alpha1PerK: expansion.known ? expansion.value * 1e-6 : 0,
    alpha2PerK: expansion.known ? expansion.value * 1e-6 : 0,
    cov: strength.inPlane.known ? strength.inPlane.cov : 0,
  };
}

function poissonOf({ behaviour, grade, behaviourGaps }: Material): number {
  if (behaviour) return Math.min(0.49, behaviour.poisson);
  throw new InputError('gradeId', grade.id, `a grade whose family is known; ${behaviourGaps.join('; ')}`);
}

/**
 * The plies of a layup one by one from below, repeated and mirrored as it says.
 * @throws InputError a strand or grade that is not there, at the place of its ply
 */
export function pliesOf(layup: Layup, library: Pick<Library, 'grades'>, rules: CompanyRules): Ply[] {
  const interaction = layup.tsaiWuInteraction;
  const listed = layup.plies.flatMap((ply, i) => {
    const { lamina: alone, thicknessMm } = materialOf(ply, i, library, rules);
    const lamina = interaction === undefined ? alone : { ...alone, interaction };
    return Array.from({ length: ply.count ?? 1 }, (): Ply => ({ lamina, thicknessMm, angleDeg: ply.angleDeg }));
  });
  return layup.mirrored ? [...listed, ...[...listed].reverse()] : listed;
}

function materialOf(
  { material, thicknessMm }: LayupPly,
  index: number,
  library: Pick<Library, 'grades'>,
  rules: CompanyRules,
): { lamina: Lamina; thicknessMm: number } {
  const at = `plies/${index}/material`;
  if ('towId' in material) {
    const tow = findTow(material.towId);
    if (!tow) throw new InputError(`${at}/towId`, material.towId, tows.map(({ id }) => id).join(', '));
    return { lamina: laminaOfTow(tow), thicknessMm: thicknessMm ?? tow.beadHeightMm };
  }
  if ('gradeId' in material) {
    const grade = library.grades.find(({ id }) => id === material.gradeId);
    if (!grade) throw new InputError(`${at}/gradeId`, material.gradeId, 'a grade of the library');
    return { lamina: laminaOfGrade(grade, rules), thicknessMm: thicknessMm ?? LAYER_MM };
  }
  if (thicknessMm === undefined)
    throw new InputError(`plies/${index}/thicknessMm`, thicknessMm, 'a thickness: constants of one’s own have none');
  const { alpha1PerK = 0, alpha2PerK = 0, ...rest } = material.lamina;
  return { lamina: { ...rest, alpha1PerK, alpha2PerK, cov: 0, kind: 'tow' }, thicknessMm };
}
