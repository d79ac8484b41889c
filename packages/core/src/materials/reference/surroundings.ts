import { say, bare, celsius, kelvins, newtons, grams, mm, metresPerSecond } from '@anvilstone/core/foundations';
import type { Brief, Statement } from '@anvilstone/schema';

/** Service temperatures of a usual place, with the reasoning behind each. Ours: starting points to correct, not data. */
export interface Surroundings {
  id: string;
  title: string;
  heat: NonNullable<Brief['asks']['heat']>;
  moisture: Brief['moisture'];
  reasoning: Statement;
}

export const surroundings: readonly Surroundings[] = [
  {
    id: 'heated-room',
    title: 'Heated room',
    heat: { steadyC: 28 },
    moisture: 'conditioned',
    reasoning: say`Rooms stay at ${bare(celsius(18))} to ${celsius(26)}; a little more beside a radiator or on a hot summer afternoon.`,
  },
  {
    id: 'behind-glass',
    title: 'Behind a window, in the sun',
    heat: { steadyC: 45, peak: { temperatureC: 65, durationH: 4 } },
    moisture: 'conditioned',
    reasoning: say`Glass lets the sun in and the heat stays: a dark part behind it runs ${bare(kelvins(25))} to ${kelvins(40)} above the air for some hours.`,
  },
  {
    id: 'outdoors-shade',
    title: 'Outdoors, in the shade',
    heat: { steadyC: 35, coldestC: -20 },
    moisture: 'conditioned',
    reasoning: say`Air temperature of a temperate climate: the hottest days reach ${celsius(35)}, hard winters ${celsius(-20)}.`,
  },
  {
    id: 'outdoors-sun',
    title: 'Outdoors, dark part in full sun',
    heat: { steadyC: 50, peak: { temperatureC: 65, durationH: 4 }, coldestC: -20 },
    moisture: 'conditioned',
    reasoning: say`A dark surface in still summer air runs ${bare(kelvins(25))} to ${kelvins(30)} above it; wind takes half of that away again.`,
  },
  {
    id: 'alpine-mast',
    title: 'Alpine mast in winter',
    heat: { steadyC: 40, peak: { temperatureC: 55, durationH: 3 }, coldestC: -35 },
    moisture: 'conditioned',
    reasoning: say`Clear nights cool a mast below the air of ${celsius(-30)}; by day snow and sun light it from both sides.`,
  },
  {
    id: 'sealed-cabinet',
    title: 'Sealed cabinet in full sun',
    heat: { steadyC: 60, peak: { temperatureC: 75, durationH: 6 }, coldestC: -20 },
    moisture: 'dry',
    reasoning: say`A closed sheet-metal box gathers the sun and its own losses: ${bare(kelvins(30))} to ${kelvins(40)} above the air around it, all afternoon.`,
  },
  {
    id: 'boiler-room',
    title: 'Machine room above a boiler',
    heat: { steadyC: 55, peak: { temperatureC: 70, durationH: 8 } },
    moisture: 'dry',
    reasoning:
      'Warm air gathers under the ceiling and stays there for the whole heating season; pipes beside it are hotter.',
  },
  {
    id: 'beside-motor',
    title: 'Beside a motor or drive',
    heat: { steadyC: 70, peak: { temperatureC: 85, durationH: 2 } },
    moisture: 'dry',
    reasoning: say`Housings of ordinary motors may reach ${celsius(80)} and drives’ coolers more; what is bolted to them follows.`,
  },
  {
    id: 'parked-vehicle',
    title: 'Parked cabin in summer',
    heat: { steadyC: 60, peak: { temperatureC: 85, durationH: 4 }, coldestC: -25 },
    moisture: 'conditioned',
    reasoning: say`A closed cabin in the sun reaches ${bare(celsius(60))} to ${celsius(70)} in its air, dark surfaces under glass ${celsius(85)}.`,
  },
  {
    id: 'hot-wash',
    title: 'Washed hot',
    heat: { steadyC: 30, peak: { temperatureC: 75, durationH: 1.5 } },
    moisture: 'conditioned',
    reasoning: say`Washing machines for dishes and tools run at ${bare(celsius(55))} to ${celsius(70)}, with a hotter last rinse.`,
  },
  {
    id: 'cold-store',
    title: 'Cold store',
    heat: { steadyC: 25, coldestC: -30 },
    moisture: 'conditioned',
    reasoning: say`Deep-freeze stores are kept at ${bare(celsius(-25))} to ${celsius(-28)}; the part also sees the loading dock.`,
  },
];

/** A load that is easy to underrate, with the reasoning behind its number. Ours: starting points to correct. */
export interface UsualLoad {
  id: string;
  title: string;
  forceN?: number;
  energyJ?: number;
  reasoning: Statement;
}

export const usualLoads: readonly UsualLoad[] = [
  {
    id: 'thumb',
    title: 'Push of a thumb',
    forceN: 80,
    reasoning: say`Comfortable is ${newtons(30)}; ${newtons(80)} when something sticks.`,
  },
  {
    id: 'hand',
    title: 'Pull of one hand',
    forceN: 250,
    reasoning: 'A person pulling on a handle without bracing; twice that with both hands and a foot set.',
  },
  {
    id: 'lean',
    title: 'Someone leans on it',
    forceN: 400,
    reasoning: 'Half of a person’s weight on an elbow or hip. Whatever can be leaned on will be.',
  },
  {
    id: 'step',
    title: 'Someone steps on it',
    forceN: 1200,
    reasoning:
      'A person’s weight coming down on one foot. If it could happen, someone could be hurt: say so in the brief.',
  },
  {
    id: 'bench-drop',
    title: 'Falls off a bench',
    energyJ: 3,
    reasoning: say`${grams(300)} from ${mm(1000)}, landing on one corner: m·g·h.`,
  },
  {
    id: 'tool-knock',
    title: 'Struck by a dropped tool',
    energyJ: 5,
    reasoning: say`A ${grams(500)} spanner from ${mm(1000)}.`,
  },
  {
    id: 'boot',
    title: 'Kicked in passing',
    energyJ: 10,
    reasoning: say`A boot’s toe at walking speed: about ${grams(1000)} at ${metresPerSecond(4.5)}.`,
  },
];
