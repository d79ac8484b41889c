import type { Brief } from '@anvilstone/schema';
import { SAMPLE } from './sampleMark.ts';

/** Takes the carriers’ knocks in a cold garage and must still keep the roller in line. */
export const guardBumper: Brief = {
  title: 'Roller guard bumper, garage',
  purpose: `Stops an empty carrier that rolls in too fast, many times a day, in winter too; the roller on it must stay in line. Carriers are moved by hand only, nobody rides on them. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: { model: 'elastomer-pad', shape: 'disc', lengthMm: 42, widthMm: 42, heightMm: 22, faces: 'bonded' },
  loadCases: [
    {
      id: 'carrier',
      name: 'Carrier rolls in, frost',
      kind: 'knock',
      fallingMassG: 26000,
      dropHeightMm: 50,
      durationH: 0.001,
      temperatureC: -12,
      safetyFactor: 1.5,
      actsWhenHot: false,
    },
    {
      id: 'roller',
      name: 'Roller leans on it',
      forceN: 420,
      durationH: 8766,
      temperatureC: 18,
      safetyFactor: 2,
      actsWhenHot: true,
      maxSagMm: 0.6,
    },
  ],
  asks: { heat: { coldestC: -25, steadyC: 35 }, maxCostUsd: 30, lot: { quantity: 8 } },
};

/** A pinned pawl that clicks over a ratchet under load. */
export const ratchetPawl: Brief = {
  title: 'Ratchet pawl, tensioning jig',
  purpose: `Holds the jig’s ratchet while a guy wire is tensioned to 300 N by hand. When it lets go the wire snaps back: stand clear of its line. ${SAMPLE}`,
  failureCouldHurt: 'yes',
  moisture: 'conditioned',
  part: {
    model: 'pinned-lug',
    lengthMm: 38,
    widthMm: 24,
    thicknessMm: 12,
    holeDiameterMm: 8,
    edgeDistanceMm: 16,
  },
  loadCases: [
    {
      id: 'pull',
      name: 'Pull of the wire, click by click',
      kind: 'repeated',
      forceN: 320,
      cycles: 60000,
      stressRatio: 0,
      durationH: 0.1,
      temperatureC: 20,
      safetyFactor: 3,
      actsWhenHot: true,
    },
    {
      id: 'slip',
      name: 'Drops one tooth under load',
      kind: 'knock',
      energyJ: 0.8,
      durationH: 0.001,
      temperatureC: 5,
      safetyFactor: 1.5,
      actsWhenHot: false,
      mustStayWhole: 'unbroken',
    },
  ],
  asks: { mustWarn: true, sliding: { pressureMPa: 2.5, speedMPerS: 0.008 } },
};

/** Two members off a wall, shaken by the wind: the strut bows or the root peels. */
export const nozzleBracket: Brief = {
  title: 'De-icing nozzle bracket',
  purpose: `Carries a spray nozzle off the station wall. Chloride spray, wind shake and frost; if it drops, the nozzle sprays the wall. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: {
    model: 'wall-bracket',
    reachMm: 160,
    dropMm: 90,
    tie: { depthMm: 7, widthMm: 14 },
    strut: { depthMm: 7, widthMm: 14 },
    filletRadiusMm: 2.5,
  },
  loadCases: [
    {
      id: 'weight',
      name: 'Nozzle and hose',
      forceN: 36,
      durationH: 26298,
      temperatureC: 30,
      safetyFactor: 2,
      actsWhenHot: true,
      maxSagMm: 0.9,
    },
    {
      id: 'shake',
      name: 'Wind shake',
      kind: 'repeated',
      forceN: 40,
      cycles: 5e6,
      stressRatio: 0.3,
      durationH: 1,
      temperatureC: -5,
      safetyFactor: 1.5,
      actsWhenHot: false,
    },
  ],
  asks: {
    heat: { steadyC: 40 },
    fluids: [{ agentId: 'deicing-chloride', contact: 'splash', temperatureC: 10, hours: 2500 }],
    outdoors: { hoursPerYear: 8766, years: 2, keepPct: 60 },
  },
};

/** A shallow cup under the haul-rope oiler: cheap above all. */
export const dripCup: Brief = {
  title: 'Drip cup, haul-rope oiler',
  purpose: `Catches oil under the haul-rope oiler and is emptied by hand. A bowed floor lets the cup rock and spill. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: { model: 'plate', shape: 'round', lengthMm: 120, widthMm: 120, thicknessMm: 2, edges: 'clamped' },
  loadCases: [
    {
      id: 'oil',
      name: 'Full of oil',
      pressureMPa: 0.0006,
      durationH: 720,
      temperatureC: 35,
      safetyFactor: 2,
      actsWhenHot: true,
      maxSagMm: 1,
    },
  ],
  asks: {
    maxCostUsd: 8,
    lot: { quantity: 10 },
    heat: { steadyC: 45 },
    fluids: [
      { agentId: 'mineral-oil', contact: 'immersion', temperatureC: 45, hours: 17532 },
      { agentId: 'detergent', contact: 'wipe', temperatureC: 25, hours: 60 },
    ],
  },
};
