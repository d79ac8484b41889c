export * from './cost.ts';
export * from './machineFit.ts';
