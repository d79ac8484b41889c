export * from './airOfPlace.ts';
export * from './loadsOfStock.ts';
export * from './lookAlikes.ts';
export * from './massLeft.ts';
export * from './spoolClock.ts';
