import { strengthCheck } from './strengthCheck.ts';

/**
 * What tries to part the layers: tension straight or slanting across them, or shear between them, against the layer
 * strength, the off-axis strength or the layer shear strength at temperature and under lasting load.
 */
export const strengthAcrossLayers = strengthCheck(
  {
    id: 'strength-across-layers',
    title: 'Interlayer strength (Z)',
    asks: 'Do the layers hold together under tension and shear between them?',
    failsAs: 'layers-parted',
    testedBy: ['pull-bar', 'bend-bar', 'break-part', 'twist-90'],
    breaksUnder: 'force',
  },
  (layerStresses) => layerStresses.across,
);
