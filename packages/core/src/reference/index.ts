export * from './family.ts';
export * from './reinforcement.ts';
