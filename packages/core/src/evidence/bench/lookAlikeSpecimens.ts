import type { Campaign, Grade, Specimen, Statement } from '@anvilstone/schema';
import { say, grams, joined } from '@anvilstone/core/foundations';

/** Specimens that nobody can tell apart by eye, and what tells them apart. */
export interface LookAlikeArms {
  armIds: readonly string[];
  text: Statement;
}

export interface ArmAppearance {
  armId: string;
  grade: Grade;
  colour: string;
  /** Expected mass of one specimen, g; undefined: not known. */
  massG: number | undefined;
}

/** Masses of one print differ by so much. */
const MASS_SCATTER = 0.02;

/** Arms of one colour: their marks have to be cut in, and a scale helps only where densities differ by more than prints do. */
export function lookAlikeArms(arms: readonly ArmAppearance[]): LookAlikeArms[] {
  const byColour = new Map<string, ArmAppearance[]>();
  for (const arm of arms) {
    const colour = arm.colour.trim().toLowerCase();
    byColour.set(colour, [...(byColour.get(colour) ?? []), arm]);
  }
  return [...byColour]
    .filter(([, alike]) => alike.length > 1)
    .map(([colour, alike]) => ({
      armIds: alike.map(({ armId }) => armId),
      text: say`${alike.map(({ armId, grade }) => `${armId} (${grade.name})`).join(' and ')} are all ${colour}. Cut their marks in as they come off the bed: ${alike.map(({ armId }) => `${armId} ${notches(armId)}`).join(', ')}. ${scaleWords(alike)}`,
    }));
}

function scaleWords(alike: readonly ArmAppearance[]): Statement {
  const masses = alike.map(({ massG }) => massG);
  if (masses.some((mass) => mass === undefined)) return 'A scale does not help: a density is not known.';
  const sorted = [...(masses as number[])].sort((a, b) => a - b);
  const apart = sorted.slice(1).every((mass, i) => mass / sorted[i]! - 1 > 2 * MASS_SCATTER);
  const list = joined(
    alike.map(({ armId, massG }) => say`${armId} ${grams(massG!)}`),
    ', ',
  );
  return apart ? say`A scale tells them apart: ${list}.` : say`A scale does not tell them apart: ${list}.`;
}

/** As many notches as the letter’s place in the alphabet, in a way that can be felt. */
export function notches(armId: string): string {
  const count = armId.charCodeAt(armId.length - 1) - 64;
  return `${count} notch${count === 1 ? '' : 'es'}`;
}

/** Mass that fits another arm better than its own: two were probably swapped. Undefined: it fits, or nothing can be said. */
export function swappedWith(
  specimen: Pick<Specimen, 'armId' | 'massG'>,
  arms: readonly ArmAppearance[],
): { armId: string; text: Statement } | undefined {
  const { massG } = specimen;
  const own = arms.find(({ armId }) => armId === specimen.armId)?.massG;
  if (massG === undefined || own === undefined || Math.abs(massG / own - 1) <= 2.5 * MASS_SCATTER) return undefined;
  const other = arms.find(
    (arm) => arm.armId !== specimen.armId && arm.massG !== undefined && Math.abs(massG / arm.massG - 1) <= MASS_SCATTER,
  );
  return other
    ? {
        armId: other.armId,
        text: say`${grams(massG)} is what ${other.armId} (${other.grade.name}) should weigh, not ${grams(own)}: was it swapped?`,
      }
    : {
        armId: specimen.armId,
        text: say`${grams(massG)} where ${grams(own)} is expected: gaps inside, another grade, or another infill?`,
      };
}

/** The next free marks of an arm: series, arm, number. */
export function nextSpecimenIds(campaign: Pick<Campaign, 'id' | 'specimens'>, armId: string, count: number): string[] {
  const taken = campaign.specimens
    .filter((one) => one.armId === armId)
    .map(({ id }) => Number(/\d+$/.exec(id)?.[0] ?? 0));
  const first = Math.max(0, ...taken) + 1;
  return Array.from({ length: count }, (_, i) => `${campaign.id}-${armId}${first + i}`);
}

/** The first letter, then pair of letters, that no arm has. */
export function nextArmId({ arms }: Pick<Campaign, 'arms'>): string {
  const taken = new Set(arms.map(({ id }) => id));
  for (let i = 0; ; i++) {
    const id = i < 26 ? letter(i) : letter(Math.floor(i / 26) - 1) + letter(i % 26);
    if (!taken.has(id)) return id;
  }
}
const letter = (i: number) => String.fromCharCode(65 + i);
