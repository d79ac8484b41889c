import { Type, type Static } from '@sinclair/typebox';
import { lengthMm, record, taggedUnion } from './common.ts';

const flanged = {
  depthMm: lengthMm('Along the load, over all, mm'),
  widthMm: lengthMm('Flange width, across the load, mm'),
  webMm: lengthMm('Thickness of the web, mm'),
  flangeMm: lengthMm('Thickness of a flange, mm'),
};
const point = record(
  {
    xMm: Type.Number({ minimum: -5000, maximum: 5000, description: 'Across the load, mm' }),
    yMm: Type.Number({ minimum: -5000, maximum: 5000, description: 'Along the load, mm' }),
  },
  'One corner of an outline',
);

/** Cross-sections. Depth is along the load, width across it. */
export const sectionGeometry = taggedUnion(
  'kind',
  [
    record(
      {
        kind: Type.Literal('rectangle'),
        widthMm: lengthMm('Across the load, mm'),
        depthMm: lengthMm('Along the load, mm'),
      },
      'Solid rectangle',
    ),
    record({ kind: Type.Literal('round'), diameterMm: lengthMm('Diameter, mm') }, 'Solid round bar'),
    record(
      { kind: Type.Literal('tube'), outerDiameterMm: lengthMm('Outer diameter, mm'), wallMm: lengthMm('Wall, mm') },
      'Round tube',
    ),
    record(
      {
        kind: Type.Literal('box'),
        widthMm: lengthMm('Across the load, outside, mm'),
        depthMm: lengthMm('Along the load, outside, mm'),
        wallMm: lengthMm('Wall, mm'),
      },
      'Hollow rectangle',
    ),
    record({ kind: Type.Literal('i'), ...flanged }, 'I section, the web along the load'),
    record({ kind: Type.Literal('t'), ...flanged }, 'T section, the flange on the loaded side'),
    record({ kind: Type.Literal('channel'), ...flanged }, 'Channel, the web along the load'),
    record(
      {
        kind: Type.Literal('angle'),
        depthMm: lengthMm('Leg along the load, mm'),
        widthMm: lengthMm('Leg across the load, mm'),
        thicknessMm: lengthMm('Thickness of both legs, mm'),
      },
      'L section with equal thickness; taken as held against bending sideways',
    ),
    record(
      {
        kind: Type.Literal('polygon'),
        corners: Type.Array(point, { minItems: 3, maxItems: 200, description: 'Corners in order, without crossing' }),
        holes: Type.Optional(
          Type.Array(Type.Array(point, { minItems: 3, maxItems: 200 }), {
            maxItems: 24,
            description: 'Outlines of holes within it; absent = none',
          }),
        ),
      },
      'Any outline',
    ),
    record(
      {
        kind: Type.Literal('measured'),
        areaMm2: Type.Number({ exclusiveMinimum: 0, maximum: 1e7, description: 'Area, mm²' }),
        secondMomentMm4: Type.Number({
          exclusiveMinimum: 0,
          maximum: 1e13,
          description: 'Second moment of area about the axis the load bends it about, mm⁴',
        }),
        weakSecondMomentMm4: Type.Number({
          exclusiveMinimum: 0,
          maximum: 1e13,
          description: 'Second moment of area about the other axis, mm⁴',
        }),
        extremeFibreMm: lengthMm('From the centroid to the outermost fibre along the load, mm'),
        depthMm: lengthMm('Overall depth along the load, mm'),
        widthMm: lengthMm('Overall width across the load, mm'),
      },
      'Values measured elsewhere, for example of a cut through a drawing',
    ),
  ],
  'Cross-section',
);
export type SectionGeometry = Static<typeof sectionGeometry>;
