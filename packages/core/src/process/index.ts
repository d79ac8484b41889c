export * from './cost.ts';
export * from './machineFit.ts';
export * from './sizeDrift.ts';
