import { type Brief, type BuildOrientation, type LoadCase, type PartGeometry } from '@anvilstone/schema';
import { bearingsOf, type BearingPlaces } from '../checks/bearings.ts';
import type { PreparedLoad, PreparedPart } from '../checks/check.ts';
import { InputError } from '../input/InputError.ts';
import { findPartModel, partBody } from '../parts/index.ts';
import type { SizeKind } from '../parts/partModel.ts';
import type { BendingDirection } from '../sections/section.ts';

/**
 * Makes a brief ready: the part's answers, what each load does to it, and where it is stressed in each orientation.
 * @throws InputError naming the dimension that cannot be used, or what a load does not say
 */
export function preparePart(brief: Brief): PreparedPart {
  const body = partBody(brief.part);
  const directions: BendingDirection[] = [];
  const loads = brief.loadCases.map((loadCase, index): PreparedLoad => {
    const direction = loadCase.direction ?? 'depth';
    const response = body.responses[direction];
    if (!response) {
      const title = findPartModel(brief.part.model).title;
      throw new InputError(`loadCases/${index}/direction`, direction, `${title}: a load along its depth is needed`);
    }
    if (!directions.includes(direction)) directions.push(direction);
    const kind = loadCase.kind ?? 'lasting';
    const size = sizeOf(brief.part, loadCase, index);
    const amount = size === 'knock' ? Number.NaN : loadCase[size]!;
    return { loadCase, kind, size, amount, response, directionIndex: directions.indexOf(direction) };
  });
  const responses = directions.map((direction) => body.responses[direction]!);
  const bearingsIn = (orientation: BuildOrientation): readonly BearingPlaces[] =>
    responses.map((response) => bearingsOf(response, orientation));
  const bearings = { XY: bearingsIn('XY'), XZ: bearingsIn('XZ'), ZX: bearingsIn('ZX') };
  return { brief, body, loads, responses, bearings };
}

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
