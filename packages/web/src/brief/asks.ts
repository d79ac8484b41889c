import type { Brief } from '@anvilstone/schema';

type Asks = Brief['asks'];

/** An ask that can be added from the palette and taken off again. */
export interface AskKind {
  id: string;
  title: string;
  explains: string;
  isAsked(asks: Asks): boolean;
  add(asks: Asks): Asks;
  remove(asks: Asks): Asks;
}

const without = <K extends keyof Asks>(asks: Asks, key: K): Asks => {
  const { [key]: _gone, ...rest } = asks;
  return rest;
};

/** An ask for heat that asks for nothing would be an empty row in the brief. */
function withHeat(asks: Asks, heat: NonNullable<Asks['heat']>): Asks {
  return Object.keys(heat).length === 0 ? without(asks, 'heat') : { ...asks, heat };
}

function withoutHeat(asks: Asks, ...keys: (keyof NonNullable<Asks['heat']>)[]): Asks {
  const heat = { ...asks.heat };
  for (const key of keys) delete heat[key];
  return withHeat(asks, heat);
}

export const askKinds: readonly AskKind[] = [
  {
    id: 'steady',
    title: 'Steady heat',
    explains: 'The highest temperature it sits in for long, loaded. Air that touches nothing hot counts.',
    isAsked: (asks) => asks.heat?.steadyC !== undefined,
    add: (asks) => withHeat(asks, { ...asks.heat, steadyC: 50 }),
    remove: (asks) => withoutHeat(asks, 'steadyC', 'steadyH'),
  },
  {
    id: 'peak',
    title: 'Peak heat',
    explains: 'The hottest short excursion, and how long one lasts: full sun on a dark part, a door left open, a wash.',
    isAsked: (asks) => asks.heat?.peak !== undefined,
    add: (asks) =>
      withHeat(asks, {
        ...asks.heat,
        peak: { temperatureC: Math.max(65, (asks.heat?.steadyC ?? 0) + 10), durationH: 2 },
      }),
    remove: (asks) => withoutHeat(asks, 'peak'),
  },
  {
    id: 'coldest',
    title: 'Tough in the cold',
    explains: 'The coldest it gets. A grade that has turned brittle there is refused, whatever its strength.',
    isAsked: (asks) => asks.heat?.coldestC !== undefined,
    add: (asks) => withHeat(asks, { ...asks.heat, coldestC: -20 }),
    remove: (asks) => withoutHeat(asks, 'coldestC'),
  },
  {
    id: 'thermal-fit',
    title: 'Grows with its seat',
    explains: 'It is fixed to another material: plastics grow four to ten times as much as steel.',
    isAsked: (asks) => asks.thermalFit !== undefined,
    add: (asks) => ({
      ...asks,
      thermalFit: { fixedTo: 'steel', lengthMm: 100, coldestC: -10, hottestC: 50, allowedMm: 0.3 },
    }),
    remove: (asks) => without(asks, 'thermalFit'),
  },
  {
    id: 'sliding',
    title: 'Rubs',
    explains: 'It slides on something: pressure × speed decides whether it wears or melts, friction how hard it drags.',
    isAsked: (asks) => asks.sliding !== undefined,
    add: (asks) => ({ ...asks, sliding: { pressureMPa: 1, speedMPerS: 0.02 } }),
    remove: (asks) => without(asks, 'sliding'),
  },
  {
    id: 'warns',
    title: 'Warns before it breaks',
    explains:
      'It must bow, whiten or creak before it breaks. What snaps, and what parts between its layers, is refused.',
    isAsked: (asks) => asks.mustWarn === true,
    add: (asks) => ({ ...asks, mustWarn: true as const }),
    remove: (asks) => without(asks, 'mustWarn'),
  },
  {
    id: 'mass',
    title: 'Mass limit',
    explains: 'The most one part may weigh, printed solid.',
    isAsked: (asks) => asks.maxMassG !== undefined,
    add: (asks) => ({ ...asks, maxMassG: 150 }),
    remove: (asks) => without(asks, 'maxMassG'),
  },
  {
    id: 'cost',
    title: 'Cost limit',
    explains: 'The most one good part may cost: filament, machine hours, handling and failed prints.',
    isAsked: (asks) => asks.maxCostUsd !== undefined,
    add: (asks) => ({ ...asks, maxCostUsd: 25 }),
    remove: (asks) => without(asks, 'maxCostUsd'),
  },
  {
    id: 'machines',
    title: 'Only these machines',
    explains: 'Leave it off and any machine of the workshop may print the part.',
    isAsked: (asks) => asks.machineIds !== undefined,
    add: (asks) => ({ ...asks, machineIds: [] }),
    remove: (asks) => without(asks, 'machineIds'),
  },
  {
    id: 'orientations',
    title: 'Only this way up',
    explains: 'Leave it off and all three build orientations are tried.',
    isAsked: (asks) => asks.orientations !== undefined,
    add: (asks) => ({ ...asks, orientations: ['XY'] }),
    remove: (asks) => without(asks, 'orientations'),
  },
];
