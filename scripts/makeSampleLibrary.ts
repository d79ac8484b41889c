/**
 * Writes the made-up grades of the demo workshop. Values start from the family reference data with the filler's effect,
 * vary per grade from a fixed seed, and are then reported the way real evidence is: other methods, units, specimens,
 * moisture states and gaps. Run again only to change the sample; the output is committed.
 *   npx tsx scripts/makeSampleLibrary.ts
 */
import { writeFileSync } from 'node:fs';
import type { Grade, Observation } from '@anvilstone/schema';
import { familyEstimate, familyHdtPoints, findFamily, findReinforcement, layerRatio } from '@anvilstone/core';

/** How a maker documents a grade. */
type Evidence = 'printed' | 'moulded' | 'bench' | 'bench+sheet' | 'sparse' | 'flexural';
type Row = [
  id: string,
  name: string,
  maker: string,
  family: string,
  filler: string | null,
  evidence: Evidence,
  priceFactor: number | null,
  colours: string,
];

const TARROWMILL = 'Tarrowmill';
const OSK = 'Osk & Linnet';
const VELD = 'Veld Polymer Works';
const HARROW = 'Harrowgate Threads';

const rows: Row[] = [
  ['tm-pla', 'Tarrowmill PLA Everyday', TARROWMILL, 'pla', null, 'bench+sheet', 0.9, 'natural,black,grey,orange'],
  ['tm-pla-tough', 'Tarrowmill PLA Tough', TARROWMILL, 'pla-tough', null, 'printed', 1, 'black,grey'],
  ['tm-petg', 'Tarrowmill PETG Clearway', TARROWMILL, 'petg', null, 'bench+sheet', 1, 'clear,black,blue'],
  ['tm-petg-cf', 'Tarrowmill PETG C10', TARROWMILL, 'petg', 'carbon-10', 'printed', 1.1, 'black'],
  ['tm-asa', 'Tarrowmill ASA Outdoor', TARROWMILL, 'asa', null, 'printed', 1, 'white,grey,black,green'],
  ['tm-abs', 'Tarrowmill ABS', TARROWMILL, 'abs', null, 'moulded', 0.95, 'natural,black,red'],
  ['tm-tpu95', 'Tarrowmill Flex 95', TARROWMILL, 'tpu-95a', null, 'sparse', 1, 'black,natural'],
  ['ol-pc', 'Osk & Linnet PC Clear', OSK, 'pc', null, 'bench', 1.1, 'clear'],
  ['ol-pc-blend', 'Osk & Linnet PC Blend E', OSK, 'pc-blend', null, 'printed', 1, 'natural,black'],
  ['ol-pc-cf', 'Osk & Linnet PC C10', OSK, 'pc', 'carbon-10', 'printed', 1, 'black'],
  ['ol-pa6', 'Osk & Linnet PA6 Natural', OSK, 'pa6', null, 'moulded', 1, 'natural,black'],
  ['ol-pa6-cf', 'Osk & Linnet PA6 C15', OSK, 'pa6', 'carbon-15', 'bench+sheet', 1.05, 'black'],
  ['ol-pa6-gf', 'Osk & Linnet PA6 G25', OSK, 'pa6', 'glass-25', 'moulded', 1, 'natural,grey'],
  ['ol-pa12', 'Osk & Linnet PA12', OSK, 'pa12', null, 'printed', 1, 'natural'],
  ['ol-pa12-cf', 'Osk & Linnet PA12 C15', OSK, 'pa12', 'carbon-15', 'flexural', 1, 'black'],
  ['vp-asa', 'Veld ASA 20', VELD, 'asa', null, 'bench', 1.2, 'black,white'],
  ['vp-asa-gf', 'Veld ASA G10', VELD, 'asa', 'glass-10', 'sparse', 1.1, 'black,grey'],
  ['vp-asa-cf', 'Veld ASA C10', VELD, 'asa', 'carbon-10', 'printed', 1.1, 'black'],
  ['vp-abs', 'Veld ABS Natural', VELD, 'abs', null, 'sparse', 1, 'natural'],
  ['vp-pet-cf', 'Veld PET C15', VELD, 'pet', 'carbon-15', 'moulded', 1, 'black'],
  ['vp-pp', 'Veld PP Copo', VELD, 'pp', null, 'printed', 1, 'natural'],
  ['vp-pp-gf', 'Veld PP G25', VELD, 'pp', 'glass-25', 'moulded', 1, 'black,natural'],
  ['vp-pa666', 'Veld PA 6/66', VELD, 'pa6-66', null, 'flexural', 1, 'natural,black'],
  ['vp-unlisted', 'Veld VX-7 (polymer not stated)', VELD, 'not-stated', null, 'printed', null, 'grey'],
  ['ht-cpe-heat', 'Harrowgate CPE High Temperature', HARROW, 'cpe-heat', null, 'printed', 1, 'clear,black'],
  ['ht-pom', 'Harrowgate POM', HARROW, 'pom', null, 'moulded', 1, 'white,black'],
  ['ht-pbt', 'Harrowgate PBT', HARROW, 'pbt', null, 'sparse', null, 'natural'],
  ['ht-pa11', 'Harrowgate PA11', HARROW, 'pa11', null, 'printed', 1, 'natural'],
  ['ht-ppa-cf', 'Harrowgate PPA C15', HARROW, 'ppa', 'carbon-15', 'printed', 1, 'black'],
  ['ht-pps-cf', 'Harrowgate PPS C10', HARROW, 'pps', 'carbon-10', 'moulded', 1, 'black'],
  ['ht-pei', 'Harrowgate PEI Amber', HARROW, 'pei', null, 'printed', 1, 'amber'],
  ['ht-pekk', 'Harrowgate PEKK A', HARROW, 'pekk-amorphous', null, 'moulded', 1, 'natural'],
];

/** Small, fast, seeded generator (mulberry32): the sample must come out the same on every machine. */
function seeded(text: string) {
  let state = [...text].reduce((hash, char) => Math.imul(hash ^ char.charCodeAt(0), 16777619) >>> 0, 2166136261);
  return () => {
    state = (state + 0x6d2b79f5) >>> 0;
    let mixed = Math.imul(state ^ (state >>> 15), 1 | state);
    mixed = (mixed + Math.imul(mixed ^ (mixed >>> 7), 61 | mixed)) ^ mixed;
    return ((mixed ^ (mixed >>> 14)) >>> 0) / 4294967296;
  };
}

const round = (value: number, digits: number) => Number(value.toPrecision(digits));

function gradeOf([id, name, maker, familyId, fillerId, evidence, priceFactor, colours]: Row): Grade {
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
  if (charpy > 0 && evidence !== 'sparse') {
    add({
      property: 'charpyNotched',
      value: round(charpy * vary(0.15), 2),
      unit: 'kJ/m²',
      method: 'ISO 179-1eA',
      specimen: evidence === 'moulded' ? 'moulded' : 'printed',
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
    process:
      evidence === 'sparse'
        ? {}
        : { nozzleC: { low: family.nozzleC.low, high: family.nozzleC.high }, bedC: family.bedC },
    observations,
    sampleData: true,
  };
}

const grades = rows.map(gradeOf);
const find = (id: string) => grades.find((grade) => grade.id === id)!;
// Traps that real libraries hold. One bench campaign kept a specimen that slipped in the grips (large scatter, low mean).
const slipped = find('vp-asa').observations.find(
  (one) => one.source === 'bench' && one.property === 'tensileStrength' && one.orientation === 'ZX',
)!;
slipped.note = 'Specimen 4 slipped in the grips and broke early; kept in the mean until the campaign is repeated.';
slipped.standardDeviation = Number((slipped.value! * 0.24).toPrecision(2));
slipped.value = Number((slipped.value! * 0.88).toPrecision(3));
// Two revisions of a sheet that disagree.
const asa = find('tm-asa').observations.find((one) => one.property === 'tensileStrength' && one.orientation === 'XY')!;
find('tm-asa').observations.push({
  ...asa,
  id: 'tm-asa-old',
  value: Number((asa.value! * 1.14).toPrecision(3)),
  reference: 'Tarrowmill ASA Outdoor data sheet, rev. 0',
  note: 'Older revision; higher value',
});
// A modulus measured warm on the workshop's own bench: it takes the place of the estimated knee.
find('ol-pc').observations.push({
  id: 'ol-pc-warm',
  property: 'tensileModulus',
  value: Number(
    (find('ol-pc').observations.find((one) => one.property === 'tensileModulus')!.value! * 0.86).toPrecision(3),
  ),
  unit: 'MPa',
  source: 'bench',
  count: 3,
  specimen: 'printed',
  orientation: 'XY',
  conditioning: 'dry',
  temperatureC: 90,
  reference: 'Workshop bench, warm three-point bending',
  date: '2026-05-06',
});

writeFileSync(
  new URL('../packages/core/src/sample/data/grades.json', import.meta.url),
  `${JSON.stringify(grades, null, 1)}\n`,
);
console.log(
  `${grades.length} grades, ${grades.reduce((sum, grade) => sum + grade.observations.length, 0)} observations`,
);
