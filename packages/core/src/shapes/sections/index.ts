export * from './bands.ts';
export * from './filletConcentration.ts';
export * from './outlineBands.ts';
export * from './section.ts';
export * from './torsion.ts';
export * from './filledSection.ts';
export * from './drawFilledSection.ts';
