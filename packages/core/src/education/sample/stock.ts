import type { DryerAtHand, DryerSchedule, Place, Spool, SpoolEvent } from '@anvilstone/schema';

export const samplePlaces: readonly Place[] = [
  { id: 'rack', name: 'Spool rack', temperatureC: 22, humidityPct: 58, loggerId: 'rack-logger', sampleData: true },
  { id: 'dry-box', name: 'Dry box with desiccant', temperatureC: 21, humidityPct: 9, sampleData: true },
  { id: 'by-printers', name: 'Beside the printers', temperatureC: 26, humidityPct: 48, sampleData: true },
  { id: 'valley-store', name: 'Store at the valley station', temperatureC: 12, humidityPct: 75, sampleData: true },
];

export const sampleDryers: readonly DryerAtHand[] = [
  { id: 'box-dryer', name: 'Box dryer', purpose: 'drying', slots: 2, maximumC: 75, sampleData: true },
  {
    id: 'oven',
    name: 'Drying oven',
    purpose: 'drying',
    slots: 4,
    maximumC: 140,
    sampleData: true,
    note: 'Not for food, ever. Its air is led outside.',
  },
  {
    id: 'damp-box',
    name: 'Damp box',
    purpose: 'conditioning',
    slots: 6,
    maximumC: 70,
    sampleData: true,
    note: 'Parts stand over warm water, not in it.',
  },
];

const HOUR_MS = 3600e3;

interface Rough extends Omit<Spool, 'events' | 'openedAt' | 'filamentDiameterMm' | 'sampleData' | 'need'> {
  filamentDiameterMm?: number;
  openedHoursAgo?: number;
  /** How long ago, and what: [hours, event]. */
  past?: readonly (readonly [hoursAgo: number, event: DistributiveOmit<SpoolEvent, 'at'>])[];
  needIn?: readonly [hours: number, what: string];
}
type DistributiveOmit<T, K extends PropertyKey> = T extends unknown ? Omit<T, K> : never;

const used = (massG: number, what: string) => ({ kind: 'used', massG, what }) as const;
const dried = (temperatureC: number, hours: number) => ({ kind: 'dried', temperatureC, hours }) as const;
const moved = (placeId: string) => ({ kind: 'moved', placeId }) as const;
const weighed = (grossG: number) => ({ kind: 'weighed', grossG, from: 'scale' }) as const;

const rough: readonly Rough[] = [
  {
    id: 'S-01',
    gradeId: 'tm-asa',
    lot: 'A-2231',
    colour: 'black',
    netMassG: 1000,
    emptyReelG: 235,
    pricePaidUsd: 31,
    placeId: 'rack',
    openedHoursAgo: 620,
    past: [
      [60, dried(80, 6)],
      [58, used(182, 'Lamp arm, first article')],
      [57, weighed(771)],
    ],
  },
  {
    id: 'S-02',
    gradeId: 'tm-petg',
    lot: 'P-0907',
    colour: 'black',
    netMassG: 1000,
    emptyReelG: 235,
    pricePaidUsd: 24,
    placeId: 'rack',
    openedHoursAgo: 900,
    past: [[6, dried(65, 7)]],
    needIn: [30, 'Guard bumper jig'],
  },
  {
    id: 'S-03',
    gradeId: 'ol-pa6-gf',
    lot: '77-14',
    colour: 'black',
    netMassG: 750,
    emptyReelG: 210,
    pricePaidUsd: 58,
    placeId: 'rack',
    openedHoursAgo: 380,
    past: [
      [90, dried(80, 12)],
      [84, used(240, 'Ratchet pawls')],
    ],
    needIn: [26, 'Ratchet pawls, second batch'],
    note: 'Left out over the weekend.',
  },
  {
    id: 'S-04',
    gradeId: 'ne-petg',
    colour: 'clear',
    netMassG: 1000,
    emptyReelG: 190,
    pricePaidUsd: 19,
    placeId: 'by-printers',
    openedHoursAgo: 40,
    past: [[12, dried(65, 8)]],
  },
  {
    id: 'S-05',
    gradeId: 'vp-asa',
    colour: 'white',
    netMassG: 1000,
    emptyReelG: 240,
    pricePaidUsd: 35,
    placeId: 'dry-box',
    openedHoursAgo: 1500,
    past: [
      [1100, dried(80, 6)],
      [1100, moved('dry-box')],
    ],
  },
  {
    id: 'S-06',
    gradeId: 'vp-asa-gf',
    colour: 'grey',
    netMassG: 750,
    emptyReelG: 225,
    pricePaidUsd: 44,
    placeId: 'rack',
  },
  {
    id: 'S-07',
    gradeId: 'tm-tpu95',
    colour: 'black',
    netMassG: 500,
    emptyReelG: 180,
    pricePaidUsd: 27,
    placeId: 'rack',
    openedHoursAgo: 300,
    needIn: [60, 'Roller guard bumper'],
  },
  {
    id: 'S-08',
    gradeId: 'tm-petg-cf',
    lot: 'PC-118',
    colour: 'black',
    netMassG: 750,
    emptyReelG: 225,
    pricePaidUsd: 52,
    placeId: 'by-printers',
    openedHoursAgo: 72,
    past: [
      [30, dried(65, 8)],
      [26, used(95, 'Gauge beam trial')],
    ],
  },
  {
    id: 'S-09',
    gradeId: 'tm-pla',
    colour: 'black',
    netMassG: 1000,
    emptyReelG: 235,
    pricePaidUsd: 18,
    placeId: 'rack',
    openedHoursAgo: 2200,
    past: [[2000, used(640, 'Fixtures')]],
  },
  {
    id: 'S-10',
    gradeId: 'tm-abs',
    colour: 'natural',
    netMassG: 1000,
    emptyReelG: 235,
    placeId: 'valley-store',
    openedHoursAgo: 4100,
    note: 'Found again; price paid unknown.',
  },
  {
    id: 'S-11',
    gradeId: 'vp-abs',
    colour: 'natural',
    netMassG: 1000,
    emptyReelG: 240,
    pricePaidUsd: 22,
    placeId: 'dry-box',
    openedHoursAgo: 700,
    past: [
      [1, dried(80, 6)],
      [1, moved('dry-box')],
    ],
  },
  {
    id: 'S-12',
    gradeId: 'ol-pa6-gf',
    lot: '77-15',
    colour: 'black',
    netMassG: 750,
    emptyReelG: 210,
    pricePaidUsd: 61,
    supply: 'closed',
    placeId: 'dry-box',
  },
  {
    id: 'S-13',
    gradeId: 'tm-petg',
    lot: 'P-0911',
    colour: 'clear',
    netMassG: 1000,
    emptyReelG: 235,
    pricePaidUsd: 24,
    placeId: null,
    openedHoursAgo: 150,
    past: [[100, dried(65, 6)]],
  },
  {
    id: 'S-14',
    gradeId: 'tm-asa',
    colour: 'white',
    netMassG: 1000,
    emptyReelG: 235,
    pricePaidUsd: 29,
    placeId: 'rack',
    openedHoursAgo: 3000,
    past: [[20, used(1000, 'Used up')]],
    empty: true,
  },
];

/** The cableway workshop’s spools as they are at a moment: two that look alike, a wet polyamide, sealed ones, one nobody can find. */
export function sampleSpools(now: Date): Spool[] {
  const ago = (hours: number) => new Date(now.getTime() - hours * HOUR_MS).toISOString();
  return rough.map(({ openedHoursAgo, past = [], needIn, ...rest }) => ({
    filamentDiameterMm: 1.75,
    ...rest,
    ...(openedHoursAgo === undefined ? {} : { openedAt: ago(openedHoursAgo) }),
    ...(needIn === undefined ? {} : { need: { at: ago(-needIn[0]), what: needIn[1] } }),
    events: past.map(([hours, event]) => ({ ...event, at: ago(hours) }) as SpoolEvent),
    sampleData: true,
  }));
}

/** Four pawls of polyamide wait for water. */
export function sampleSchedule(now: Date): DryerSchedule {
  return {
    runs: [],
    conditioning: [
      {
        id: 'pawls-first-batch',
        title: 'Four ratchet pawls, first batch',
        gradeId: 'ol-pa6-gf',
        wallMm: 2,
        temperatureC: 60,
        needAt: new Date(now.getTime() + 96 * HOUR_MS).toISOString(),
      },
    ],
  };
}
