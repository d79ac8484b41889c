/** What hangs in the stand-in rig. It can be written down, so that a server that comes back hangs in the same specimen. */
export type MountedSpecimen = { seed: number; beganMs: number; advantage: number; temperatureC?: number } & (
  | { kind: 'force'; peakN: number; crackN: number | null; stiffnessNPerMm: number }
  | { kind: 'time'; loadN: number; instantMm: number; creepA: number; creepN: number; loadedS: number; totalS: number }
);
