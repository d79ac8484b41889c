export * from './dryer.ts';
export * from './dryerPlan.ts';
export * from './dryingOfGrade.ts';
export * from './spoolMoisture.ts';
export * from './dryerLoad.ts';
export * from './schedule.ts';
export * from './scheduleConflicts.ts';
