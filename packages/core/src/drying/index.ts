export * from './dryer.ts';
export * from './dryerPlan.ts';
export * from './spoolMoisture.ts';
