import { Type, type Static } from '@sinclair/typebox';
import { identifier, record } from './common.ts';

/** Continuous strands along the part, as many on either face that the load pulls or squeezes. */
export const fibreInFaces = record(
  {
    towId: identifier,
    strandsDeep: Type.Integer({
      minimum: 1,
      maximum: 400,
      description:
        'Strands from each face inwards: layers of them when built flat, lines side by side when built on edge',
    }),
    insetMm: Type.Number({
      minimum: 0,
      maximum: 100,
      description: 'Printed cover between the face and the first strand, mm',
    }),
  },
  'Continuous fibre',
);
export type FibreInFaces = Static<typeof fibreInFaces>;
