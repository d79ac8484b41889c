export * from './filletConcentration.ts';
export * from './section.ts';
