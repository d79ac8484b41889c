import type { Brief } from '@anvilstone/schema';

/** Service temperatures of a usual place, with the reasoning behind each. Ours: starting points to correct, not data. */
export interface Surroundings {
  id: string;
  title: string;
  heat: NonNullable<Brief['asks']['heat']>;
  moisture: Brief['moisture'];
  reasoning: string;
}

export const surroundings: readonly Surroundings[] = [
  {
    id: 'heated-room',
    title: 'Heated room',
    heat: { steadyC: 28 },
    moisture: 'conditioned',
    reasoning: 'Rooms stay at 18 to 26 °C; a little more beside a radiator or on a hot summer afternoon.',
  },
  {
    id: 'behind-glass',
    title: 'Behind a window, in the sun',
    heat: { steadyC: 45, peak: { temperatureC: 65, durationH: 4 } },
    moisture: 'conditioned',
    reasoning:
      'Glass lets the sun in and the heat stays: a dark part behind it runs 25 to 40 K above the air for some hours.',
  },
  {
    id: 'outdoors-shade',
    title: 'Outdoors, in the shade',
    heat: { steadyC: 35, coldestC: -20 },
    moisture: 'conditioned',
    reasoning: 'Air temperature of a temperate climate: the hottest days reach 35 °C, hard winters −20 °C.',
  },
  {
    id: 'outdoors-sun',
    title: 'Outdoors, dark part in full sun',
    heat: { steadyC: 50, peak: { temperatureC: 65, durationH: 4 }, coldestC: -20 },
    moisture: 'conditioned',
    reasoning: 'A dark surface in still summer air runs 25 to 30 K above it; wind takes half of that away again.',
  },
  {
    id: 'alpine-mast',
    title: 'Alpine mast in winter',
    heat: { steadyC: 40, peak: { temperatureC: 55, durationH: 3 }, coldestC: -35 },
    moisture: 'conditioned',
    reasoning: 'Clear nights cool a mast below the air of −30 °C; by day snow and sun light it from both sides.',
  },
  {
    id: 'sealed-cabinet',
    title: 'Sealed cabinet in full sun',
    heat: { steadyC: 60, peak: { temperatureC: 75, durationH: 6 }, coldestC: -20 },
    moisture: 'dry',
    reasoning:
      'A closed sheet-metal box gathers the sun and its own losses: 30 to 40 K above the air around it, all afternoon.',
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
    reasoning: 'Housings of ordinary motors may reach 80 °C and drives’ coolers more; what is bolted to them follows.',
  },
  {
    id: 'parked-vehicle',
    title: 'Parked cabin in summer',
    heat: { steadyC: 60, peak: { temperatureC: 85, durationH: 4 }, coldestC: -25 },
    moisture: 'conditioned',
    reasoning: 'A closed cabin in the sun reaches 60 to 70 °C in its air, dark surfaces under glass 85 °C.',
  },
  {
    id: 'hot-wash',
    title: 'Washed hot',
    heat: { steadyC: 30, peak: { temperatureC: 75, durationH: 1.5 } },
    moisture: 'conditioned',
    reasoning: 'Washing machines for dishes and tools run at 55 to 70 °C, with a hotter last rinse.',
  },
  {
    id: 'cold-store',
    title: 'Cold store',
    heat: { steadyC: 25, coldestC: -30 },
    moisture: 'conditioned',
    reasoning: 'Deep-freeze stores are kept at −25 to −28 °C; the part also sees the loading dock.',
  },
];

/** A load that is easy to underrate, with the reasoning behind its number. Ours: starting points to correct. */
export interface UsualLoad {
  id: string;
  title: string;
  forceN?: number;
  energyJ?: number;
  reasoning: string;
}

export const usualLoads: readonly UsualLoad[] = [
  { id: 'thumb', title: 'Push of a thumb', forceN: 80, reasoning: 'Comfortable is 30 N; 80 N when something sticks.' },
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
    reasoning: '300 g from 1 m, landing on one corner: m·g·h.',
  },
  { id: 'tool-knock', title: 'Struck by a dropped tool', energyJ: 5, reasoning: 'A 0.5 kg spanner from 1 m.' },
  {
    id: 'boot',
    title: 'Kicked in passing',
    energyJ: 10,
    reasoning: 'A boot’s toe at walking speed: about 1 kg at 4.5 m/s.',
  },
];
