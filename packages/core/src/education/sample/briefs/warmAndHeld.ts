import type { Brief } from '@anvilstone/schema';
import { SAMPLE } from './sampleMark.ts';

/** Clamped at both ends in warm air that touches nothing hot: strength is no question, staying round is. */
export const heaterDuct: Brief = {
  title: 'Heater duct elbow, machine room',
  purpose: `Carries warm air past the drive; two saddle clamps hold its ends. Touches nothing hot, but the air around it stays at 70 to 85 °C all winter. Once it goes oval the hose leaks and the cabinet freezes. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: { model: 'ring', outerDiameterMm: 90, wallMm: 3.2, lengthMm: 30, loading: 'pinched' },
  loadCases: [
    {
      id: 'clamp',
      name: 'Pinch of the saddle clamp',
      forceN: 16,
      durationH: 2190,
      temperatureC: 75,
      safetyFactor: 2,
      actsWhenHot: true,
      maxDeflectionMm: 2,
      maxSagMm: 2.2,
    },
  ],
  asks: { heat: { steadyC: 75, peak: { temperatureC: 85, durationH: 6 } } },
};

/** Opened with gloves on, in the cold, many times. */
export const snapCover: Brief = {
  title: 'Snap cover, wind-speed sensor',
  purpose: `Closes the sensor’s terminal box on the mast with four hooks. Opened for every check, also in frost. A broken hook lets ice in. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: {
    model: 'snap-hook',
    lengthMm: 16,
    thicknessMm: 1.8,
    widthMm: 7,
    taper: 'half',
    leadAngleDeg: 30,
    filletRadiusMm: 0.6,
  },
  loadCases: [
    {
      id: 'open',
      name: 'Opened and closed, in frost too',
      kind: 'repeated',
      displacementMm: 1.3,
      cycles: 150,
      durationH: 0.01,
      temperatureC: -10,
      safetyFactor: 1.2,
      actsWhenHot: false,
    },
    {
      id: 'rest',
      name: 'Rests slightly bent, so that it does not rattle',
      kind: 'held',
      displacementMm: 0.3,
      durationH: 17532,
      temperatureC: 25,
      safetyFactor: 1.2,
      actsWhenHot: true,
      minHoldN: 0.12,
    },
  ],
  asks: { heat: { coldestC: -20 } },
};

/** Presses leather tags against warm brass type, thousands of times: a consumable. */
export const stampPad: Brief = {
  title: 'Hot-stamp pad for leather tags',
  purpose: `Backs the leather while warm brass type is pressed into it. Worn pads are swapped; what counts is tags per pad and per dollar. The press and the type are hot: keep fingers out. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: {
    model: 'hot-contact',
    areaMm2: 900,
    thicknessMm: 6,
    otherBody: 'brass',
    otherTemperatureC: 92,
    ownTemperatureC: 25,
    contactS: 3,
    touches: 3000,
  },
  loadCases: [
    {
      id: 'press',
      name: 'Squeeze of the press',
      forceN: 1800,
      durationH: 2.5,
      temperatureC: 60,
      safetyFactor: 1.5,
      actsWhenHot: true,
      maxSagMm: 0.06,
    },
  ],
  asks: { maxCostUsd: 9, lot: { quantity: 5 }, consumable: { uses: 300, changeOverUsd: 1.5 } },
};

/** Carries electronics: flat, light and stiff. */
export const carrierTray: Brief = {
  title: 'Carrier tray, drive-controller boards',
  purpose: `Holds controller boards on their way between store and cabinet. A sagging floor lets boards touch. ${SAMPLE}`,
  failureCouldHurt: 'no',
  moisture: 'conditioned',
  part: { model: 'plate', shape: 'rectangular', lengthMm: 200, widthMm: 140, thicknessMm: 3.2, edges: 'supported' },
  loadCases: [
    {
      id: 'boards',
      name: 'Weight of the boards',
      pressureMPa: 0.0009,
      durationH: 4000,
      onShare: 0.5,
      onEachH: 72,
      temperatureC: 30,
      safetyFactor: 2,
      actsWhenHot: true,
      maxDeflectionMm: 1.6,
      maxSagMm: 2.4,
    },
  ],
  asks: {
    maxMassG: 180,
    lot: { quantity: 20 },
    heat: { steadyC: 40 },
    electrostatic: { range: 'dissipative', driestRhPct: 30 },
    flameClass: 'HB',
    colour: { notBlack: true },
    fit: { nominalMm: 24, allowedMm: 0.15, dampestRhPct: 70, coldestC: 10, hottestC: 35 },
  },
};
