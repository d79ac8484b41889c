import { compliancesOf, relievedLayerStresses, type CheckContext, type PreparedLoad } from '@anvilstone/core/checks';
import { type Material, PROPERTY_DEFINITIONS, type Resolution } from '@anvilstone/core/materials';

/** Of the grade: stiffness, strength in the layers, strength across them. Where its curve over heat lies and the loads scatter beside them. */
export const MATERIAL_FACTORS = ['modulus', 'strength', 'across'] as const;
export type MaterialFactor = (typeof MATERIAL_FACTORS)[number];

/** Where the heat deflection points may lie, K: of the grade’s own data, or of its family. Ours, class D. */
const HEAT_SCATTER_K = { own: 3, family: 6 } as const;

/** How far this grade’s heat curve may lie off, K. */
export const heatScatterK = ({ behaviour }: Material) =>
  behaviour?.hdtEvidence === 'C' ? HEAT_SCATTER_K.own : HEAT_SCATTER_K.family;

/** Standard deviation of the logarithm of a log-normal quantity with this coefficient of variation. */
export const logSpread = (cov: number) => Math.sqrt(Math.log1p(cov * cov));

/** The coefficient of variation of a factor; 0 where the grade has no such value. */
export function covOf(material: Material, factor: MaterialFactor): number {
  const resolution = {
    modulus: material.modulus.inPlane,
    strength: material.strength.inPlane,
    across: material.strength.across,
  }[factor];
  return resolution.known ? resolution.cov : 0;
}

/** The same grade in the same place with one of its values multiplied. */
export function scaledContext(context: CheckContext, factor: MaterialFactor, by: number): CheckContext {
  const material = scaledMaterial(context.material, factor, by);
  const { part } = context;
  return {
    ...context,
    material,
    layerStresses: relievedLayerStresses(part, material),
    compliances: compliancesOf(part, material),
    heatLimits: {},
  };
}

function scaledMaterial(material: Material, factor: MaterialFactor, by: number): Material {
  const times = (resolution: Resolution): Resolution =>
    resolution.known ? { ...resolution, value: resolution.value * by } : resolution;
  const { modulus, strength } = material;
  switch (factor) {
    case 'modulus':
      return { ...material, modulus: { inPlane: times(modulus.inPlane), across: times(modulus.across) } };
    case 'across':
      return {
        ...material,
        strength: { ...strength, across: times(strength.across) },
        layerShear: times(material.layerShear),
      };
    case 'strength':
      return {
        ...material,
        strength: { ...strength, inPlane: times(strength.inPlane) },
        // Compression and whatever else is a strength go with it.
        property: (id, direction, temperatureC) => {
          const found = material.property(id, direction, temperatureC);
          return PROPERTY_DEFINITIONS[id].kind === 'strength' ? times(found) : found;
        },
      };
  }
}

/** The same part with its strands as much stronger: their scatter is their own, not the grade’s. */
export function strongerStrands(context: CheckContext, by: number): CheckContext {
  const { fibre } = context.part;
  if (!fibre) return context;
  const tow = { ...fibre.tow, xtMpa: fibre.tow.xtMpa * by, xcMpa: fibre.tow.xcMpa * by };
  return { ...context, part: { ...context.part, fibre: { ...fibre, tow } }, heatLimits: {} };
}

/** The same load, larger: what acts, or the energy of a knock. */
export function scaledLoad(load: PreparedLoad, by: number): PreparedLoad {
  const { loadCase } = load;
  return {
    ...load,
    amount: load.amount * by,
    loadCase: {
      ...loadCase,
      ...(loadCase.energyJ === undefined ? {} : { energyJ: loadCase.energyJ * by }),
      ...(loadCase.fallingMassG === undefined ? {} : { fallingMassG: loadCase.fallingMassG * by }),
    },
  };
}
