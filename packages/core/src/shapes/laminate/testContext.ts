import type { Lamina } from './lamina.ts';

/** Graphite/epoxy of A. K. Kaw, Mechanics of Composite Materials, 2nd ed., table 2.1. Used by tests only. */
export const graphiteEpoxy: Lamina = {
  name: 'graphite/epoxy',
  kind: 'tow',
  e1MPa: 181000,
  e2MPa: 10300,
  g12MPa: 7170,
  nu12: 0.28,
  xtMPa: 1500,
  xcMPa: 1500,
  ytMPa: 40,
  ycMPa: 246,
  sMPa: 68,
  alpha1PerK: 0.02e-6,
  alpha2PerK: 22.5e-6,
  cov: 0,
};
