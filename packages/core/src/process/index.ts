export * from './upgrades.ts';
export * from './annealing.ts';
export * from './cost.ts';
export * from './machineFit.ts';
export * from './sizeDrift.ts';
