import { Type, type Static } from '@sinclair/typebox';
import { record, vocabulary } from './common.ts';

export const INFILL_PATTERNS = ['triangles', 'squares', 'squares-askew', 'hexagons', 'curved-walls'] as const;
export const infillPattern = vocabulary(
  INFILL_PATTERNS,
  'Infill: triangles; squares along the part, or at 45° to it; hexagons; curved walls that run alike in all directions',
);
export type InfillPattern = Static<typeof infillPattern>;

/** How a part is filled when it is not printed solid. */
export const wallsAndInfill = record(
  {
    lineWidthMm: Type.Number({ minimum: 0.1, maximum: 3, description: 'Width of a printed line, mm' }),
    layerHeightMm: Type.Number({ minimum: 0.02, maximum: 2, description: 'Height of a layer, mm' }),
    walls: Type.Integer({ minimum: 1, maximum: 60, description: 'Lines around every layer' }),
    topBottomLayers: Type.Integer({
      minimum: 0,
      maximum: 200,
      description: 'Solid layers at the top, and as many below',
    }),
    pattern: infillPattern,
    infillShare: Type.Number({ minimum: 0, maximum: 1, description: 'Share of the core that is material; 1 = solid' }),
  },
  'Walls and infill',
);
export type WallsAndInfill = Static<typeof wallsAndInfill>;
