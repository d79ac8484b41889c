import type { GeometryOf, PartModelId } from '@anvilstone/schema';
import { partBody } from './index.ts';
import type { PartBody, PartResponse } from './partModel.ts';

/** A part’s answer in one direction with short ways to ask it. Used by tests only. */
export function answerOf<M extends PartModelId>(geometry: GeometryOf<M>, direction: 'depth' | 'width' = 'depth') {
  const body: PartBody = partBody(geometry);
  const response: PartResponse = body.responses[direction]!;
  const place = (id: string) => response.places.find((one) => one.id === id)!;
  return {
    body,
    response,
    place,
    /** Movement per unit of the action of an isotropic material. */
    movement: (modulusMPa: number, shearModulusMPa = Infinity) =>
      response.complianceTerms.reduce((total, stretch) => total + stretch.perModulus / modulusMPa, 0) +
      (response.shear ? response.shear.perModulus / shearModulusMPa : 0),
  };
}
