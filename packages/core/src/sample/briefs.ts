import type { Brief } from '@anvilstone/schema';

const SAMPLE = 'Sample data, not for design.';

/** Carries an inspection lamp off a pylon walkway: a lasting small load in the sun and short gusts in alpine winter. */
export const lampArm: Brief = {
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
  asks: { heat: { steadyC: 50, peak: { temperatureC: 62, durationH: 3 } }, maxMassG: 190, maxCostUsd: 25 },
};

/** The clamped heater duct's outlet stub, taken for now as a short thick cantilevered tube in warm air. */
export const heaterDuct: Brief = {
  title: 'Heater duct stub, machine room',
  purpose: `Outlet stub above the machine-room heater. Touches nothing hot, but the air around it stays at 70 to 85 °C all winter and the hose hangs on it. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: {
    model: 'cantilever-arm',
    spanMm: 90,
    section: { kind: 'tube', outerDiameterMm: 60, wallMm: 3 },
    filletRadiusMm: 3,
  },
  loadCases: [
    {
      id: 'hose',
      name: 'Weight and pull of the hose',
      forceN: 22,
      durationH: 4383,
      temperatureC: 75,
      safetyFactor: 2,
      actsWhenHot: true,
      maxSagMm: 0.35,
    },
  ],
  asks: { heat: { steadyC: 75, peak: { temperatureC: 85, durationH: 6 } } },
};

/** A 400 mm inspection gauge beam: stiffness per mass decides. */
export const gaugeBeam: Brief = {
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

export const sampleBriefs: readonly Brief[] = [lampArm, heaterDuct, gaugeBeam];
