import type { Brief, GeometryOf } from '@anvilstone/schema';
import { SAMPLE } from './sampleMark.ts';

/** A brief whose part is known to be an arm. */
type ArmBrief = Brief & { part: GeometryOf<'cantilever-arm'> };

/** Carries an inspection lamp off a pylon walkway: a lasting small load in the sun and short gusts in alpine winter. */
export const lampArm: ArmBrief = {
  title: 'Lamp arm, pylon 7 walkway',
  purpose: `Holds the inspection lamp 220 mm off the pylon. If it droops the walkway is dark; nobody stands under it. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: {
    model: 'cantilever-arm',
    spanMm: 220,
    section: { kind: 'rectangle', widthMm: 18, depthMm: 30 },
    filletRadiusMm: 6,
  },
  loadCases: [
    {
      id: 'lamp',
      name: 'Lamp weight, summer sun',
      forceN: 9,
      durationH: 17532,
      temperatureC: 45,
      safetyFactor: 2,
      actsWhenHot: true,
      maxDeflectionMm: 2.5,
      maxSagMm: 5,
    },
    {
      id: 'gust',
      name: 'Wind gust with ice, winter',
      forceN: 55,
      durationH: 0.01,
      temperatureC: -30,
      safetyFactor: 2,
      actsWhenHot: false,
      maxDeflectionMm: 12,
    },
  ],
  asks: {
    heat: { steadyC: 50, peak: { temperatureC: 62, durationH: 3 } },
    maxMassG: 190,
    maxCostUsd: 25,
    lot: { quantity: 12 },
  },
};

/** A 400 mm inspection gauge beam: stiffness per mass decides. */
export const gaugeBeam: ArmBrief = {
  title: 'Inspection gauge beam, 400 mm',
  purpose: `Carries a dial gauge at its end while the sheave groove is measured. It must not move under the hand. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: {
    model: 'cantilever-arm',
    spanMm: 400,
    section: { kind: 'rectangle', widthMm: 18, depthMm: 38 },
    filletRadiusMm: 8,
  },
  loadCases: [
    {
      id: 'hand',
      name: 'Touch of the hand',
      forceN: 8,
      durationH: 0.02,
      temperatureC: 20,
      safetyFactor: 2,
      actsWhenHot: true,
      maxDeflectionMm: 0.6,
    },
  ],
  asks: { maxMassG: 400, heat: { steadyC: 30 } },
};

/** Pressed against the sheave guard by its own bend: what it loses over a season is a matter of heat and time. */
export const scraperLever: ArmBrief = {
  title: 'Ice-scraper lever, sheave guard',
  purpose: `Sprung against the rope sheave’s guard all season so that its edge keeps scraping. If the spring force goes, ice builds up until somebody notices. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: {
    model: 'cantilever-arm',
    spanMm: 90,
    section: { kind: 'rectangle', widthMm: 14, depthMm: 5 },
    filletRadiusMm: 3,
  },
  loadCases: [
    {
      id: 'season',
      name: 'Held bent for a season',
      kind: 'held',
      displacementMm: 6,
      durationH: 4383,
      temperatureC: 12,
      safetyFactor: 1.5,
      actsWhenHot: true,
      minHoldN: 3.5,
    },
    {
      id: 'lumps',
      name: 'Rides over lumps of ice',
      kind: 'repeated',
      forceN: 7,
      cycles: 40000,
      stressRatio: 0.4,
      durationH: 1,
      temperatureC: -15,
      safetyFactor: 1.5,
      actsWhenHot: false,
      // It is a spring: it may give.
      maxDeflectionMm: 12,
    },
  ],
  asks: { heat: { steadyC: 35, coldestC: -20 } },
};
