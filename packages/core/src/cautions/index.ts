export * from './catalogue.ts';
export * from './handlingCautions.ts';
