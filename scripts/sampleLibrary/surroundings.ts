import type { Grade, Observation } from '@anvilstone/schema';

const BENCH = 'Corvane Ridge bench';
/** Days until a filament is here; what is not listed is not stated. */
const LEAD_TIME_DAYS: Record<string, number> = {
  'ne-petg': 0,
  'tm-petg': 0,
  'tm-asa': 2,
  'vp-asa-esd': 9,
  'tm-pla': 0,
  'tm-abs': 0,
  'ol-pa6': 5,
  'ol-pc': 5,
  'ne-abs': 0,
  'vp-asa': 9,
  'ht-peek': 28,
};

/** What fluids, charge, fire and weather did to some of the grades, and when a filament is here. */
export function laySurroundings(grades: readonly Grade[]): void {
  const find = (id: string) => grades.find((grade) => grade.id === id)!;
  const report = (id: string, result: Omit<Observation, 'id'>) => {
    const { observations } = find(id);
    observations.push({ id: `${id}-${observations.length + 31}`, ...result });
  };
  report('vp-asa-esd', {
    source: 'bench',
    reference: `${BENCH}, series B-31`,
    property: 'surfaceResistivity',
    value: 3e7,
    unit: 'Ω',
    specimen: 'printed',
    orientation: 'XY',
    resistivityVoltageV: 100,
    relativeHumidityPct: 12,
    method: 'IEC 61340-2-3',
    count: 5,
  });
  (find('vp-asa-esd').claims ??= []).push({
    kind: 'flame',
    statement: 'HB',
    standard: 'UL 94',
    scope: 'printed-specimen',
    thicknessMm: 1.5,
    date: '2026-02-17',
    reference: 'Veld ASA Drain data sheet, rev. 3',
  });
  const soak = (
    id: string,
    number: string,
    result: Pick<Observation, 'classValue' | 'durationH' | 'method' | 'note'>,
  ) =>
    report(id, {
      source: 'bench',
      reference: `${BENCH}, soak ${number}`,
      property: 'chemicalResistance',
      unit: '-',
      agentId: 'mineral-oil',
      temperatureC: 45,
      creepStressMPa: 5,
      specimen: 'printed',
      count: 3,
      ...result,
    });
  soak('tm-petg', 'S-04', {
    classValue: 'resistant',
    durationH: 336,
    method: 'ISO 175',
    note: 'Bent strips in haul-rope oil: no crack, 0.1 % heavier.',
  });
  soak('tm-abs', 'S-05', {
    classValue: 'unsuitable',
    durationH: 120,
    method: 'ISO 22088-3',
    note: 'Two of three bent strips cracked at a layer line within five days.',
  });
  report('tm-asa', {
    source: 'datasheet',
    reference: 'Tarrowmill ASA Outdoor data sheet, rev. 4',
    property: 'weatheringRetention',
    value: 93,
    unit: '%',
    durationH: 2000,
    specimen: 'printed',
    method: 'ISO 4892-2',
  });
  for (const [id, days] of Object.entries(LEAD_TIME_DAYS)) find(id).leadTimeDays = days;
  find('ht-pbt').discontinued = true;
}
