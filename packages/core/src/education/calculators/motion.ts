import { Type } from '@sinclair/typebox';
import { knockForceN, growthDifferenceMm, toughReserve } from '@anvilstone/core/checks';
import { fatigueAmplitudeMPa, fatigueLaw, gentModulusMPa } from '@anvilstone/core/materials';
import {
  padStiffening,
  hingeStrain,
  contactTemperatureC,
  effusivity,
  matingForceN,
  snapStrain,
} from '@anvilstone/core/shapes';
import { calculator } from './calculator.ts';
import { above0, temperatureC } from './fields.ts';

const answer = Type.Number();

export const snap = calculator({
  id: 'snap-hook-strain',
  title: 'Strain of a snap hook, and the push to close it',
  source: 'Beam theory; wedge with friction',
  example: {
    travelMm: 1.5,
    lengthMm: 20,
    thicknessMm: 2,
    taper: 'even',
    bendingForceN: 10,
    leadAngleDeg: 30,
    friction: 0.3,
  },
  input: {
    travelMm: above0('How far it bends, mm'),
    lengthMm: above0('Length, mm'),
    thicknessMm: above0('Thickness at the root, mm'),
    taper: Type.Unsafe<'even' | 'half'>({ type: 'string', enum: ['even', 'half'] }),
    bendingForceN: above0('Force that bends it, N'),
    leadAngleDeg: Type.Number({ minimum: 0, maximum: 89, description: 'Slope, °' }),
    friction: Type.Number({ minimum: 0, maximum: 2, description: 'Coefficient of friction' }),
  },
  output: { strainPct: answer, matingForceN: answer },
  run: (input) => ({ strainPct: 100 * snapStrain(input), matingForceN: matingForceN(input) }),
});

export const hinge = calculator({
  id: 'hinge-strain',
  title: 'Strain of a living hinge',
  source: 'ε = t·θ/(2·L), pure bending',
  example: { thicknessMm: 0.5, lengthMm: 6, angleDeg: 180 },
  input: { thicknessMm: above0('Thickness, mm'), lengthMm: above0('Length, mm'), angleDeg: above0('Turn, °') },
  output: { strainPct: answer },
  run: (input) => ({ strainPct: 100 * hingeStrain(input) }),
});

export const knock = calculator({
  id: 'knock-force',
  title: 'Static load that bends a part as far as a falling mass does',
  source: 'Roark, 7th ed., section 16.4',
  example: { fallingMassG: 1000, dropHeightMm: 0, mmPerN: 0.01 },
  input: {
    fallingMassG: above0('Falling mass, g'),
    dropHeightMm: Type.Number({ minimum: 0, description: 'Height, mm' }),
    mmPerN: above0('Movement of the part per newton, mm/N'),
  },
  output: { forceN: answer, energyJ: answer },
  run({ fallingMassG, dropHeightMm, mmPerN }) {
    const forceN = knockForceN({ fallingMassG, dropHeightMm }, mmPerN);
    return { forceN, energyJ: (forceN ** 2 * mmPerN) / 2000 };
  },
});

export const fatigue = calculator({
  id: 'fatigue-amplitude',
  title: 'Amplitude that survives a number of cycles',
  source: 'σa(N) = σ·C·N^(−b) through the shares at 1e6 and 1e7; Goodman for the mean, Shigley section 6-12',
  example: { strengthMPa: 40, share1e6: 0.2, share1e7: 0.17, cycles: 1000000, meanMPa: 10 },
  input: {
    strengthMPa: above0('Static strength, MPa'),
    share1e6: Type.Number({ exclusiveMinimum: 0, maximum: 1, description: 'Share of it at 1e6 cycles' }),
    share1e7: Type.Number({ exclusiveMinimum: 0, maximum: 1, description: 'Share of it at 1e7 cycles' }),
    cycles: Type.Number({ minimum: 1, description: 'Cycles' }),
    meanMPa: Type.Number({ minimum: 0, description: 'Mean stress, MPa' }),
  },
  output: { reversedMPa: answer, withMeanMPa: answer },
  run({ strengthMPa, share1e6, share1e7, cycles, meanMPa }) {
    const reversedMPa = fatigueAmplitudeMPa(fatigueLaw(share1e6, share1e7), strengthMPa, cycles);
    return { reversedMPa, withMeanMPa: Math.max(0, reversedMPa * (1 - meanMPa / strengthMPa)) };
  },
});

export const gent = calculator({
  id: 'pad-stiffness',
  title: 'Stiffness of an elastomer pad from its hardness and shape',
  source: 'Gent 1958; Gent & Lindley 1959',
  example: { shoreA: 70, shape: 'disc', lengthMm: 40, widthMm: 1, heightMm: 20, faces: 'bonded' },
  input: {
    shoreA: Type.Number({ minimum: 20, maximum: 95, description: 'Hardness, Shore A' }),
    shape: Type.Unsafe<'block' | 'disc'>({ type: 'string', enum: ['block', 'disc'] }),
    lengthMm: above0('Length, or diameter, mm'),
    widthMm: above0('Width, mm; not used by a disc'),
    heightMm: above0('Height, mm'),
    faces: Type.Unsafe<'bonded' | 'slipping'>({ type: 'string', enum: ['bonded', 'slipping'] }),
  },
  output: { modulusMPa: answer, shapeFactor: answer, stiffnessNPerMm: answer },
  run({ shoreA, ...pad }) {
    const modulusMPa = gentModulusMPa(shoreA);
    const { areaMm2, shapeFactor, factor } = padStiffening(pad);
    return { modulusMPa, shapeFactor, stiffnessNPerMm: (modulusMPa * factor * areaMm2) / pad.heightMm };
  },
});

export const contact = calculator({
  id: 'contact-temperature',
  title: 'Temperature where a part touches something hot',
  source: 'Carslaw & Jaeger, section 2.15',
  example: {
    conductivityWPerMK: 0.2,
    densityGPerCm3: 1.2,
    heatJPerGK: 1.25,
    ownTemperatureC: 20,
    otherEffusivity: 547.7225575,
    otherTemperatureC: 100,
  },
  input: {
    conductivityWPerMK: above0('Conductivity of the part, W/(m·K)'),
    densityGPerCm3: above0('Density of the part, g/cm³'),
    heatJPerGK: above0('Specific heat of the part, J/(g·K)'),
    ownTemperatureC: temperatureC,
    otherEffusivity: above0('Effusivity of the other body, W·√s/(m²·K)'),
    otherTemperatureC: temperatureC,
  },
  output: { ownEffusivity: answer, contactTemperatureC: answer },
  run(input) {
    const ownEffusivity = effusivity(input);
    return { ownEffusivity, contactTemperatureC: contactTemperatureC({ ...input, ownEffusivity }) };
  },
});

export const growth = calculator({
  id: 'growth-difference',
  title: 'Difference in thermal growth of two bodies',
  source: '|α₁ − α₂|·L·|T − 23 °C|',
  example: { expansion1e6PerK: 90, otherExpansion1e6PerK: 11.7, lengthMm: 400, coldestC: -20, hottestC: 50 },
  input: {
    expansion1e6PerK: Type.Number({ description: 'Expansion of the part, 1e−6/K' }),
    otherExpansion1e6PerK: Type.Number({ description: 'Expansion of the other body, 1e−6/K' }),
    lengthMm: above0('Length, mm'),
    coldestC: temperatureC,
    hottestC: temperatureC,
  },
  output: { differenceMm: answer },
  run: (input) => ({ differenceMm: growthDifferenceMm(input) }),
});

export const tough = calculator({
  id: 'cold-reserve',
  title: 'Reserve against turning brittle',
  source: '1 + (T − T_brittle) / max(20, 23 − T)',
  example: { temperatureC: -25, brittleBelowC: -49 },
  input: { temperatureC, brittleBelowC: temperatureC },
  output: { reserve: answer },
  run: ({ temperatureC: at, brittleBelowC }) => ({ reserve: toughReserve(at, brittleBelowC) }),
});
