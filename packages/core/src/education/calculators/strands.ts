import { infillPattern, vocabulary } from '@anvilstone/schema';
import { Type } from '@sinclair/typebox';
import { InputError } from '@anvilstone/core/foundations';
import { tows } from '@anvilstone/core/materials';
import { strandStrength, findPattern, lawAt, loopStrength } from '@anvilstone/core/shapes';
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

export const strandsInBar = calculator({
  id: 'strands-in-bar',
  title: 'Bar with strands in both faces: printed around them, or moulded over a laid preform',
  source: 'Transformed section, Gere & Timoshenko section 6.3; the body alike in all directions, typical strands',
  example: {
    towId: 'carbon-polyamide',
    widthMm: 20,
    depthMm: 10,
    bodyModulusMPa: 5000,
    momentNmm: 20000,
    strandsBeside: 20,
    strandsDeep: 4,
    insetMm: 1,
  },
  input: {
    towId: strand,
    widthMm: above0('Width, mm'),
    depthMm: above0('Depth, along the load, mm'),
    bodyModulusMPa: above0('Modulus of the body, MPa: of a moulded one its moulded value'),
    momentNmm: Type.Number({ minimum: 0, description: 'Bending moment, N·mm' }),
    strandsBeside: Type.Integer({ minimum: 1, maximum: 1000, description: 'Strands beside each other in each face' }),
    strandsDeep: Type.Integer({ minimum: 1, maximum: 400, description: 'Layers of them in each face' }),
    insetMm: Type.Number({ minimum: 0, description: 'Body over the outermost strand, mm' }),
  },
  output: {
    stiffnessShare: Type.Number({ description: 'Bending stiffness over that of the body alone' }),
    bendingStiffnessNmm2: Type.Number({ description: 'E·I, N·mm²' }),
    bodyStressMPa: Type.Number({ description: 'At the face, MPa' }),
    strandStressMPa: Type.Number({ description: 'At the outer edge of the strands, MPa' }),
    strandReserve: Type.Number({ description: 'Weaker strength of the strand over that' }),
  },
  run({ towId, widthMm, depthMm, bodyModulusMPa, momentNmm, strandsBeside, strandsDeep, insetMm }) {
    const tow = tows.find(({ id }) => id === towId)!;
    const [wide, high] = [strandsBeside * tow.beadWidthMm, strandsDeep * tow.beadHeightMm];
    if (wide > widthMm)
      throw new InputError('strandsBeside', strandsBeside, `strands of ${tow.beadWidthMm} mm within the width`);
    const edgeMm = depthMm / 2 - insetMm;
    if (edgeMm < high) throw new InputError('strandsDeep', strandsDeep, 'two packs with their cover within the depth');
    const whole = (widthMm * depthMm ** 3) / 12;
    const packs = 2 * (wide * high * (edgeMm - high / 2) ** 2 + (wide * high ** 3) / 12);
    const bendingStiffnessNmm2 = bodyModulusMPa * (whole - packs) + tow.e1Mpa * packs;
    const strandStressMPa = (momentNmm * edgeMm * tow.e1Mpa) / bendingStiffnessNmm2;
    return {
      stiffnessShare: bendingStiffnessNmm2 / (bodyModulusMPa * whole),
      bendingStiffnessNmm2,
      bodyStressMPa: (momentNmm * (depthMm / 2) * bodyModulusMPa) / bendingStiffnessNmm2,
      strandStressMPa,
      strandReserve: strandStrength(tow).strengthMPa / strandStressMPa,
    };
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
