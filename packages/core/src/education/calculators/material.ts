import { CONDITIONINGS, PROPERTIES, type Conditioning, type PropertyId } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import { InputError, inWords } from '@anvilstone/core/foundations';
import {
  creepGrowth,
  familyEstimate,
  familyHdtPoints,
  fillerEffects,
  layerRatio,
  conditioningRetention,
  modulusAtHdtMPa,
  modulusCurve,
  defaultLayerShearMPa,
  offAxisModulusMPa,
  offAxisStrengthMPa,
  staticFatigueFactor,
  strengthTemperatureFactor,
  timeShiftDecades,
  findFamily,
  type Family,
  findReinforcement,
} from '@anvilstone/core/materials';
import { calculator } from './calculator.ts';
import {
  above0,
  angleDeg,
  durationH,
  familyId,
  modulusMPa,
  ratio,
  reinforcementId,
  stressMPa,
  temperatureC,
} from './fields.ts';

function familyOf(id: string): Family {
  const family = findFamily(id);
  if (!family)
    throw new InputError('familyId', id, 'a family of the reference data is needed, for example petg, abs or pa12');
  return family;
}

function creepOf(family: Family, filler: string | undefined) {
  const factor = fillerEffects(family, findReinforcement(filler ?? null))?.mechanical.creepA ?? 1;
  return {
    creepA: family.creep.a * factor,
    creepN: family.creep.n,
    activationKjPerMol: family.creep.activationKjPerMol,
    morphology: family.morphology,
    glassTransitionC: family.glassTransitionC,
  };
}

export const hdtModulus = calculator({
  id: 'modulus-at-hdt',
  title: 'Modulus at the heat deflection temperature',
  source: 'ISO 75-1: 1/E(HDT) = 1/E23 + 0.002/σ',
  example: { modulus23MPa: 2000, hdtStressMPa: 1.8 },
  input: { modulus23MPa: modulusMPa, hdtStressMPa: stressMPa },
  output: { modulusMPa: Type.Number() },
  run: (input) => ({ modulusMPa: modulusAtHdtMPa(input) }),
});

export const modulusAtTemperature = calculator({
  id: 'modulus-at-temperature',
  title: 'Modulus over temperature from heat deflection points',
  source: 'monotone cubic (Fritsch & Butland 1984) in log E through the ISO 75 points',
  example: { familyId: 'abs', modulus23MPa: 2000, hdt: [{ temperatureC: 86, stressMPa: 1.8 }], temperatureC: 86 },
  input: {
    familyId,
    modulus23MPa: modulusMPa,
    hdt: Type.Optional(
      Type.Array(Type.Object({ temperatureC, stressMPa }, { additionalProperties: false }), {
        description: 'Heat deflection points; absent = typical of the family',
      }),
    ),
    temperatureC,
  },
  output: { modulusMPa: Type.Number(), ratio },
  run({ familyId: id, modulus23MPa, hdt, temperatureC: atC }) {
    const family = familyOf(id);
    const { morphology, glassTransitionC, meltingC } = family;
    const points = hdt ?? familyHdtPoints(family, undefined);
    const curve = modulusCurve({ modulus23MPa, morphology, glassTransitionC, meltingC, hdt: points, measured: [] });
    return { modulusMPa: modulus23MPa * curve.ratio(atC), ratio: curve.ratio(atC) };
  },
});

export const timeShift = calculator({
  id: 'time-temperature-shift',
  title: 'Decades by which creep runs faster than at 23 °C',
  source: 'Arrhenius, 0.25 decades/K from Tg − 30 to Tg, WLF (17.44, 51.6) above; amorphous families',
  example: { familyId: 'petg', temperatureC: 45 },
  input: { familyId, temperatureC },
  output: { decades: Type.Number() },
  run: ({ familyId: id, temperatureC: atC }) => ({ decades: timeShiftDecades(creepOf(familyOf(id), undefined), atC) }),
});

export const creep = calculator({
  id: 'creep-growth',
  title: 'Growth of deflection under constant load',
  source: 'Findley power law, 1 + a·(t/a_T)^n',
  example: { familyId: 'petg', temperatureC: 23, durationH: 1000 },
  input: { familyId, reinforcementId, temperatureC, durationH },
  output: { growth: Type.Number() },
  run: (input) => ({
    growth: creepGrowth(creepOf(familyOf(input.familyId), input.reinforcementId), input.temperatureC, input.durationH),
  }),
});

export const offAxisStrength = calculator({
  id: 'off-axis-strength',
  title: 'Strength at an angle to the layers',
  source: 'Tsai–Hill, Jones, Mechanics of Composite Materials, eq. 2.127',
  example: { inPlaneMPa: 50, acrossMPa: 25, shearMPa: 20, angleDeg: 45 },
  input: {
    inPlaneMPa: above0('Strength in the layer plane, MPa'),
    acrossMPa: above0('Strength across the layers, MPa'),
    shearMPa: Type.Optional(above0('Layer shear strength, MPa; absent = 0.5·σxy·(σz/σxy)^½')),
    angleDeg,
  },
  output: { strengthMPa: Type.Number(), shearMPa: Type.Number() },
  run({ angleDeg: angle, ...given }) {
    const shearMPa = given.shearMPa ?? defaultLayerShearMPa(given.inPlaneMPa, given.acrossMPa);
    return { strengthMPa: offAxisStrengthMPa({ ...given, shearMPa }, angle), shearMPa };
  },
});

export const offAxisModulus = calculator({
  id: 'off-axis-modulus',
  title: 'Modulus at an angle to the layers',
  source: 'Jones, Mechanics of Composite Materials, eq. 2.97',
  example: { inPlaneMPa: 2000, acrossMPa: 1800, shearMPa: 700, poisson: 0.38, angleDeg: 90 },
  input: {
    inPlaneMPa: above0('Modulus in the layer plane, MPa'),
    acrossMPa: above0('Modulus across the layers, MPa'),
    shearMPa: above0('Shear modulus, MPa'),
    poisson: Type.Number({ minimum: 0, maximum: 0.5 }),
    angleDeg,
  },
  output: { modulusMPa: Type.Number() },
  run: ({ angleDeg: angle, ...moduli }) => ({ modulusMPa: offAxisModulusMPa(moduli, angle) }),
});

export const strengthFactor = calculator({
  id: 'strength-factor',
  title: 'Strength kept at temperature and under lasting load',
  source: '(E(T)/E23)^m and a fixed loss per decade of time beyond one minute',
  example: { modulusRatio: 0.5, exponent: 0.8, durationH: 1.6666666666666667, lossPerDecade: 0.06 },
  input: {
    modulusRatio: above0('E(T)/E23'),
    exponent: above0('m, about 0.8 amorphous and 0.6 semi-crystalline'),
    durationH,
    lossPerDecade: Type.Number({ minimum: 0, maximum: 1 }),
  },
  output: { temperatureFactor: ratio, timeFactor: ratio, factor: ratio },
  run(input) {
    const temperatureFactor = strengthTemperatureFactor(input.modulusRatio, input.exponent);
    const timeFactor = staticFatigueFactor(input.durationH, input.lossPerDecade);
    return { temperatureFactor, timeFactor, factor: temperatureFactor * timeFactor };
  },
});

const property = Type.Unsafe<PropertyId>({ type: 'string', enum: [...PROPERTIES] });

export const familyValue = calculator({
  id: 'family-value',
  title: 'Typical value of a family, with a filler',
  source: 'reference data, evidence class D: dry, 23 °C, printed solid, in the layer plane',
  example: { familyId: 'pa6', reinforcementId: 'carbon-15', property: 'tensileModulus' },
  input: { familyId, reinforcementId, property },
  output: { value: Type.Number(), derivation: Type.String() },
  run({ familyId: id, reinforcementId: filler, property: of }) {
    const estimate = familyEstimate(familyOf(id), findReinforcement(filler ?? null), of);
    if (!estimate) throw new InputError('property', of, 'a property the family states is needed');
    return { ...estimate, derivation: inWords(estimate.derivation) };
  },
});

export const layerShare = calculator({
  id: 'across-layer-share',
  title: 'Strength or modulus across the layers over that in the layer plane',
  source: 'reference data, evidence class D',
  example: { familyId: 'pa6', reinforcementId: 'carbon-15', of: 'strength' },
  input: {
    familyId,
    reinforcementId,
    of: Type.Unsafe<'strength' | 'modulus'>({ type: 'string', enum: ['strength', 'modulus'] }),
  },
  output: { ratio },
  run: (input) => ({
    ratio: layerRatio(familyOf(input.familyId), findReinforcement(input.reinforcementId ?? null), input.of),
  }),
});

export const moistureRetention = calculator({
  id: 'moisture-retention',
  title: 'Strength or modulus kept in a moisture state, over dry',
  source: 'reference data at 23 °C and 50 % RH, straight line in water content to saturation',
  example: { familyId: 'pla', of: 'modulus', state: 'conditioned' },
  input: {
    familyId,
    of: Type.Unsafe<'strength' | 'modulus'>({ type: 'string', enum: ['strength', 'modulus'] }),
    state: Type.Unsafe<Conditioning>({ type: 'string', enum: [...CONDITIONINGS] }),
  },
  output: { ratio },
  run: (input) => ({ ratio: conditioningRetention(familyOf(input.familyId), input.of, input.state) }),
});
