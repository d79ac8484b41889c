import { strengthCheck } from './strengthCheck.ts';

/** Tension, compression and shear that run within the layers, against the strength that bears each. */
export const strengthInPlane = strengthCheck(
  {
    id: 'strength-in-plane',
    title: 'Strength in plane',
    asks: 'Does the stress that runs within the layers stay below what the material bears there?',
  },
  (bearings) => bearings.inPlane,
);
