import type { Check } from '../engine/check.ts';
import { overFeatures } from '../engine/features/overFeatures.ts';
import { available } from './available.ts';
import { chemical } from './chemical.ts';
import { biodegradable, food, outgassing, recycled, skin, smoke } from './claims.ts';
import { dissolves } from './dissolves.ts';
import { electrostatic } from './electrostatic.ts';
import { fitSize } from './fitSize.ts';
import { flame, oxygenIndex } from './fire.ts';
import { insulation } from './insulation.ts';
import { liesFlat } from './liesFlat.ts';
import { clarity, colour, layerLines } from './appearance.ts';
import { outdoors } from './outdoors.ts';
import { sterilise } from './sterilise.ts';
import { stressCracking } from './stressCracking.ts';

/** What the surroundings ask, in the order shown. The next one is one module and one line here. */
export const surroundingChecks: readonly Check[] = [
  chemical,
  overFeatures(stressCracking),
  outdoors,
  electrostatic,
  insulation,
  flame,
  oxygenIndex,
  smoke,
  food,
  skin,
  sterilise,
  outgassing,
  fitSize,
  clarity,
  colour,
  layerLines,
  liesFlat,
  dissolves,
  recycled,
  biodegradable,
  available,
];
