export * from './upgrades.ts';
export * from './annealing.ts';
export * from './boxOnBed.ts';
export * from './cost.ts';
export * from './machineFit.ts';
export * from './sizeDrift.ts';
