import type { Grade, Observation } from '@anvilstone/schema';
import { familyEstimate, familyHdtPoints, findFamily, findReinforcement, layerRatio } from '@anvilstone/core/materials';
import { claimsOf, furtherEvidence, statedProcess } from './further.ts';
import type { Row } from './rows.ts';
import { round, seeded } from './seeded.ts';

/** One made-up grade, reported the way its maker reports. */
export function gradeOf([id, name, maker, familyId, fillerId, evidence, priceFactor, colours]: Row): Grade {
  // A grade of an unstated polymer: its sheet gives numbers, and nothing else about it may be assumed.
  const family = findFamily(familyId) ?? findFamily('pc-blend')!;
  const filler = findReinforcement(fillerId);
  const random = seeded(id);
  const vary = (spread: number) => 1 + (random() * 2 - 1) * spread;
  const typical = (property: 'density' | 'tensileModulus' | 'tensileStrength' | 'elongationBreak' | 'charpyNotched') =>
    familyEstimate(family, filler, property)?.value ?? 0;
  const modulus = typical('tensileModulus') * vary(0.08);
  const strength = typical('tensileStrength') * vary(0.08);
  const zStrength = layerRatio(family, filler, 'strength') * vary(0.1);
  const zModulus = layerRatio(family, filler, 'modulus') * vary(0.03);
  const hdtShift = (random() * 2 - 1) * 2;
  const hdt = familyHdtPoints(family, filler).map((point) => ({
    ...point,
    temperatureC: round(point.temperatureC + hdtShift, 3),
  }));
  const observations: Observation[] = [];
  const sheet = `${name} data sheet, rev. ${1 + Math.floor(random() * 4)}`;
  const add = (facts: Omit<Observation, 'id' | 'reference' | 'source'> & Partial<Observation>) =>
    observations.push({ id: `${id}-${observations.length + 1}`, source: 'datasheet', reference: sheet, ...facts });
  const dry = { conditioning: 'dry' } as const;

  add({ property: 'density', value: round(typical('density') * vary(0.01), 3), unit: 'g/cm³', method: 'ISO 1183' });
  const printed = { specimen: 'printed', method: 'ISO 527-2' } as const;
  if (evidence === 'printed' || evidence === 'bench+sheet') {
    add({ property: 'tensileModulus', value: round(modulus, 3), unit: 'MPa', orientation: 'XY', ...printed, ...dry });
    add({ property: 'tensileStrength', value: round(strength, 3), unit: 'MPa', orientation: 'XY', ...printed, ...dry });
    add({
      property: 'elongationBreak',
      value: round(typical('elongationBreak') * vary(0.2), 2),
      unit: '%',
      orientation: 'XY',
      ...printed,
    });
  }
  if (evidence === 'printed') {
    add({
      property: 'tensileModulus',
      value: round(modulus * zModulus, 3),
      unit: 'MPa',
      orientation: 'ZX',
      ...printed,
      ...dry,
    });
    add({
      property: 'tensileStrength',
      value: round(strength * zStrength, 3),
      unit: 'MPa',
      orientation: 'ZX',
      ...printed,
      ...dry,
    });
  }
  if (evidence === 'moulded') {
    // Moulded bars read higher than printed ones; in GPa, as many sheets do.
    add({
      property: 'tensileModulus',
      value: round(modulus / 0.88 / 1000, 3),
      unit: 'GPa',
      specimen: 'moulded',
      method: 'ISO 527-2',
      ...dry,
    });
    add({
      property: 'tensileStrength',
      value: round(strength / 0.78, 3),
      unit: 'MPa',
      specimen: 'moulded',
      method: 'ISO 527-2',
      ...dry,
    });
  }
  if (evidence === 'flexural') {
    add({
      property: 'flexuralModulus',
      value: round(modulus * 0.97, 3),
      unit: 'MPa',
      specimen: 'printed',
      orientation: 'XY',
      method: 'ISO 178',
      ...dry,
    });
    add({
      property: 'tensileStrength',
      value: round(strength / 6.894757, 3),
      unit: 'ksi',
      specimen: 'printed',
      orientation: 'XY',
      method: 'ASTM D638',
      ...dry,
    });
  }
  if (evidence === 'sparse') {
    // No specimen, no direction, no moisture state: what the back of the box says.
    add({
      property: 'tensileStrength',
      value: round(strength / 0.8, 2),
      unit: 'MPa',
      note: 'Specimen and direction not stated',
    });
  }
  if (evidence === 'bench' || evidence === 'bench+sheet') {
    const bench = { source: 'bench', specimen: 'printed', method: 'ISO 527-2 type 1BA' } as const;
    const campaign = `Workshop bench, ${name}, spring campaign`;
    const state = family.modulusRetentionConditioned < 0.9 ? 'conditioned' : 'dry';
    const kept = state === 'conditioned' ? family : { modulusRetentionConditioned: 1, strengthRetentionConditioned: 1 };
    const measure = (
      property: 'tensileModulus' | 'tensileStrength',
      value: number,
      orientation: 'XY' | 'ZX',
      count: number,
      scatter: number,
    ) =>
      add({
        ...bench,
        reference: campaign,
        date: '2026-04-18',
        property,
        unit: 'MPa',
        orientation,
        count,
        conditioning: state,
        value: round(value, 3),
        standardDeviation: round(value * scatter, 2),
      });
    measure('tensileModulus', modulus * 0.93 * kept.modulusRetentionConditioned, 'XY', 5, 0.05);
    measure('tensileStrength', strength * 0.9 * kept.strengthRetentionConditioned, 'XY', 5, 0.06);
    measure('tensileStrength', strength * 0.88 * zStrength * kept.strengthRetentionConditioned, 'ZX', 5, 0.13);
  }
  if (hdt.length > 0 && evidence !== 'sparse') {
    for (const { temperatureC, stressMPa } of evidence === 'printed' || evidence === 'bench+sheet'
      ? hdt
      : hdt.slice(0, 1)) {
      add({
        property: 'heatDeflectionTemperature',
        value: temperatureC,
        unit: '°C',
        hdtStressMPa: stressMPa,
        method: 'ISO 75-2',
        specimen: evidence === 'moulded' ? 'moulded' : 'printed',
      });
    }
  } else if (hdt.length > 0) {
    add({
      property: 'heatDeflectionTemperature',
      value: hdt[1]!.temperatureC,
      unit: '°C',
      note: 'Test stress not stated: cannot be used',
    });
  }
  const charpy = typical('charpyNotched');
  if (charpy > 0 && evidence !== 'sparse' && evidence !== 'conditioned' && !id.startsWith('ne-')) {
    add({
      property: 'charpyNotched',
      value: round(charpy * vary(0.15), 2),
      unit: 'kJ/m²',
      method: 'ISO 179-1eA',
      specimen: evidence === 'moulded' ? 'moulded' : 'printed',
      // Some sheets say how the bar was notched and laid, some leave it to be guessed.
      ...(evidence === 'printed' || evidence === 'bench+sheet'
        ? ({ orientation: 'XY', notchRadiusMm: 0.25, ...dry } as const)
        : {}),
    });
  }
  if (evidence === 'conditioned') addConditioned();
  furtherEvidence({ id, family, filler, evidence, add });
  /** Another ranking method of sheets: after weeks at 50 % humidity, which suits the part and flatters the impact. */
  function addConditioned() {
    const wetter = {
      specimen: 'printed',
      orientation: 'XY',
      conditioning: 'conditioned',
      method: 'ASTM D638',
    } as const;
    add({
      property: 'tensileModulus',
      value: round(modulus * family.modulusRetentionConditioned, 3),
      unit: 'MPa',
      ...wetter,
    });
    add({
      property: 'tensileStrength',
      value: round(strength * family.strengthRetentionConditioned, 3),
      unit: 'MPa',
      ...wetter,
    });
  }
  const price = family.pricePerKgUsd.mid * (filler?.priceFactor ?? 1);
  return {
    id,
    name,
    maker,
    familyId,
    reinforcementId: fillerId,
    colours: colours.split(','),
    pricePerKgUsd: priceFactor === null ? null : round(price * priceFactor * vary(0.06), 2),
    process: evidence === 'sparse' ? {} : statedProcess(family, evidence),
    ...claimsOf(id, sheet),
    observations,
    sampleData: true,
  };
}
