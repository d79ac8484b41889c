import { GRAVITY_M_PER_S2 } from '@anvilstone/core/foundations';
import { ORIENTATIONS, type Brief, type BuildOrientation } from '@anvilstone/schema';
import { onShareOf, type PreparedLoad, type PreparedPart } from '@anvilstone/core/checks';
import type { PartResponse } from '@anvilstone/core/shapes';
import { prepareWays } from './preparePart.ts';

/** What one load asks of any material, before a grade is chosen. */
export interface MaterialDemand {
  loadCaseId: string;
  what:
    | 'tension'
    | 'compression'
    | 'shear'
    | 'across-layers'
    | 'stiffness'
    | 'lasting-stiffness'
    | 'straightness'
    | 'strain'
    | 'energy';
  value: number;
  unit: 'MPa' | '%' | 'J';
  temperatureC: number;
  durationH: number;
  /** Where the build orientation decides: the one that asks least. */
  orientation?: BuildOrientation;
}

/** Poisson ratio for the small shear part of a needed modulus: typical of printed polymers. */
const TYPICAL_POISSON = 0.38;

/**
 * What the loads demand of a material: stresses to bear at temperature (safety factor and stress concentration included),
 * the modulus that movement limits and slender members need, the strain where it is bent, the energy of a knock.
 * Exact for bending; the shear part takes G = E / (2·(1 + 0.38)), and directions are not told apart.
 * @throws InputError when a dimension of the part cannot be used, or a load does not say how large it is
 */
export function materialDemands(brief: Brief): MaterialDemand[] {
  const ways = prepareWays(brief);
  const models = [ways, ...ways.XY.features.map((_, index) => featureWays(ways, index))];
  return models.flatMap((model) => model.XY.loads.flatMap((load) => demandsOf(load, model)));
}

const featureWays = ({ XY, XZ, ZX }: Ways, index: number): Ways => ({
  XY: XY.features[index]!,
  XZ: XZ.features[index]!,
  ZX: ZX.features[index]!,
});

function demandsOf(load: PreparedLoad, ways: Ways): MaterialDemand[] {
  const { loadCase, response } = load;
  const { id: loadCaseId, safetyFactor, temperatureC, durationH } = loadCase;
  const found: MaterialDemand[] = [];
  const add = (
    what: MaterialDemand['what'],
    value: number,
    unit: MaterialDemand['unit'] = 'MPa',
    orientation?: BuildOrientation,
  ) => {
    if (!(value > 0) || !Number.isFinite(value)) return;
    found.push({ loadCaseId, what, value, unit, temperatureC, durationH, ...(orientation ? { orientation } : {}) });
  };
  const movement = movementAtUnitModulus(response);
  if (load.size === 'knock') {
    if (loadCase.energyJ !== undefined) add('energy', loadCase.energyJ, 'J');
    else add('energy', ((loadCase.fallingMassG ?? 0) * GRAVITY_M_PER_S2 * (loadCase.dropHeightMm ?? 0)) / 1e6, 'J');
    return found;
  }
  const largest = (of: (place: PartResponse['places'][number]) => number) => Math.max(0, ...response.places.map(of));
  if (load.size === 'displacementMm' || load.size === 'angleDeg') {
    add('strain', (100 * largest((place) => place.tensionPerUnit) * load.amount * safetyFactor) / movement, '%');
    return found;
  }
  const acting = load.amount * safetyFactor;
  add('tension', largest((place) => place.tensionPerUnit) * acting);
  add('compression', largest((place) => place.compressionPerUnit) * acting);
  add('shear', largest((place) => place.shearPerUnit) * acting);
  const across = leastAcross(load, ways);
  if (across) add('across-layers', across.stressPerUnit * acting, 'MPa', across.orientation);
  if (loadCase.maxDeflectionMm !== undefined) add('stiffness', (movement * load.amount) / loadCase.maxDeflectionMm);
  if (loadCase.maxSagMm !== undefined && load.kind === 'lasting' && onShareOf(load) === 1)
    add('lasting-stiffness', (movement * load.amount) / loadCase.maxSagMm);
  for (const buckling of response.buckling) add('straightness', acting / buckling.criticalPerModulus);
  return found;
}

type Ways = Record<BuildOrientation, PreparedPart>;

/** Movement per unit of the action of a material with a modulus of 1 MPa. */
function movementAtUnitModulus(response: PartResponse): number {
  const stretched = response.complianceTerms.reduce((total, stretch) => total + stretch.perModulus, 0);
  return stretched + (response.shear?.perModulus ?? 0) * 2 * (1 + TYPICAL_POISSON);
}

/** The allowed build orientation in which the least tension and shear falls on the layers. */
function leastAcross(
  load: PreparedLoad,
  ways: Ways,
): { orientation: BuildOrientation; stressPerUnit: number } | undefined {
  // Build orientations of the part, also where a feature lies otherwise in it.
  const allowed = ways.XY.brief.asks.orientations ?? ORIENTATIONS;
  return ORIENTATIONS.filter((one) => allowed.includes(one))
    .map((orientation) => ({
      orientation,
      stressPerUnit: Math.max(
        0,
        ...ways[orientation].layerStresses[load.directionIndex]!.across.map((bearing) => bearing.stressPerUnit),
      ),
    }))
    .sort((a, b) => a.stressPerUnit - b.stressPerUnit)[0];
}
