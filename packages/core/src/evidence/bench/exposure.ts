import type { Campaign, CampaignArm, Inspection } from '@anvilstone/schema';

/** How long a specimen lasted: it went between two looks, or is still there at the last. */
export interface Lasted {
  specimenId: string;
  /** Days from the beginning to the last look at which it had not gone. */
  wholeD: number;
  /** Days to the look at which it was gone; null: it has not gone. */
  goneD: number | null;
  /** First look at which it had changed, days; null: never. */
  changedD: number | null;
  /** Out of its shape at the last look that measured it, mm. */
  movedMm: number | null;
}

export interface ArmLasting {
  arm: CampaignArm;
  lasted: readonly Lasted[];
  gone: number;
  /** Median of the days until they went, where half have: between these. Null: fewer than half have gone. */
  medianD: { from: number; to: number } | null;
}

const DAY_MS = 24 * 3600e3;

/**
 * How long the specimens of each arm lasted. A specimen that has not gone is not taken for one that never will: half have to be gone
 * before a median is told. Undefined: the day on which they were left is not known.
 */
export function lastingOf(campaign: Campaign): ArmLasting[] | undefined {
  const { begunAt, inspections, arms, specimens } = campaign;
  if (begunAt === undefined) return undefined;
  const looks = [...inspections].sort((a, b) => Date.parse(a.at) - Date.parse(b.at));
  const day = ({ at }: Inspection) => (Date.parse(at) - Date.parse(begunAt)) / DAY_MS;
  return arms
    .map((arm) => {
      const lasted = specimens
        .filter(({ armId }) => armId === arm.id)
        .map(({ id }): Lasted => {
          let [wholeD, goneD, changedD, movedMm]: [number, number | null, number | null, number | null] = [
            0,
            null,
            null,
            null,
          ];
          for (const look of looks) {
            const found = look.findings.find(({ specimenId }) => specimenId === id);
            if (!found || goneD !== null) continue;
            if (found.movedMm !== undefined) movedMm = found.movedMm;
            if (found.state === 'gone') goneD = day(look);
            else wholeD = day(look);
            if (found.state !== 'whole' && changedD === null) changedD = day(look);
          }
          return { specimenId: id, wholeD, goneD, changedD, movedMm };
        });
      const gone = lasted.filter(({ goneD }) => goneD !== null);
      return { arm, lasted, gone: gone.length, medianD: medianOf(lasted) };
    })
    .sort((a, b) => lifeOf(b) - lifeOf(a));
}

function medianOf(lasted: readonly Lasted[]): ArmLasting['medianD'] {
  const ordered = [...lasted].sort((a, b) => (a.goneD ?? Infinity) - (b.goneD ?? Infinity));
  const middle = ordered[Math.ceil(ordered.length / 2) - 1];
  return middle === undefined || middle.goneD === null ? null : { from: middle.wholeD, to: middle.goneD };
}

/** For the order: the median, else at least as long as the longest look at half of them. */
const lifeOf = ({ medianD, lasted }: ArmLasting) =>
  medianD ? (medianD.from + medianD.to) / 2 : 1e6 + Math.max(0, ...lasted.map(({ wholeD }) => wholeD));

/** The next planned look that nobody has made yet; undefined: none is left. */
export function nextLook({ inspectOn, inspections }: Pick<Campaign, 'inspectOn' | 'inspections'>): string | undefined {
  const last =
    inspections
      .map(({ at }) => at.slice(0, 10))
      .sort()
      .at(-1) ?? '';
  return [...inspectOn].sort().find((date) => date > last);
}
