export * from './agent.ts';
export * from './agentOutlook.ts';
export * from './family.ts';
export * from './reinforcement.ts';
export * from './surroundings.ts';
