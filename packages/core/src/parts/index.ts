import type { PartGeometry } from '@anvilstone/schema';
import { InputError } from '../input/InputError.ts';
import { cantileverArm } from './cantileverArm.ts';
import type { PartBody, PartModel } from './partModel.ts';

export * from './cantilever.ts';
export * from './partModel.ts';

/** Every part model. The next one is one module and one line here. */
export const partModels: readonly PartModel[] = [cantileverArm];

/** @throws InputError when no model has this name or a dimension cannot be used */
export function partBody(geometry: PartGeometry): PartBody {
  const model = partModels.find((one) => one.id === geometry.model);
  if (!model)
    throw new InputError('model', geometry.model, `one of ${partModels.map((one) => one.id).join(', ')} is needed`);
  return model.body(geometry);
}
