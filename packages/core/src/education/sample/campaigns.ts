import type { Campaign, CampaignArm, Findings, Specimen, Trial } from '@anvilstone/schema';

/** The lamp arm of the demo. */
const LAMP_ARM = '0a7c1d00-0000-4000-8000-000000000003';
const DAY_MS = 24 * 3600e3;

export interface SampleCampaign {
  campaign: Campaign;
  trials: readonly Trial[];
}

/** Campaigns of the invented workshop: made-up readings, with a bad specimen left out and one that only looks odd. */
export function sampleCampaigns(now: Date): SampleCampaign[] {
  return [layersHold(now), whatFillerDoes(now), sagOfTheCheapest(now), outOnThePylon(now)];
}

function layersHold(now: Date): SampleCampaign {
  const arms: CampaignArm[] = [
    { id: 'A', gradeId: 'ne-petg', orientation: 'ZX', predicted: 26.46 },
    { id: 'B', gradeId: 'tm-asa', orientation: 'ZX', predicted: 19.98 },
    { id: 'C', gradeId: 'vp-asa', orientation: 'ZX', predicted: 17.1 },
  ];
  // N, over 4 × 3 mm.
  const forces = {
    A: [251, 262, 240, 268, 166, 257],
    B: [312, 296, 305, 288, 319],
    C: [241, 268, 255, 229, 262],
  };
  const campaign = base('K1', 'How well layers hold, for the lamp arm', 'pull-bar', arms, {
    partId: LAMP_ARM,
    checkId: 'strength-across-layers',
    setUp: { widthMm: 4, thicknessMm: 3, lengthMm: 60, gaugeCapacityN: 500, temperatureC: 23 },
    perArm: 5,
    specimens: arms.flatMap(({ id }) => specimens('K1', id, forces[id as keyof typeof forces].length)),
    note: 'A5 parted in the grip, and was tested again as A6.',
  });
  campaign.specimens.find(({ id }) => id === 'K1-A5')!.defects = ['gap'];
  const trials = arms.flatMap(({ id }) =>
    forces[id as keyof typeof forces].map((peakN, i) =>
      typed(
        campaign,
        `${id}${i + 1}`,
        daysBefore(now, 12 - i / 10),
        { peakN },
        {
          asRead: { value: Number((peakN / 9.80665).toFixed(2)), unit: 'kgf' },
          broke: peakN === 166 ? 'in the grip, at a gap between beads' : 'between two layers in the neck',
          ...(peakN === 166 ? { excluded: { why: 'parted in the grip, at a print fault' } } : {}),
        },
      ),
    ),
  );
  return { campaign, trials };
}

function whatFillerDoes(now: Date): SampleCampaign {
  // Neat and carbon of three makers: N in the middle of 64 mm, and N/mm.
  const rows: [string, string, number, number, number][] = [
    ['A', 'tm-petg', 128, 19.6, 64.44],
    ['B', 'tm-petg-cf', 131, 34.1, 62.56],
    ['C', 'ol-pa12', 104, 14.2, 54],
    ['D', 'ol-pa12-cf', 149, 30.8, 75.6],
    ['E', 'vp-asa', 122, 19.3, 52.02],
    ['F', 'vp-asa-cf', 118, 35.6, 55.2],
  ];
  const arms = rows.map(([id, gradeId, , , predicted]): CampaignArm => ({ id, gradeId, orientation: 'XY', predicted }));
  const campaign = base('K2', 'What chopped carbon does to stiffness and strength', 'bend-bar', arms, {
    setUp: { spanMm: 64, widthMm: 10, thicknessMm: 4, gaugeCapacityN: 500, temperatureC: 23 },
    perArm: 5,
    specimens: arms.flatMap(({ id }) => specimens('K2', id, 5)),
  });
  const trials = rows.flatMap(([id, , peakN, stiffness], row) =>
    Array.from({ length: 5 }, (_, i) => {
      const [a, b] = [1 + 0.05 * wave(row * 5 + i), 1 + 0.035 * wave(row * 5 + i + 31)];
      const found = {
        peakN: round(peakN * a),
        firstCrackN: round(peakN * a * 0.86),
        stiffnessNPerMm: round(stiffness * b),
      };
      return typed(campaign, `${id}${i + 1}`, daysBefore(now, 30 - row), found, {
        broke: 'under the rod, pulled side',
      });
    }),
  );
  return { campaign, trials };
}

function sagOfTheCheapest(now: Date): SampleCampaign {
  const arms: CampaignArm[] = [{ id: 'A', gradeId: 'ne-petg', orientation: 'XY', predicted: 1498 }];
  const campaign = base('K3', 'Creep of the cheapest PETG over two days', 'sag-48h', arms, {
    partId: LAMP_ARM,
    checkId: 'sag-after-duration',
    setUp: { spanMm: 100, widthMm: 10, thicknessMm: 4, loadN: 5, temperatureC: 23 },
    perArm: 5,
    specimens: specimens('K3', 'A', 5),
  });
  const loadedS = [10, 60, 600, 3600, 21_600, 86_400, 172_800];
  const trials = [1, 2, 3].map((number) => {
    const instant = 1.02 * (1 + 0.03 * wave(number * 7));
    const moved: NonNullable<Findings['moved']> = [
      ...loadedS.map((timeS, i) => ({
        timeS,
        movedMm: round(instant * (1 + 0.21 * (timeS / 3600) ** 0.19) * (1 + 0.006 * wave(number * 11 + i))),
      })),
      { timeS: 172_800 + 3600, movedMm: round(0.28 * instant), unloaded: true },
      { timeS: 172_800 + 86_400, movedMm: round(0.14 * instant), unloaded: true },
    ];
    return typed(campaign, `A${number}`, daysBefore(now, 6), { moved }, { temperatureC: 22.4 });
  });
  return { campaign, trials };
}

function outOnThePylon(now: Date): SampleCampaign {
  const grades = ['tm-asa', 'ne-petg', 'qh-pla', 'ol-pa12-gf'];
  const arms = grades.map((gradeId, i): CampaignArm => ({ id: letter(i), gradeId, orientation: 'XZ' }));
  const day = (days: number) => daysBefore(now, 75 - days);
  const look = (
    id: string,
    days: number,
    temperatureC: number,
    gone: readonly string[],
    changed: readonly string[],
  ) => ({
    id,
    at: day(days),
    temperatureC,
    findings: arms.flatMap(({ id: arm }) =>
      [1, 2, 3].map((number) => {
        const specimenId = `K4-${arm}${number}`;
        const state = gone.includes(specimenId)
          ? ('gone' as const)
          : changed.includes(specimenId)
            ? ('changed' as const)
            : ('whole' as const);
        return {
          specimenId,
          state,
          movedMm: round(MOVED[arm as keyof typeof MOVED] * Math.sqrt(days) * (1 + 0.1 * wave(number))),
        };
      }),
    ),
  });
  const campaign = base('K4', 'Which of them lasts on pylon 7', 'leave-out', arms, {
    place: 'pylon 7, south side',
    setUp: { spanMm: 80, widthMm: 10, thicknessMm: 4, loadN: 2 },
    perArm: 3,
    specimens: arms.flatMap(({ id }) => specimens('K4', id, 3)),
    begunAt: day(0),
    inspectOn: [7, 30, 60, 90, 180].map((days) => day(days).slice(0, 10)),
    inspections: [
      look('look-1', 7, 31, [], ['K4-C2']),
      look('look-2', 30, 38, ['K4-C2'], ['K4-C1', 'K4-C3']),
      look('look-3', 60, 44, ['K4-C1', 'K4-C2'], ['K4-B1', 'K4-C3']),
    ],
  });
  return { campaign, trials: [] };
}

/** mm after a day, growing with the root of time. */
const MOVED = { A: 0.12, B: 0.25, C: 0.9, D: 0.08 };

function base(
  id: string,
  title: string,
  methodId: string,
  arms: CampaignArm[],
  rest: Pick<Campaign, 'setUp' | 'perArm' | 'specimens'> & Partial<Campaign>,
): Campaign {
  return { id, title, methodId, arms, inspections: [], inspectOn: [], accepted: [], sampleData: true, ...rest };
}

const specimens = (series: string, armId: string, count: number): Specimen[] =>
  Array.from({ length: count }, (_, i) => ({
    id: `${series}-${armId}${i + 1}`,
    armId,
    machineId: 'workshop-enclosed',
    defects: [],
    conditioning: 'dry',
    loadDirection: 'as-drawn',
  }));

function typed(campaign: Campaign, mark: string, at: string, found: Findings, rest: Partial<Trial>): Trial {
  return {
    id: idOf(`${campaign.id}-${mark}`),
    campaignId: campaign.id,
    specimenId: `${campaign.id}-${mark}`,
    at,
    state: 'done',
    source: 'typed',
    advantage: 1,
    found,
    events: [],
    sampleData: true,
    ...rest,
  };
}

/** The same for the same specimen, so that loading the sample twice gives each trial once. */
function idOf(specimenId: string): string {
  const hex = [...specimenId]
    .map((one) => one.charCodeAt(0).toString(16).padStart(2, '0'))
    .join('')
    .padEnd(12, '0')
    .slice(-12);
  return `0a7c1d00-0000-4000-9000-${hex}`;
}

const daysBefore = (now: Date, days: number) => new Date(now.getTime() - days * DAY_MS).toISOString();
const letter = (i: number) => String.fromCharCode(65 + i);
const round = (value: number) => Number(value.toPrecision(4));
/** Between −1 and 1, the same for the same number. */
const wave = (number: number) => Math.sin(number * 12.9898 + 1.3);
