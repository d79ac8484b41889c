import { strengthCheck } from './strengthCheck.ts';

/** Tension, compression and shear that run within the layers, against the strength that bears each. */
export const strengthInPlane = strengthCheck(
  {
    id: 'strength-in-plane',
    title: 'In-plane strength',
    asks: 'Is the stress within the layers below the allowable?',
  },
  (layerStresses) => layerStresses.inPlane,
);
