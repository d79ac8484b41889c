import { brief, grade, companyRules, machine, observation } from './index.ts';
import { validator } from './validate.ts';

type Json = Record<string, unknown>;
const goodBrief = (): Json => ({
  title: 'Arm',
  purpose: '',
  failureCouldHurt: 'no',
  moisture: 'dry',
  part: {
    model: 'cantilever-arm',
    spanMm: 100,
    section: { kind: 'rectangle', widthMm: 20, depthMm: 10 },
    filletRadiusMm: 1,
  },
  loadCases: [
    {
      id: 'a',
      name: 'Load',
      forceN: 1,
      durationH: 1,
      temperatureC: 23,
      safetyFactor: 2,
      actsWhenHot: true,
      maxDeflectionMm: 1,
      maxSagMm: 2,
    },
  ],
  asks: {
    heat: { steadyC: 40, peak: { temperatureC: 60, durationH: 1 } },
    sliding: { pressureMPa: 1, speedMPerS: 0.1 },
    thermalFit: { fixedTo: 'steel', lengthMm: 100, coldestC: 0, hottestC: 40, allowedMm: 1 },
    maxMassG: 10,
    maxCostUsd: 5,
    machineIds: ['m'],
    orientations: ['XY'],
  },
});

/** Sets the value at a JSON pointer. */
function put(document: Json, pointer: string, value: unknown): Json {
  const keys = pointer.slice(1).split('/');
  let at = document as Record<string, Json>;
  for (const key of keys.slice(0, -1)) at = at[key] as Record<string, Json>;
  at[keys.at(-1)!] = value as Json;
  return document;
}
const check = validator(brief);
const pointersOf = (value: unknown) => {
  const result = check(value);
  return result.ok ? [] : result.issues.map((issue) => issue.pointer);
};

/** Every number of a brief: the ends that are still accepted, and what lies just outside. */
test.each([
  ['/part/spanMm', [0.001, 5000], [0, -1, 5000.1]],
  ['/part/section/widthMm', [0.001, 5000], [0, 5001]],
  ['/part/section/depthMm', [0.001, 5000], [0, 5001]],
  ['/part/filletRadiusMm', [0, 500], [-0.1, 501]],
  ['/loadCases/0/forceN', [0.001, 1e6], [0, -5, 1e6 + 1]],
  ['/loadCases/0/durationH', [1e-6, 500000], [0, 500001]],
  ['/loadCases/0/temperatureC', [-80, 0, 400], [-81, 401]],
  ['/loadCases/0/safetyFactor', [1, 20], [0.99, 20.1]],
  ['/loadCases/0/maxDeflectionMm', [0.001, 5000], [0, 5001]],
  ['/loadCases/0/maxSagMm', [0.001, 5000], [0, 5001]],
  ['/loadCases/0/torqueNmm', [0.001, 1e8], [0, 1e8 + 1]],
  ['/loadCases/0/pressureMPa', [1e-6, 1000], [0, 1001]],
  ['/loadCases/0/displacementMm', [0.001, 1000], [0, 1001]],
  ['/loadCases/0/angleDeg', [0.1, 360], [0, 361]],
  ['/loadCases/0/energyJ', [0.001, 1e6], [0, -1]],
  ['/loadCases/0/fallingMassG', [0.1, 1e7], [0]],
  ['/loadCases/0/dropHeightMm', [0.1, 1e5], [0]],
  ['/loadCases/0/onShare', [0.01, 1], [0, 1.01]],
  ['/loadCases/0/cycles', [1, 1e10], [0, 1e11]],
  ['/loadCases/0/stressRatio', [-1, 0, 0.95], [-1.1, 1]],
  ['/loadCases/0/minHoldN', [0.001, 1e6], [0]],
  ['/loadCases/0/maxLeftMm', [0.001, 5000], [0]],
  ['/asks/heat/coldestC', [-80, 20], [-81]],
  ['/asks/sliding/pressureMPa', [0.001, 200], [0, 201]],
  ['/asks/sliding/speedMPerS', [0.0001, 50], [0, 51]],
  ['/asks/sliding/maxFriction', [0.05, 2], [0, 2.1]],
  ['/asks/thermalFit/allowedMm', [0.01, 100], [0]],
  ['/asks/heat/steadyC', [-80, 400], [-81, 4000]],
  ['/asks/heat/peak/temperatureC', [-80, 400], [401]],
  ['/asks/heat/peak/durationH', [0.001, 10000], [0, 10001]],
  ['/asks/maxMassG', [0.001, 1e6], [0, 1e6 + 1]],
  ['/asks/maxCostUsd', [0.01, 1e7], [0, 1e7 + 1]],
])('%s accepts %p and refuses %p at its place', (pointer, accepted, refused) => {
  for (const value of accepted) expect([value, pointersOf(put(goodBrief(), pointer, value))]).toEqual([value, []]);
  for (const value of [...refused, '7', null]) {
    expect([value, pointersOf(put(goodBrief(), pointer, value))]).toEqual([value, [pointer]]);
  }
});

test.each([
  ['/asks/machineIds', []],
  ['/asks/orientations', []],
  ['/asks/orientations', ['XY', 'XY']],
  ['/title', ''],
  ['/loadCases', Array.from({ length: 13 }, () => (goodBrief().loadCases as unknown[])[0])],
])('%s refuses %p', (pointer, value) => expect(pointersOf(put(goodBrief(), pointer, value))).toEqual([pointer]));

test.each([
  ['/part/model', 'flying-buttress'],
  ['/moisture', 'soaked'],
  ['/loadCases/0/id', 'no spaces please'],
  ['/loadCases/0/kind', 'sometimes'],
  ['/loadCases/0/direction', 'up'],
  ['/loadCases/0/mustStayWhole', 'mostly'],
  ['/asks/thermalFit/fixedTo', 'jelly'],
  ['/asks/mustWarn', false],
  ['/asks/orientations/0', 'YZ'],
])('%s refuses the word %p and says what would do', (pointer, value) => {
  const result = check(put(goodBrief(), pointer, value));
  expect(result).toMatchObject({ ok: false, issues: [{ pointer }] });
});

test('the other documents refuse a missing field, a field they do not know, and the wrong kind', () => {
  for (const [document, smallest, field] of [
    [observation, { id: 'o', property: 'density', unit: 'g/cm³', source: 'bench', reference: 'r' }, 'reference'],
    [
      grade,
      {
        id: 'g',
        name: 'G',
        maker: 'M',
        familyId: 'abs',
        reinforcementId: null,
        colours: [],
        pricePerKgUsd: null,
        process: {},
        observations: [],
        sampleData: false,
      },
      'familyId',
    ],
    [
      machine,
      {
        id: 'm',
        name: 'M',
        maximumNozzleC: 250,
        hotEndLining: 'ptfe',
        maximumBedC: 90,
        enclosure: 'open',
        maximumChamberC: null,
        nozzleMaterial: 'brass',
        nozzleDiameterMm: 0.4,
        extruder: 'direct',
        buildVolumeMm: { x: 1, y: 1, z: 1 },
        volumetricFlowMm3PerS: 8,
        hourlyRateUsd: 0,
        sampleData: false,
      },
      'buildVolumeMm',
    ],
  ] as const) {
    const validate = validator(document);
    expect(validate(smallest)).toMatchObject({ ok: true });
    const { [field as keyof typeof smallest]: _gone, ...rest } = smallest;
    expect(validate(rest)).toMatchObject({
      ok: false,
      issues: [{ pointer: `/${field}`, detail: `${field} is missing` }],
    });
    expect(validate({ ...smallest, surprise: 1 })).toMatchObject({ ok: false, issues: [{ pointer: '/surprise' }] });
    expect(validate([smallest])).toMatchObject({ ok: false });
  }
});

test('company rules are policy within reason: a knock-down never raises, scrap never reaches everything', () => {
  const properties = companyRules.properties;
  expect(properties.datasheetStrengthFactor.maximum).toBe(1);
  expect(properties.scrapShare.maximum).toBeLessThan(1);
});

/** Each part model with every dimension it has, and a word or number in it that cannot be. */
const parts: [string, Json, string, unknown][] = [
  [
    'beam',
    { spanMm: 100, section: { kind: 'round', diameterMm: 8 }, ends: 'clamped', loading: 'point', filletRadiusMm: 1 },
    'ends',
    'welded',
  ],
  [
    'tie',
    { lengthMm: 50, section: { kind: 'tube', outerDiameterMm: 10, wallMm: 2 }, filletRadiusMm: 1 },
    'lengthMm',
    0,
  ],
  [
    'strut',
    { lengthMm: 50, section: { kind: 'box', widthMm: 10, depthMm: 10, wallMm: 2 }, ends: 'pinned' },
    'ends',
    'loose',
  ],
  [
    'wall-bracket',
    { reachMm: 90, dropMm: 60, tie: { depthMm: 5, widthMm: 9 }, strut: { depthMm: 5, widthMm: 9 }, filletRadiusMm: 1 },
    'dropMm',
    -1,
  ],
  [
    'pinned-lug',
    { lengthMm: 40, widthMm: 20, thicknessMm: 6, holeDiameterMm: 6, edgeDistanceMm: 12 },
    'thicknessMm',
    'thick',
  ],
  [
    'snap-hook',
    { lengthMm: 15, thicknessMm: 2, widthMm: 6, taper: 'half', leadAngleDeg: 30, filletRadiusMm: 0.5 },
    'leadAngleDeg',
    85,
  ],
  ['ring', { outerDiameterMm: 60, wallMm: 3, lengthMm: 20, loading: 'pinched' }, 'loading', 'squashed'],
  ['plate', { shape: 'round', lengthMm: 90, widthMm: 90, thicknessMm: 3, edges: 'clamped' }, 'edges', 'glued'],
  [
    'torsion-shaft',
    { lengthMm: 50, section: { kind: 'round', diameterMm: 8 }, leverMm: 10, filletRadiusMm: 0 },
    'leverMm',
    0,
  ],
  ['gear-tooth', { moduleMm: 2, teeth: 20, mateTeeth: 40, faceWidthMm: 10, speedRpm: 0 }, 'teeth', 11],
  ['flexure', { lengthMm: 6, thicknessMm: 0.4, widthMm: 20, motion: 'turns' }, 'motion', 'wobbles'],
  ['elastomer-pad', { shape: 'disc', lengthMm: 30, widthMm: 30, heightMm: 10, faces: 'bonded' }, 'faces', 'greasy'],
  [
    'bolted-flange',
    { boltDiameterMm: 5, holeDiameterMm: 5.5, headDiameterMm: 10, thicknessMm: 8, edgeDistanceMm: 10 },
    'boltDiameterMm',
    0.5,
  ],
  [
    'hot-contact',
    {
      areaMm2: 100,
      thicknessMm: 5,
      otherBody: 'brass',
      otherTemperatureC: 90,
      ownTemperatureC: 23,
      contactS: 2,
      touches: 100,
    },
    'otherBody',
    'lava',
  ],
  [
    'section-at-plane',
    {
      section: { kind: 'angle', widthMm: 20, depthMm: 20, thicknessMm: 3 },
      leverMm: 40,
      pullShare: 0,
      volumeMm3: 9000,
      lengthMm: 80,
    },
    'pullShare',
    1.5,
  ],
];
test.each(parts)('%s is accepted whole, and a fault in it is named at its place', (model, dimensions, field, fault) => {
  const part = { model, ...dimensions };
  expect(pointersOf({ ...goodBrief(), part })).toEqual([]);
  expect(pointersOf({ ...goodBrief(), part: { ...part, [field]: fault } })).toEqual([`/part/${field}`]);
  expect(pointersOf({ ...goodBrief(), part: { ...part, flavour: 'mint' } })).toEqual(['/part/flavour']);
});
