export * from './upgrades.ts';
export * from './nesting.ts';
export * from './boxOnBed.ts';
export * from './machineFit.ts';
export * from './fitFinding.ts';
export * from './sizeDrift.ts';
export { warpFindings, warpRisk } from './chamberFindings.ts';
export { caution } from './findings.ts';
export { ENCLOSURE_FACTOR, warpIndex, warpTendency } from './warpRisk.ts';
