import type { Grade } from '@anvilstone/schema';

/** Traps that real libraries hold, laid into the made-up one on purpose. */
export function layTraps(grades: readonly Grade[]): void {
  const find = (id: string) => grades.find((grade) => grade.id === id)!;
  // Traps that real libraries hold. One bench campaign kept a specimen that slipped in the grips (large scatter, low mean).
  const slipped = find('vp-asa').observations.find(
    (one) => one.source === 'bench' && one.property === 'tensileStrength' && one.orientation === 'ZX',
  )!;
  slipped.note = 'Specimen 4 slipped in the grips and broke early; kept in the mean until the campaign is repeated.';
  slipped.standardDeviation = Number((slipped.value! * 0.24).toPrecision(2));
  slipped.value = Number((slipped.value! * 0.88).toPrecision(3));
  // Two revisions of a sheet that disagree.
  const asa = find('tm-asa').observations.find(
    (one) => one.property === 'tensileStrength' && one.orientation === 'XY',
  )!;
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
  // A campaign with an outlier: four bars near 60 MPa and one with a void. It is kept and said, not dropped.
  const pc = find('ol-pc').observations.find((one) => one.property === 'tensileStrength' && one.orientation === 'XY')!;
  find('ol-pc').observations.push({
    ...pc,
    id: 'ol-pc-autumn',
    value: Number((pc.value! * 0.9).toPrecision(3)),
    standardDeviation: Number((pc.value! * 0.19).toPrecision(2)),
    reference: 'Workshop bench, Osk & Linnet PC Clear, autumn campaign',
    date: '2026-10-02',
    note: 'Bar 2 had a void at the shoulder and broke at 41 MPa; the other four were near the spring campaign.',
  });
  // Own creep readings: a bar under 5 MPa, read for ten days. They take the place of the family's creep parameters.
  const petg = find('tm-petg').observations.find((one) => one.property === 'tensileModulus' && one.source === 'bench')!;
  for (const [durationH, left] of [
    [0.0167, 0.963],
    [1, 0.925],
    [24, 0.862],
    [240, 0.803],
  ] as const) {
    find('tm-petg').observations.push({
      id: `tm-petg-creep-${durationH}`,
      property: 'creepModulus',
      value: Number((petg.value! * left).toPrecision(4)),
      unit: 'MPa',
      source: 'bench',
      count: 1,
      specimen: 'printed',
      orientation: 'XY',
      conditioning: 'dry',
      durationH,
      creepStressMPa: 5,
      reference: 'Workshop bench, creep frame, 5 MPa',
      date: '2026-06-11',
    });
  }
  // Fatigue of one grade, measured at two lives.
  const fatigued = find('vp-asa').observations.find(
    (one) => one.property === 'tensileStrength' && one.orientation === 'XY',
  )!;
  for (const [cycles, share] of [
    [1e5, 0.27],
    [1e6, 0.22],
  ] as const) {
    find('vp-asa').observations.push({
      id: `vp-asa-fatigue-${cycles}`,
      property: 'fatigueStrength',
      value: Number((fatigued.value! * share).toPrecision(3)),
      unit: 'MPa',
      source: 'bench',
      count: 3,
      specimen: 'printed',
      orientation: 'XY',
      conditioning: 'dry',
      cycles,
      stressRatio: -1,
      reference: 'Workshop bench, bending fatigue at 4 Hz',
      date: '2026-07-20',
    });
  }
}
