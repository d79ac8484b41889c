export * from './catalogue.ts';
export * from './handlingCautions.ts';
export * from './proofTest.ts';
