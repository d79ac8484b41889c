import { infillPattern, vocabulary } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import { findPattern, lawAt } from '../infill/patterns.ts';
import { loopStrength } from '../laminate/loop.ts';
import { tows } from '../reference/tow.ts';
import { calculator } from './calculator.ts';
import { above0 } from './fields.ts';

const strand = vocabulary(
  tows.map(({ id }) => id),
  'Strand',
);

export const strandLoop = calculator({
  id: 'strand-loop',
  title: 'Pull that loops of a strand around a hole bear',
  source: 'Two legs a turn, strength along the fibre × what the bend leaves of it; typical strands, tension only',
  example: { towId: 'carbon-polyamide', radiusMm: 12, turns: 4 },
  input: {
    towId: strand,
    radiusMm: above0('Radius of the path, mm'),
    turns: Type.Integer({ minimum: 1, maximum: 1000, description: 'Turns' }),
  },
  output: {
    strandN: Type.Number({ description: 'One pass of one strand, straight, N' }),
    bendFactor: Type.Number({ description: 'Share of it that is left in the bend' }),
    loopN: Type.Number({ description: 'All turns together, N' }),
  },
  run({ towId, radiusMm, turns }) {
    const { strandN, bendFactor, loopN } = loopStrength(
      tows.find(({ id }) => id === towId)!,
      radiusMm,
      turns,
    );
    return { strandN, bendFactor, loopN };
  },
});

export const infillCore = calculator({
  id: 'infill-core',
  title: 'Modulus and strength of an infill, over those of its material',
  source: 'Lattices by Gibson & Ashby, Cellular Solids, 2nd ed., and Wang & McDowell 2004; typical, evidence D',
  example: { pattern: 'triangles', infillShare: 0.25 },
  input: {
    pattern: infillPattern,
    infillShare: Type.Number({ minimum: 0, maximum: 1, description: 'Share of the core that is material' }),
  },
  output: {
    stiffnessWithinLayers: Type.Number(),
    strengthWithinLayers: Type.Number(),
    stiffnessUpwards: Type.Number(),
    strengthUpwards: Type.Number(),
  },
  run({ pattern, infillShare }) {
    const { within, upward } = findPattern(pattern);
    return {
      stiffnessWithinLayers: lawAt(within.stiffness, infillShare),
      strengthWithinLayers: lawAt(within.strength, infillShare),
      stiffnessUpwards: lawAt(upward.stiffness, infillShare),
      strengthUpwards: lawAt(upward.strength, infillShare),
    };
  },
});
