import { Type, type Static } from '@sinclair/typebox';
import { lengthMm, record, running, taggedUnion, temperatureC, vocabulary } from './common.ts';
import { sectionGeometry } from './section.ts';

const filletRadiusMm = (where: string) =>
  Type.Number({ minimum: 0, maximum: 500, description: `Fillet radius ${where}, mm; 0 = sharp` });
const shoulder = Type.Optional(
  vocabulary(
    ['fillet', 'runs-on'] as const,
    'Shoulder; where the section widens at its end, over a fillet, or none: it runs on',
  ),
);
const count = (description: string, minimum: number, maximum: number) =>
  Type.Integer({ minimum, maximum, description });

export const cantileverArm = record(
  {
    model: Type.Literal('cantilever-arm'),
    spanMm: lengthMm('From the root to the load, mm'),
    section: sectionGeometry,
    shoulder,
    filletRadiusMm: filletRadiusMm('at the root'),
    root: Type.Optional(
      vocabulary(
        ['rigid', 'printed-wall'] as const,
        'Root held by; something rigid, or a thick wall printed in one piece with it, which gives',
      ),
    ),
  },
  'An arm held at one end that carries a load at the other',
);
export const beam = record(
  {
    model: Type.Literal('beam'),
    spanMm: lengthMm('Between the supports, mm'),
    section: sectionGeometry,
    ends: vocabulary(['supported', 'clamped'] as const, 'Ends'),
    loading: vocabulary(['point', 'spread'] as const, 'The load is'),
    positionMm: Type.Optional(lengthMm('From the left end to the load, mm; empty = the middle')),
    shoulder,
    filletRadiusMm: filletRadiusMm('at clamped ends'),
  },
  'A beam over two supports that is pushed between them',
);
export const tie = record(
  {
    model: Type.Literal('tie'),
    lengthMm: lengthMm('Length that is pulled, mm'),
    section: sectionGeometry,
    shoulder,
    filletRadiusMm: filletRadiusMm('where it widens at its ends'),
  },
  'A bar that is pulled',
);
export const strut = record(
  {
    model: Type.Literal('strut'),
    lengthMm: lengthMm('Free length, mm'),
    section: sectionGeometry,
    ends: vocabulary(['pinned', 'clamped', 'clamped-pinned', 'clamped-free'] as const, 'Ends'),
    endFit: Type.Optional(
      vocabulary(['practical', 'ideal'] as const, 'Its ends hold; as joints do, which give a little, or as in theory'),
    ),
  },
  'A slender bar that is squeezed along its length',
);
const bar = (what: string) =>
  record(
    { depthMm: lengthMm(`Depth of ${what} in the bracket’s plane, mm`), widthMm: lengthMm(`Width of ${what}, mm`) },
    `Solid rectangular ${what}`,
  );
export const wallBracket = record(
  {
    model: Type.Literal('wall-bracket'),
    reachMm: lengthMm('From the wall to the joint, mm; where tie and strut meet'),
    beyondJointMm: Type.Optional(
      Type.Number({
        minimum: 0,
        maximum: 2000,
        description: 'From the joint on to the load, mm; empty = the depth of the tie',
      }),
    ),
    dropMm: lengthMm('Tie to foot of the strut, mm; along the wall'),
    tie: bar('the tie'),
    strut: bar('the strut'),
    filletRadiusMm: filletRadiusMm('at the root of the tie'),
  },
  'A tie and a strut that hold a load off a wall',
);
export const pinnedLug = record(
  {
    model: Type.Literal('pinned-lug'),
    lengthMm: lengthMm('From the pin to the far end, mm'),
    widthMm: lengthMm('Across the pull, mm'),
    thicknessMm: lengthMm('Along the pin, mm'),
    holeDiameterMm: lengthMm('Hole, mm'),
    edgeDistanceMm: lengthMm('From the hole’s centre to the end, mm; it pulls against this end'),
  },
  'An eye on a pin',
);
export const snapHook = record(
  {
    model: Type.Literal('snap-hook'),
    lengthMm: lengthMm('From the root to the hook, mm'),
    thicknessMm: lengthMm('Thickness at the root, mm'),
    widthMm: lengthMm('Width, mm'),
    taper: vocabulary(['even', 'half'] as const, 'Thickness runs'),
    leadAngleDeg: Type.Number({ minimum: 5, maximum: 80, description: 'Lead slope, °; pushed over when closing' }),
    filletRadiusMm: filletRadiusMm('at the root'),
  },
  'A hook that bends over an edge and springs back',
);
export const ring = record(
  {
    model: Type.Literal('ring'),
    outerDiameterMm: lengthMm('Outer diameter, mm'),
    wallMm: lengthMm('Wall, mm'),
    lengthMm: lengthMm('Along its axis, mm'),
    loading: vocabulary(
      ['pinched', 'pressed-from-inside', 'pressed-from-outside', 'pushed-over'] as const,
      'Condition',
    ),
  },
  'A ring or sleeve',
);
export const plate = record(
  {
    model: Type.Literal('plate'),
    shape: vocabulary(['round', 'rectangular'] as const, 'Outline'),
    lengthMm: lengthMm('Longer side or diameter, mm; between the edges that hold it'),
    widthMm: lengthMm('Shorter side, mm; not used by a round plate'),
    thicknessMm: lengthMm('Thickness, mm'),
    edges: vocabulary(['supported', 'clamped'] as const, 'Rim'),
    poisson: Type.Optional(
      Type.Number({ minimum: 0.2, maximum: 0.49, description: 'Poisson ratio; empty = 0.38, as most prints have' }),
    ),
  },
  'A flat plate under pressure',
);
export const torsionShaft = record(
  {
    model: Type.Literal('torsion-shaft'),
    lengthMm: lengthMm('Length that is twisted, mm'),
    section: sectionGeometry,
    leverMm: lengthMm('Radius of movement, mm; where its movement is measured'),
    shoulder,
    filletRadiusMm: filletRadiusMm('at the shoulder'),
  },
  'A shaft or bar that is twisted',
);
export const gearTooth = record(
  {
    model: Type.Literal('gear-tooth'),
    moduleMm: Type.Number({ minimum: 0.3, maximum: 50, description: 'Module, pitch diameter over teeth, mm' }),
    teeth: count('Number of teeth', 12, 400),
    mateTeeth: count('Number of teeth of the mating gear', 12, 400),
    faceWidthMm: lengthMm('Width of the tooth, mm'),
    speedRpm: Type.Number({ minimum: 0, maximum: 20000, description: 'Speed of this gear, rev/min' }),
    running,
  },
  'A full-depth 20° spur gear tooth',
);
export const flexure = record(
  {
    model: Type.Literal('flexure'),
    lengthMm: lengthMm('Thin length that bends, mm'),
    thicknessMm: Type.Number({ exclusiveMinimum: 0, maximum: 200, description: 'Thickness that bends, mm' }),
    widthMm: lengthMm('Width, mm'),
    motion: vocabulary(['turns', 'shifts'] as const, 'The far end'),
  },
  'A thin place that bends on purpose',
);
export const elastomerPad = record(
  {
    model: Type.Literal('elastomer-pad'),
    shape: vocabulary(['block', 'disc'] as const, 'Outline'),
    lengthMm: lengthMm('Length, or diameter, mm'),
    widthMm: lengthMm('Width, mm; not used by a disc'),
    heightMm: lengthMm('Height that is squeezed, mm'),
    faces: vocabulary(['bonded', 'slipping'] as const, 'Its faces are'),
  },
  'A pad or bumper that is squeezed',
);
export const boltedFlange = record(
  {
    model: Type.Literal('bolted-flange'),
    boltDiameterMm: Type.Number({ minimum: 1, maximum: 60, description: 'Nominal bolt diameter, mm' }),
    holeDiameterMm: lengthMm('Clearance hole, mm'),
    headDiameterMm: lengthMm('Bearing diameter of head or washer, mm'),
    thicknessMm: lengthMm('Printed thickness under the head, mm'),
    edgeDistanceMm: lengthMm('From the bolt’s centre to the nearest edge, mm'),
    insert: Type.Optional(
      record(
        { diameterMm: lengthMm('Outer diameter of the insert, mm'), lengthMm: lengthMm('Length in the plastic, mm') },
        'Threaded insert that the bolt pulls on',
      ),
    ),
  },
  'A flange held by a bolt',
);
export const hotContact = record(
  {
    model: Type.Literal('hot-contact'),
    areaMm2: Type.Number({ exclusiveMinimum: 0, maximum: 1e7, description: 'Area in contact, mm²' }),
    thicknessMm: lengthMm('Thickness behind the contact, mm'),
    otherBody: vocabulary(
      ['steel', 'aluminium', 'brass', 'glass', 'leather', 'wood', 'water', 'thermoplastic'] as const,
      'What it touches',
    ),
    otherTemperatureC: temperatureC('Its temperature, °C; of what it touches'),
    ownTemperatureC: temperatureC('Own temperature, °C; before the touch'),
    contactS: Type.Number({ exclusiveMinimum: 0, maximum: 1e6, description: 'How long one touch lasts, s' }),
    touches: Type.Number({ minimum: 1, maximum: 1e8, description: 'Touches it has to last' }),
    pauseS: Type.Optional(
      Type.Number({
        minimum: 0,
        maximum: 1e6,
        description: 'Pause between touches, s; empty = until it is as cool as before the first',
      }),
    ),
  },
  'A part that touches something hot',
);
export const sectionAtPlane = record(
  {
    model: Type.Literal('section-at-plane'),
    section: sectionGeometry,
    leverMm: lengthMm('From the cut to the load, mm; across the load’s direction'),
    pullShare: Type.Number({
      minimum: 0,
      maximum: 1,
      description: 'Share that pulls straight; the rest of the load bends and shears',
    }),
    volumeMm3: Type.Number({ exclusiveMinimum: 0, maximum: 1e9, description: 'Volume of the whole part, mm³' }),
    lengthMm: lengthMm('Overall length of the part, mm'),
  },
  'A part of any shape, judged at one cut through it',
);

/** Part models are told apart by `model`; a further model joins this union. */
export const partGeometries = [
  cantileverArm,
  beam,
  tie,
  strut,
  wallBracket,
  pinnedLug,
  snapHook,
  ring,
  plate,
  torsionShaft,
  gearTooth,
  flexure,
  elastomerPad,
  boltedFlange,
  hotContact,
  sectionAtPlane,
] as const;
export const partGeometry = taggedUnion('model', [...partGeometries], 'What the part is, mechanically, and its size');
export type PartGeometry = Static<typeof partGeometry>;
export type PartModelId = PartGeometry['model'];
export type GeometryOf<M extends PartModelId> = Extract<PartGeometry, { model: M }>;
