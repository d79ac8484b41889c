import type { AskKind } from './askKind.ts';
import { electricFireAsks } from './electricFireAsks.tsx';
import { checksUnderLoad } from './heatAsks.tsx';
import { limitAsks } from './limitAsks.tsx';
import { lotAsks } from './lotAsks.tsx';
import { looksAsks, supplyAsks } from './looksAsks.tsx';
import { neighbourAsks } from './neighbourAsks.tsx';
import { peopleAsks } from './peopleAsks.tsx';
import { sizeAsks } from './sizeAsks.tsx';
import { weatherAsks } from './weatherAsks.tsx';

export type { AskKind } from './askKind.ts';

/** The palette, in groups by what the part meets. */
export const askGroups: readonly { title: string; kinds: readonly AskKind[] }[] = [
  { title: 'Temperature', kinds: checksUnderLoad },
  { title: 'Fluids and weather', kinds: weatherAsks },
  { title: 'Electrostatic and fire', kinds: electricFireAsks },
  { title: 'Food, skin, hygiene', kinds: peopleAsks },
  { title: 'Fit and mating parts', kinds: [...sizeAsks, ...neighbourAsks] },
  { title: 'Appearance', kinds: looksAsks },
  { title: 'Quantity and life', kinds: lotAsks },
  { title: 'Limits', kinds: [...limitAsks, ...supplyAsks] },
];

export const askKinds: readonly AskKind[] = askGroups.flatMap(({ kinds }) => kinds);
