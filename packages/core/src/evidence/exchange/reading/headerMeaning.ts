import type { PropertyId } from '@anvilstone/schema';
import { DIMENSIONS, findUnit, type Dimension } from '@anvilstone/core/foundations';
import { type Condition, PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import { RECORD_HEADER } from '../canonicalTable.ts';
import { CLAIM_FIELDS, GRADE_FIELDS, OBSERVATION_FIELDS } from '../fields.ts';

/** What a column is taken for. Targets: `ignore`, `record`, `grade.…`, `observation.…`, `claim.…`, `property.…`. */
export interface HeaderMeaning {
  target: string;
  /** As found in the header; null where it states none. */
  unit: string | null;
  conditions: Partial<Record<Condition, string | number>>;
}

const exactHeaders = new Map<string, string>([
  [RECORD_HEADER, 'record'],
  ...GRADE_FIELDS.map(({ header, path }): [string, string] => [header, `grade.${path}`]),
  ...OBSERVATION_FIELDS.map(({ header, path }): [string, string] => [header, `observation.${path}`]),
  ...CLAIM_FIELDS.map(({ header, path }): [string, string] => [header, `claim.${path}`]),
]);
const titles = new Map(
  Object.entries(PROPERTY_DEFINITIONS).map(([id, { title }]) => [title.toLowerCase(), id as PropertyId]),
);

/** Words in a heading and the field they mean; the first that fits counts, so the special ones stand before the general. */
const FIELD_WORDS: readonly (readonly [RegExp, string])[] = [
  [/^(grade |product |material )?(id|sku|article|item)( ?(no|number|code)\.?)?$/, 'grade.id'],
  [/^property( name)?$|^characteristic$|^test$/, 'observation.property'],
  [/^(value|result|mean|average)$/, 'observation.value'],
  [/^units?$|^uom$/, 'observation.unit'],
  [/^(sd|std|stdev|std\.? ?dev\.?|standard deviation|scatter)$/, 'observation.standardDeviation'],
  [/^(n|count|specimens|number of specimens|no\.? of specimens|samples)$/, 'observation.count'],
  [/^(test )?(method|standard|norm)$/, 'observation.method'],
  [/^(specimen|test piece|sample type)$/, 'observation.specimen'],
  [/^(crystallinity|crystallisation|crystal state)$/, 'observation.crystallinity'],
  [/^(build )?(orientation|direction)$/, 'observation.orientation'],
  [/^(conditioning|moisture( state)?|condition|state)$/, 'observation.conditioning'],
  [/^test temp(erature|\.)?$/, 'observation.temperatureC'],
  [/^(source|reference|data ?sheet|document)$/, 'observation.reference'],
  [/^date$/, 'observation.date'],
  [/drying.*time|dry.*hours/, 'grade.process.dryingH'],
  [/drying|^dry (at|temp)/, 'grade.process.dryingC'],
  [/^(nozzle|hot ?end|extruder|print(ing)?|extrusion).*temp|^nozzle$/, 'grade.process.nozzleC'],
  [/^(heated )?(bed|build ?plate|platform)/, 'grade.process.bedC'],
  [/^chamber/, 'grade.process.chamberC'],
  [/^(fan|part cooling|cooling)/, 'grade.process.fanPct'],
  [/^(min(imum|\.)?|smallest) nozzle/, 'grade.process.minimumNozzleMm'],
  [/^abrasive/, 'grade.process.abrasive'],
  [/lead ?time|delivery/, 'grade.leadTimeDays'],
  [/discontinued|obsolete/, 'grade.discontinued'],
  [/price|cost|\b(usd|\$)\b/, 'grade.pricePerKgUsd'],
  [/^colou?rs?/, 'grade.colours'],
  [/^(maker|manufacturer|producer|supplier|vendor|brand|company)/, 'grade.maker'],
  [/^(filler|reinforcement|fib(re|er))/, 'grade.reinforcementId'],
  [/^(family|polymer|base( polymer| resin)?|resin|material type|type|chemistry|plastic)/, 'grade.familyId'],
  [/^(grade|name|product( name)?|material( name)?|filament|trade ?name|designation)$/, 'grade.name'],
  [/^(note|notes|remark|remarks|comment|comments)$/, 'grade.note'],
];

const has =
  (...words: RegExp[]) =>
  (text: string) =>
    words.every((word) => word.test(text));
/** The same for properties. */
const PROPERTY_WORDS: readonly (readonly [(text: string) => boolean, PropertyId])[] = [
  [has(/charpy/, /unnotch|un-notch|plain/), 'charpyUnnotched'],
  [has(/charpy/), 'charpyNotched'],
  [has(/izod/, /unnotch|un-notch|plain/), 'izodUnnotched'],
  [has(/izod/), 'izodNotched'],
  [has(/heat (deflection|distortion)|\bhdt\b|\bdtul\b|deflection temp/), 'heatDeflectionTemperature'],
  [has(/vicat/), 'vicatSoftening'],
  [has(/glass trans|\btg\b/), 'glassTransition'],
  [has(/melt(ing)? (point|temp)|\btm\b/), 'melting'],
  [has(/melt (flow|index)|\bmfr\b|\bmfi\b/), 'meltFlowRate'],
  [has(/melt vol|\bmvr\b/), 'meltVolumeRate'],
  [has(/melt density/), 'meltDensity'],
  [has(/density|specific gravity/), 'density'],
  [has(/creep/, /mod/), 'creepModulus'],
  [has(/fatigue/), 'fatigueStrength'],
  [has(/flex|bending/, /mod/), 'flexuralModulus'],
  [has(/flex|bending/, /strength|stress/), 'flexuralStrength'],
  [has(/compress/, /mod/), 'compressiveModulus'],
  [has(/compress/, /strength|stress/), 'compressiveStrength'],
  [has(/layer|interlayer|interlaminar/, /shear/), 'layerShearStrength'],
  [has(/shear/, /mod/), 'shearModulus'],
  [has(/young|e-modulus|tens.*mod|mod.*elast|^modulus/), 'tensileModulus'],
  [has(/(elongation|strain)/, /yield/), 'elongationYield'],
  [has(/elongation|strain (at|to) (break|fail)/), 'elongationBreak'],
  [has(/yield/, /strength|stress/), 'yieldStrength'],
  [has(/tens.*(strength|stress)|\buts\b|ultimate.*(strength|stress)|^strength/), 'tensileStrength'],
  [has(/poisson/), 'poissonRatio'],
  [has(/shore a/), 'hardnessShoreA'],
  [has(/shore d/), 'hardnessShoreD'],
  [has(/brittle/), 'brittlenessTemperature'],
  [has(/friction/), 'frictionVsSteel'],
  [has(/\bpv\b|pressure.*(velocity|speed)/), 'pvLimit'],
  [has(/wear/), 'wearRate'],
  [has(/(max|cont|service|use).*temp/), 'continuousService'],
  [has(/expansion|\bcte\b|\bclte\b/), 'thermalExpansion'],
  [has(/thermal conduct/), 'thermalConductivity'],
  [has(/specific heat|heat capacity/), 'specificHeat'],
  [has(/shrink/), 'printShrink'],
  [has(/(water|moisture)/, /50|equilib/), 'waterAt50Rh'],
  [has(/(water|moisture)/), 'waterSaturation'],
  [has(/swell/), 'swellingSaturation'],
  [has(/surface resist/), 'surfaceResistivity'],
  [has(/(volume|bulk)? ?resistivity/), 'volumeResistivity'],
  [has(/dielectric strength|breakdown/), 'dielectricStrength'],
  [has(/permittivity|dielectric const/), 'relativePermittivity'],
  [has(/tracking|\bcti\b/), 'trackingIndex'],
  [has(/flam|ul ?-?94/), 'flameClass'],
  [has(/oxygen index|\bloi\b/), 'oxygenIndex'],
  [has(/glow/), 'glowWire'],
  [has(/weather/), 'weatheringRetention'],
  [has(/transmi/), 'lightTransmission'],
];

/** What a heading means: field or property, unit, and the conditions it names. */
export function headerMeaning(header: string): HeaderMeaning {
  const exact = exactHeaders.get(header.trim());
  if (exact) return { target: exact, unit: null, conditions: {} };
  const unit = unitIn(header);
  const words = withoutUnit(header, unit)
    .toLowerCase()
    .replace(/[_\s]+/g, ' ')
    .trim();
  const property = propertyOf(words);
  const field = FIELD_WORDS.find(([pattern]) => pattern.test(words))?.[1];
  // “Nozzle temperature” has a field of its own, “Max service temperature” is a property.
  if (field && !(property && !/^grade\.process|^observation|price|name|id$/.test(field)))
    return { target: field, unit, conditions: {} };
  if (property) return { target: `property.${property}`, unit, conditions: conditionsIn(header, property) };
  return { target: field ?? 'ignore', unit, conditions: {} };
}

/** The property a name means, as titles here or as sheets write it; undefined: none that is known. */
export function propertyOf(name: string): PropertyId | undefined {
  const words = name.trim().toLowerCase();
  if (words in lowerIds) return lowerIds[words];
  return titles.get(words) ?? PROPERTY_WORDS.find(([fits]) => fits(words))?.[1];
}
const lowerIds: Record<string, PropertyId> = Object.fromEntries(
  Object.keys(PROPERTY_DEFINITIONS).map((id) => [id.toLowerCase(), id as PropertyId]),
);

const ALL_DIMENSIONS = Object.keys(DIMENSIONS) as Dimension[];

/** A unit in brackets, or after a comma or slash at the end: “(MPa)”, “[°C]”, “, GPa”. */
function unitIn(header: string): string | null {
  const candidates = [...header.matchAll(/[([]([^()[\]]+)[)\]]/g)].map((match) => match[1]!.trim());
  const last = /[,;/]\s*([^,;/()[\]]+)$/.exec(header)?.[1]?.trim();
  if (last !== undefined) candidates.push(last);
  const tail = /\s(\S+)$/.exec(header)?.[1];
  if (tail !== undefined && /[°%²³/Ω]|^(MPa|GPa|psi|ksi)$/.test(tail)) candidates.push(tail);
  return (
    candidates.find((text) =>
      ALL_DIMENSIONS.some((dimension) => text !== '1' && text !== '-' && findUnit(dimension, text)),
    ) ?? null
  );
}

const withoutUnit = (header: string, unit: string | null) =>
  unit === null
    ? header
    : header
        .replace(unit, '')
        .replace(/[([]\s*[)\]]/g, '')
        .replace(/[,;/\s]+$/, '');

/** Conditions a heading of a property column names. */
function conditionsIn(header: string, property: PropertyId): HeaderMeaning['conditions'] {
  const text = header.toLowerCase();
  const conditions: HeaderMeaning['conditions'] = {};
  const orientation = /\b(xy|xz|zx|flat|on edge|edgewise|upright|z)\b/.exec(text)?.[1];
  if (orientation) conditions.orientation = ORIENTATION_WORDS[orientation]!;
  const specimen = /\b(printed|mou?lded|injection)/.exec(text)?.[1];
  if (specimen) conditions.specimen = specimen === 'printed' ? 'printed' : 'moulded';
  const crystals = /\b(amorphous|annealed|crystalli[sz]ed)\b/.exec(text)?.[1];
  if (crystals) conditions.crystallinity = crystals === 'amorphous' ? 'amorphous' : 'crystallised';
  const state = /\b(dry|conditioned|cond\.|wet|saturated)(?=\W|$)/.exec(text)?.[1];
  if (state) conditions.conditioning = STATE_WORDS[state]!;
  const stress =
    property === 'heatDeflectionTemperature'
      ? /(0[.,]4[56]|1[.,]8[0-2]?|8[.,]0|264|66)\s?(mpa|n\/mm|psi)?/.exec(text)?.[1]
      : undefined;
  if (stress) conditions.hdtStressMPa = HDT_STRESS[stress.replace(',', '.')] ?? Number(stress.replace(',', '.'));
  const at = /(?:@|\bat)?\s*([-−+]?\d+(?:[.,]\d+)?)\s?°\s?(c|f)\b/.exec(text.replace(/[([]\s*°[cf]\s*[)\]]/g, ''));
  const temperature = at && Number(at[1]!.replace('−', '-').replace(',', '.'));
  if (temperature !== null && temperature !== undefined) {
    const celsius = at![2] === 'f' ? ((temperature - 32) * 5) / 9 : temperature;
    if (property === 'meltFlowRate' || property === 'meltVolumeRate') conditions.meltFlowTemperatureC = celsius;
    else conditions.temperatureC = celsius;
  }
  const load = /([\d.,]+)\s?kg\b/.exec(text)?.[1];
  if (load && /melt/i.test(property)) conditions.meltFlowMassKg = Number(load.replace(',', '.'));
  const thickness = /([\d.,]+)\s?mm\b/.exec(text)?.[1];
  if (thickness && PROPERTY_DEFINITIONS[property].conditions.includes('thicknessMm'))
    conditions.thicknessMm = Number(thickness.replace(',', '.'));
  return conditions;
}

const ORIENTATION_WORDS: Record<string, string> = {
  xy: 'XY',
  flat: 'XY',
  xz: 'XZ',
  'on edge': 'XZ',
  edgewise: 'XZ',
  zx: 'ZX',
  z: 'ZX',
  upright: 'ZX',
};
const STATE_WORDS: Record<string, string> = {
  dry: 'dry',
  conditioned: 'conditioned',
  'cond.': 'conditioned',
  wet: 'wet',
  saturated: 'wet',
};
/** 66 and 264 psi are the round numbers of ASTM D648; 0.46 and 1.82 MPa are the same stresses converted. */
const HDT_STRESS: Record<string, number> = {
  '0.45': 0.45,
  '0.46': 0.45,
  '66': 0.45,
  '1.8': 1.8,
  '1.80': 1.8,
  '1.81': 1.8,
  '1.82': 1.8,
  '264': 1.8,
  '8.0': 8,
};
