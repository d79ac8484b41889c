import { strengthCheck } from './strengthCheck.ts';

/** Tension, compression and shear that run within the layers, against the strength that bears each. */
export const strengthInPlane = strengthCheck(
  {
    id: 'strength-in-plane',
    title: 'In-plane strength',
    asks: 'Is the stress within the layers below the allowable?',
    failsAs: 'torn',
    testedBy: ['pull-bar', 'bend-bar', 'break-part'],
    breaksUnder: 'force',
  },
  (layerStresses) => layerStresses.inPlane,
);
