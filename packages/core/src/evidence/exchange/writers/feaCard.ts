import type { Conditioning, Grade, CompanyRules } from '@anvilstone/schema';
import { InputError, formatNumber, inWords } from '@anvilstone/core/foundations';
import { prepareMaterial, type Material, type Resolution, resolve } from '@anvilstone/core/materials';

export interface FeaCardOptions {
  temperatureC: number;
  conditioning: Conditioning;
  rules: CompanyRules;
}

export interface OrthotropicConstants {
  /** MPa; 1 and 2 in the layer plane, 3 across the layers. */
  e1: number;
  e2: number;
  e3: number;
  nu12: number;
  nu13: number;
  nu23: number;
  g12: number;
  g13: number;
  g23: number;
}

/**
 * Engineering constants of the printed solid, transversely isotropic about the build direction (axis 3), MPa, at a
 * temperature. In plane E1 = E2, G12 = E1/(2(1 + ν)); across E3; G13 = G23 = G12·√(E3/E1), as everywhere in the checks;
 * ν13 = ν23 = ν. The stiffness is then positive definite whenever |ν13| < √(E1/E3), which is checked.
 * @throws InputError modulus or family not known, or constants that no real material has
 */
export function orthotropicConstants(material: Material, temperatureC: number): OrthotropicConstants {
  const { modulus, behaviour } = material;
  if (!modulus.inPlane.known || !modulus.across.known || !behaviour) {
    throw new InputError(
      'gradeId',
      material.grade.id,
      `a grade whose moduli are known; here ${material.behaviourGaps.join('; ') || 'a modulus is not'}`,
    );
  }
  const ratio = material.modulusRatio(temperatureC);
  const e1 = modulus.inPlane.value * ratio;
  const e3 = modulus.across.value * ratio;
  const nu = Math.min(behaviour.poisson, 0.49); // a solver cannot invert an incompressible solid
  const g12 = e1 / (2 * (1 + nu));
  const g13 = g12 * Math.sqrt(e3 / e1);
  // Lempriere's conditions (AIAA J. 6 (1968) 2226) for transverse isotropy.
  const nu31 = (nu * e3) / e1;
  if (!(nu * nu < e1 / e3) || !(1 - nu * nu - 2 * nu * nu31 - 2 * nu * nu * nu31 > 0)) {
    throw new InputError(
      'gradeId',
      material.grade.id,
      'moduli across and along the layers that can belong to one material',
    );
  }
  return { e1, e2: e1, e3, nu12: nu, nu13: nu, nu23: nu, g12, g13, g23: g13 };
}

/**
 * A material card in the open keyword input deck that *MATERIAL and *ELASTIC, TYPE=ENGINEERING CONSTANTS belong to. Units
 * N, mm, t, s, MPa, mJ. Every number’s condition and evidence stands beside it in a comment; what is not known is left out
 * and said. Strengths are comments only: the deck format has no place for them.
 * @throws InputError as orthotropicConstants
 */
export function writeFeaCard(grade: Grade, { temperatureC, conditioning, rules }: FeaCardOptions): string {
  const material = prepareMaterial(grade, conditioning, rules);
  const c = orthotropicConstants(material, temperatureC);
  const at = { direction: 'in-plane', conditioning, temperatureC } as const;
  const expansion = resolve(grade, 'thermalExpansion', at, rules, false);
  const across = { ...at, direction: 'across' } as const;
  const number = (value: number) => deckNumber(value);
  const lines = [
    comment(`${grade.name} (${grade.maker})${grade.sampleData ? ' - SAMPLE DATA, NOT FOR DESIGN' : ''}`),
    comment('Units: N, mm, t, s, MPa. Axes: 1 and 2 in the layer plane, 3 across the layers (build direction).'),
    comment(
      `Printed solid at ${temperatureC} C, ${conditioning}. Linear, small strain, short time: no creep, no failure in it.`,
    ),
    comment('A calculation aid. It approves nothing: proof tests and a responsible engineer decide.'),
    comment(`E1 = E2: ${evidenceText(material.modulus.inPlane, 'MPa at 23 C')}`),
    comment(`E3: ${evidenceText(material.modulus.across, 'MPa at 23 C')}`),
    comment(
      `Share of the 23 C modulus left at ${temperatureC} C: ${formatNumber(material.modulusRatio(temperatureC))} (${inWords(material.behaviour!.hdtNote)})`,
    ),
    comment(
      'Poisson ratios: typical of the family. G12 = E1/(2(1+nu)); G13 = G23 = G12*sqrt(E3/E1): estimated, class D.',
    ),
    `*MATERIAL, NAME=${deckName(grade.id)}`,
    '*ELASTIC, TYPE=ENGINEERING CONSTANTS',
    // Eight values on the first line, the ninth and the temperature on the second: the format’s own rule.
    [c.e1, c.e2, c.e3, c.nu12, c.nu13, c.nu23, c.g12, c.g13].map(number).join(', ') + ',',
    `${number(c.g23)}, ${number(temperatureC)}`,
  ];
  if (material.density.known) {
    lines.push(
      comment(`Density: ${evidenceText(material.density, 'g/cm3')}`),
      '*DENSITY',
      number(material.density.value * 1e-9),
    );
  } else lines.push(comment('Density: not known'));
  if (expansion.known) {
    const measuredAcross = resolve(grade, 'thermalExpansion', across, rules, false);
    const a1 = expansion.value * 1e-6;
    const a3 = measuredAcross.known ? measuredAcross.value * 1e-6 : a1;
    lines.push(
      comment(
        `Expansion in plane: ${evidenceText(expansion, '1e-6/K')}; across: ${measuredAcross.known ? evidenceText(measuredAcross, '1e-6/K') : 'not known, taken as in plane'}`,
      ),
      '*EXPANSION, TYPE=ORTHO, ZERO=23.',
      [a1, a1, a3, temperatureC].map(number).join(', '),
    );
  } else lines.push(comment('Thermal expansion: not known'));
  for (const [name, resolution] of [
    ['in plane', material.strength.inPlane],
    ['across the layers', material.strength.across],
  ] as const) {
    lines.push(comment(`Tensile strength ${name}, for judging results: ${evidenceText(resolution, 'MPa at 23 C')}`));
  }
  return `${lines.join('\n')}\n`;
}

const comment = (text: string) => `** ${ascii(text)}`.slice(0, 130);

function evidenceText(resolution: Resolution, unit: string): string {
  if (!resolution.known) return 'not known';
  return `${formatNumber(resolution.value, 4)} ${unit}, evidence class ${resolution.evidence}, CoV ${Math.round(resolution.cov * 100)} %`;
}

/** The deck is read as plain ASCII, and a name starts with a letter. */
const ascii = (text: string) =>
  text
    .replaceAll('−', '-')
    .replaceAll('²', '2')
    .replaceAll('³', '3')
    .replace(/[^\x20-\x7e]/g, '?');
const deckName = (id: string) => `M_${id.replace(/[^A-Za-z0-9]/g, '_')}`.slice(0, 60).toUpperCase();

function deckNumber(value: number): string {
  const text =
    Math.abs(value) >= 1e-3 && Math.abs(value) < 1e7 ? Number(value.toPrecision(7)).toString() : value.toExponential(6);
  return /[.e]/.test(text) ? text : `${text}.`;
}
