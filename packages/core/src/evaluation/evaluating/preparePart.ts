import { type Brief, type BuildOrientation, type LoadCase, type PartGeometry } from '@anvilstone/schema';
import { layerStressesOf, type PreparedLoad, type PreparedPart } from '@anvilstone/core/checks';
import { InputError } from '@anvilstone/core/foundations';
import {
  layFibre,
  fillOf,
  type Fill,
  featureBrief,
  upInFeature,
  findPartModel,
  partBody,
  lifeCycles,
  BUILT_UP,
  type Direction,
  type SizeKind,
  type BendingDirection,
} from '@anvilstone/core/shapes';

/** A brief made ready in each build orientation. `fill` takes the place of the brief’s own. @throws InputError as preparePart does */
export function prepareWays(brief: Brief, fill?: Fill): Record<BuildOrientation, PreparedPart> {
  const XY = preparePart(brief, BUILT_UP.XY, fill);
  // A solid part is the same whichever way it is built; only its layers lie otherwise.
  const turned = (up: Direction) => (brief.filled || brief.fibre ? preparePart(brief, up, fill) : withLayers(XY, up));
  return { XY, XZ: turned(BUILT_UP.XZ), ZX: turned(BUILT_UP.ZX) };
}

/**
 * Makes a brief ready for one build orientation: the part's answers, what each load does to it, and where its layers are stressed.
 * @param up direction in which the layers are stacked, a unit vector of the part’s axes
 * @param fill what is inside of it, where that is not what the brief says
 * @throws InputError naming the dimension that cannot be used, or what a load does not say
 */
export function preparePart(
  brief: Brief,
  up: Direction = BUILT_UP.XY,
  fill: Fill | undefined = brief.filled && fillOf(brief.filled, up),
): PreparedPart {
  const body = partBody(brief.part, fill);
  const fibre = brief.fibre && layFibre(brief.part, brief.fibre, up, fill);
  const directions: BendingDirection[] = [];
  const loads = brief.loadCases.map((stated, index): PreparedLoad => {
    const loadCase = counted(stated, brief.asks, index);
    const direction = loadCase.direction ?? 'depth';
    const response = body.responses[direction];
    if (!response) {
      const title = findPartModel(brief.part.model).title;
      throw new InputError(`loadCases/${index}/direction`, direction, `${title}: a load along its depth is needed`);
    }
    if (!directions.includes(direction)) directions.push(direction);
    const kind = loadCase.kind ?? 'lasting';
    const size = sizeOf(brief.part, loadCase, index);
    const amount = size === 'knock' ? Number.NaN : loadCase[size]! * shockFactorOf(loadCase, size);
    const strands = fibre?.bending[direction] ? ({ fibre: true } as const) : {};
    return { loadCase, kind, size, amount, response, directionIndex: directions.indexOf(direction), ...strands };
  });
  const responses = directions.map((direction) => body.responses[direction]!);
  const combined = combinationsOf(brief, loads);
  return withLayers(
    { brief, body, loads, combined, responses, ...(fibre ? { fibre } : {}), ...(fill ? { fill } : {}) },
    up,
  );
}

function featuresOf(brief: Brief, up: Direction): PreparedPart[] {
  return (brief.features ?? []).map((feature, index) => {
    if (feature.lengthAlong === feature.depthAlong)
      throw new InputError(`features/${index}/depthAlong`, feature.depthAlong, 'another axis than that of its length');
    try {
      return preparePart(featureBrief(brief, feature), upInFeature(feature, up));
    } catch (error) {
      if (!(error instanceof InputError) || error.field.startsWith('asks/')) throw error;
      const field = error.field.includes('/') ? error.field : `part/${error.field}`;
      throw new InputError(`features/${index}/${field}`, undefined, `${feature.name}: ${error.accepted}`);
    }
  });
}

/** Each combination as one load: as warm as the warmest of its loads, as long as the longest, hot where all of them are. */
function combinationsOf(brief: Brief, loads: readonly PreparedLoad[]): PreparedLoad[] {
  return (brief.combinations ?? []).map(({ id, name, loadIds, maxMovementMm }, index): PreparedLoad => {
    const together = loadIds.map((loadId) => {
      const load = loads.find(({ loadCase }) => loadCase.id === loadId);
      if (!load) throw new InputError(`combinations/${index}/loadIds`, loadId, 'loads of this brief');
      if (load.size === 'displacementMm' || load.size === 'angleDeg')
        throw new InputError(
          `combinations/${index}/loadIds`,
          loadId,
          'forces: an imposed displacement is judged alone',
        );
      return load;
    });
    const cases = together.map(({ loadCase }) => loadCase);
    return {
      ...together[0]!,
      together,
      amount: Number.NaN,
      loadCase: {
        id,
        name: name ?? cases.map((one) => one.name).join(' + '),
        durationH: Math.max(...cases.map(({ durationH }) => durationH)),
        temperatureC: Math.max(...cases.map(({ temperatureC }) => temperatureC)),
        safetyFactor: Math.max(...cases.map(({ safetyFactor }) => safetyFactor)),
        actsWhenHot: cases.every(({ actsWhenHot }) => actsWhenHot),
        ...(maxMovementMm === undefined ? {} : { maxDeflectionMm: maxMovementMm }),
      },
    };
  });
}

/** A suddenly applied force bends further than the same force laid on; a movement that is forced on it does not. */
const shockFactorOf = ({ shockFactor = 1 }: LoadCase, size: SizeKind): number =>
  size === 'displacementMm' || size === 'angleDeg' ? 1 : shockFactor;

/** A load with its repetitions counted. */
function counted(loadCase: LoadCase, asks: Brief['asks'], index: number): LoadCase {
  if (loadCase.cyclesPerH === undefined) return loadCase;
  const cycles = lifeCycles(loadCase, asks);
  if (cycles === undefined)
    throw new InputError('asks/lifeYears', undefined, `a service life: load ${index + 1} is counted by its rate`);
  return { ...loadCase, cycles };
}

const withLayers = (part: Omit<PreparedPart, 'up' | 'layerStresses' | 'features'>, up: Direction): PreparedPart => ({
  ...part,
  up,
  features: featuresOf(part.brief, up),
  layerStresses: part.responses.map((response) => layerStressesOf(response, up)),
});

/** What each size is called when it is missing. */
const SIZE_WORDS: Record<SizeKind, string> = {
  forceN: 'its force in N',
  torqueNmm: 'a torque in N·mm',
  pressureMPa: 'a pressure in MPa',
  displacementMm: 'a movement in mm that is forced on it',
  angleDeg: 'a turn in degrees that is forced on it',
  knock: 'an energy in J, or a falling mass in g with its height in mm',
};

function sizeOf(part: PartGeometry, loadCase: LoadCase, index: number): SizeKind {
  const model = findPartModel(part.model);
  const kind = loadCase.kind ?? 'lasting';
  const size = model.takes(part)[kind];
  if (!size) {
    const kinds = Object.keys(model.takes(part)).join(', ');
    throw new InputError(`loadCases/${index}/kind`, kind, `${model.title}: one of ${kinds} is needed`);
  }
  const given =
    size === 'knock'
      ? loadCase.energyJ !== undefined || (loadCase.fallingMassG !== undefined && loadCase.dropHeightMm !== undefined)
      : loadCase[size] !== undefined;
  if (!given) {
    const field = size === 'knock' ? 'energyJ' : size;
    throw new InputError(
      `loadCases/${index}/${field}`,
      undefined,
      `${SIZE_WORDS[size]} is needed for a load of this kind`,
    );
  }
  return size;
}
