export * from './layFibre.ts';
export { type Reinforcement, stiffened, stiffenedPulled } from './stiffened.ts';
export { strandStrength } from './strandStrength.ts';
