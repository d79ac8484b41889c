import type { DecisionRequest, Installation, ServiceFinding, SignOffRequest } from '@anvilstone/schema';

const DUCT = '0a7c1d00-0000-4000-8000-000000000002';
const LAMP_ARM = '0a7c1d00-0000-4000-8000-000000000003';
const PAWL = '0a7c1d00-0000-4000-8000-000000000007';

export interface SampleDecision {
  /** Within the story. */
  id: string;
  partId: string;
  at: string;
  request: Omit<DecisionRequest, 'partRevision'>;
  signed?: { at: string; request: Omit<SignOffRequest, 'decisionDigest'> };
}

/** The cableway’s records in the order in which they came about. */
export interface SampleService {
  before: readonly SampleDecision[];
  /** `decision`: the story’s own name of it. */
  installations: readonly { installation: Installation; decision: string }[];
  findings: readonly ServiceFinding[];
  taken: readonly { findingId: string; by: string; at: string }[];
  after: readonly SampleDecision[];
}

const DAY_MS = 86_400_000;
const ALDOUS = 'M. Aldous, ropeway maintenance';
const ORRIN = 'H. Orrin';

/** Made up, like everyone and everything in it: days are counted back from `now`, so that looks are due and overdue whenever it is loaded. */
export function sampleService(now: Date): SampleService {
  const daysAgo = (days: number) =>
    new Date(Math.floor(now.getTime() / DAY_MS - days) * DAY_MS + DAY_MS / 2).toISOString();
  const dateIn = (days: number) => daysAgo(-days).slice(0, 10);
  return {
    before: [lampDecision(daysAgo), ductDecision(daysAgo), pawlDecision(daysAgo)],
    installations: [...ducts(daysAgo, dateIn), ...pawls(daysAgo, dateIn), ...lamps(daysAgo, dateIn)],
    findings: findingsOf(daysAgo, dateIn),
    taken: [
      { findingId: finding(3), by: ORRIN, at: daysAgo(64) },
      { findingId: finding(6), by: ORRIN, at: daysAgo(38) },
    ],
    after: [ductAgain(daysAgo)],
  };
}

type DaysAgo = (days: number) => string;
const installation = (n: number) => `5e000000-0000-4000-8000-${String(n).padStart(12, '0')}`;
const finding = (n: number) => `5f000000-0000-4000-8000-${String(n).padStart(12, '0')}`;

const lampDecision = (daysAgo: DaysAgo): SampleDecision => ({
  id: 'lamp',
  partId: LAMP_ARM,
  at: daysAgo(200),
  request: {
    gradeId: 'tm-asa',
    orientation: 'XZ',
    decidedBy: ALDOUS,
    reasons:
      'Stands in full sun for years, so weathering decides between otherwise equal grades: the ASA keeps twice the heat margin of the cheaper PETG and does not yellow. Printed on its side so that the gust bends within the layers.',
    openRisks:
      'Creep is a family estimate: measure the droop after the first summer. Gust load from one winter’s log only.',
    limits: 'Lamps up to 900 g, gusts up to 55 N, pylons below the tree line. Not a handhold.',
    notes: [{ gradeId: 'ne-petg', text: 'Cheaper and enough in numbers, but chalks in the sun.' }],
  },
  signed: {
    at: daysAgo(198),
    request: {
      kind: 'signed',
      by: ORRIN,
      role: 'responsible engineer',
      statement:
        'Calculation, build orientation and print plan looked through; the first two arms were hung with 12 kg for an hour.',
      limits: 'Six arms on pylons 5 to 10 until the inspection after the second winter.',
    },
  },
});

const ductDecision = (daysAgo: DaysAgo): SampleDecision => ({
  id: 'duct',
  partId: DUCT,
  at: daysAgo(150),
  request: {
    gradeId: 'ol-pc',
    orientation: 'ZX',
    decidedBy: ALDOUS,
    reasons:
      'Passes without fibre: nobody wanted glass dust when elbows are cut to length in the machine room. The grade is on the shelf.',
    openRisks: 'The reserve in creep deflection is next to nothing and rests on creep typical of the family.',
    limits: 'Air up to 85 °C; looked at before each cold spell.',
  },
});

const pawlDecision = (daysAgo: DaysAgo): SampleDecision => ({
  id: 'pawl',
  partId: PAWL,
  at: daysAgo(140),
  request: {
    gradeId: 'ht-pa11',
    orientation: 'XY',
    decidedBy: ALDOUS,
    reasons:
      'For thirty cents more than the lowest cost it has twice its margin in fatigue, is tough enough to warn, and wears little against the steel wheel.',
    openRisks: 'Fatigue is typical of the family: nobody has cycled this grade.',
    limits: 'Jig loads up to 320 N, never overhead, never holding a person.',
  },
  signed: {
    at: daysAgo(139),
    request: {
      kind: 'signed',
      by: ORRIN,
      role: 'responsible engineer',
      statement: 'For the tensioning jig only, with everybody clear of the line of the wire.',
      limits: '20,000 clicks or half a year, whichever comes first.',
      proofTest: 'Each pawl is pulled to 960 N for a minute in the closed test rig before it goes into the jig.',
    },
  },
});

const ductAgain = (daysAgo: DaysAgo): SampleDecision => ({
  id: 'duct-again',
  partId: DUCT,
  at: daysAgo(60),
  request: {
    gradeId: 'ol-pa6-gf',
    orientation: 'ZX',
    decidedBy: ALDOUS,
    reasons:
      'After two months the polycarbonate elbow was oval by more than the limit. Glass-filled polyamide passes with reserve and is cheaper; elbows are now cut outside, with a mask.',
    openRisks: 'Kept dry by the warm air: what if the heating stands still in a wet spring?',
    limits: 'Air up to 85 °C.',
    notes: [{ gradeId: 'ol-pc', text: 'Failed in service: see D-1.' }],
  },
});

type Made = (days: number) => string;
const looks = (dateIn: Made, days: readonly number[], modeIds: string[]) =>
  days.map((one) => ({ on: dateIn(one), modeIds }));

function ducts(daysAgo: DaysAgo, dateIn: Made): SampleService['installations'] {
  const common = {
    partId: DUCT,
    gradeId: 'ol-pc',
    orientation: 'ZX' as const,
    installedBy: 'T. Brandt',
    sampleData: true,
  };
  return [
    {
      decision: 'duct',
      installation: {
        ...common,
        id: installation(1),
        mark: 'D-1',
        place: 'Machine room, west cabinet',
        installedAt: daysAgo(130),
        inspections: looks(dateIn, [-120, -98, -67, 60], ['sagged', 'softened']),
        removed: { at: daysAgo(66), why: 'Oval, replaced' },
      },
    },
    {
      decision: 'duct',
      installation: {
        ...common,
        id: installation(2),
        mark: 'D-2',
        place: 'Machine room, east cabinet (cooler)',
        installedAt: daysAgo(90),
        inspections: looks(dateIn, [-60, -4, 45], ['sagged', 'softened']),
      },
    },
  ];
}

function pawls(daysAgo: DaysAgo, dateIn: Made): SampleService['installations'] {
  const common = {
    partId: PAWL,
    gradeId: 'ht-pa11',
    orientation: 'XY' as const,
    installedBy: 'T. Brandt',
    sampleData: true,
  };
  return [
    {
      decision: 'pawl',
      installation: {
        ...common,
        id: installation(3),
        mark: 'P-1',
        place: 'Tensioning jig, valley station',
        installedAt: daysAgo(120),
        inspections: looks(dateIn, [-90, -41, 30], ['fatigue-crack', 'worn']),
        removed: { at: daysAgo(41), why: 'Cracked' },
      },
    },
    {
      decision: 'pawl',
      installation: {
        ...common,
        id: installation(4),
        mark: 'P-2',
        place: 'Tensioning jig, top station',
        installedAt: daysAgo(75),
        inspections: looks(dateIn, [-30, 6, 60], ['fatigue-crack', 'worn']),
      },
    },
  ];
}

function lamps(daysAgo: DaysAgo, dateIn: Made): SampleService['installations'] {
  return ['5', '6', '7'].map((pylon, i) => ({
    decision: 'lamp',
    installation: {
      id: installation(10 + i),
      partId: LAMP_ARM,
      mark: `L-${pylon}`,
      gradeId: 'tm-asa',
      orientation: 'XZ' as const,
      place: `Pylon ${pylon}, inspection walkway`,
      installedAt: daysAgo(190 - 7 * i),
      installedBy: 'T. Brandt',
      inspections: looks(dateIn, [-150, 20 + 3 * i, 200], ['sagged', 'weathered']),
      sampleData: true,
    },
  }));
}

function findingsOf(daysAgo: DaysAgo, dateIn: Made): ServiceFinding[] {
  const made = (n: number, at: number, installationId: number, rest: Partial<ServiceFinding>): ServiceFinding => ({
    id: finding(n),
    installationId: installation(installationId),
    at: daysAgo(at),
    by: 'T. Brandt',
    state: 'sound',
    measured: {},
    text: 'Nothing to be seen.',
    taken: [],
    sampleData: true,
    ...rest,
  });
  return [
    made(1, 120, 1, { forDate: dateIn(-120), measured: { hottestC: 81 } }),
    made(2, 98, 1, {
      forDate: dateIn(-98),
      state: 'changed',
      modeId: 'sagged',
      measured: { movedMm: 2, hottestC: 84 },
      text: 'Oval by 2.0 mm under the saddle, the hose still sits.',
    }),
    made(3, 66, 1, {
      forDate: dateIn(-67),
      state: 'failed',
      modeId: 'sagged',
      measured: { movedMm: 3, hottestC: 84 },
      text: 'Oval by 3.0 mm; the hose had slipped off and the cabinet was at 4 °C. No crack, no gloss.',
      lesson:
        'A reserve of 1.0 on creep that is typical of the family is no reserve: fill it with glass, or measure its creep in the heat first.',
    }),
    made(4, 60, 2, {
      forDate: dateIn(-60),
      state: 'changed',
      modeId: 'sagged',
      measured: { movedMm: 1.2, hottestC: 71 },
      text: 'Oval by 1.2 mm. Stays in, since this side is cooler; look again.',
    }),
    made(5, 90, 3, {
      forDate: dateIn(-90),
      measured: { cycles: 7000 },
      text: 'Teeth polished, no crack under the lens.',
    }),
    made(6, 41, 3, {
      forDate: dateIn(-41),
      state: 'failed',
      modeId: 'fatigue-crack',
      measured: { cycles: 19_000, crackMm: 6 },
      text: 'A crack of 6 mm from the hole, with rings. Seen at the look, before it let go.',
      lesson:
        'Clicks count: fatigue of plain PA11 prints is below what is typical. Glass-filled, and count the clicks.',
    }),
    made(7, 30, 4, {
      forDate: dateIn(-30),
      measured: { cycles: 6000 },
      text: 'No crack under the lens; clicks counted.',
    }),
    ...[10, 11, 12].map((lamp, i) =>
      made(8 + i, 149 - i, lamp, { forDate: dateIn(-150), measured: { movedMm: 0.3 + 0.1 * i, hottestC: 47 + i } }),
    ),
  ];
}
