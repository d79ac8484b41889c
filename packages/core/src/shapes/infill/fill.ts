import type { WallsAndInfill } from '@anvilstone/schema';
import { requirePositive, requireWithin } from '@anvilstone/core/foundations';
import { ALONG, dot, type Direction, type PartAxis } from '../parts/direction.ts';
import { findPattern, lawAt, type PowerLaw } from './patterns.ts';

/** A part printed as a shell around a lattice, seen from the part and not from the bed. */
export interface Fill {
  /** Thickness of the shell on faces that face each axis, mm. */
  shellMm: Record<PartAxis, number>;
  /** From a point of the shell's inside to what it just reaches: along a layer, and up and down. */
  reaches: readonly Direction[];
  /** Modulus and strength of the core over those of the material, along each axis, 0 to 1. */
  stiffness: Record<PartAxis, number>;
  strength: Record<PartAxis, number>;
  /** Share of the core that is material, 0 to 1. */
  share: number;
  /** The core is solid, of another material: a share of 1 then says that it is as dense. */
  otherMaterial?: true;
}

/** Nothing inside is different from the outside. */
export const isSolid = (fill: Fill | undefined): boolean =>
  fill === undefined || (fill.share >= 1 && !fill.otherMaterial);

/** Directions around a layer in which walls are thick: enough for a round to be round. */
const AROUND = 48;
/** A core bears at least this little, so that an empty one divides nothing by zero. */
const NOTHING = 1e-9;

/**
 * The shell and the core of a part that is built up along `up`. Walls are as thick as their lines within every layer, top
 * and bottom as their layers; a slanting face gets whichever is thicker there. A core whose lattice is stiffer along the
 * way it is built up is taken at the angle by 1/E = cos⁴/E₁ + sin⁴/E₂ at the least (shear of the lattice left out).
 * Source: sandwich by the transformed section (Roark, 7th ed., section 8.2); lattices see `patterns`.
 * @throws InputError a width, height or count that is none; a share outside 0 to 1
 */
export function fillOf(settings: WallsAndInfill, up: Direction): Fill {
  requirePositive(settings, ['lineWidthMm', 'layerHeightMm', 'walls']);
  requireWithin('infillShare', settings.infillShare, 0, 1);
  const wallMm = settings.walls * settings.lineWidthMm;
  const topMm = settings.topBottomLayers * settings.layerHeightMm;
  const { infillShare: share } = settings;
  const { within, upward } = findPattern(settings.pattern);
  const shellOn = (axis: PartAxis) => {
    const c = Math.min(1, Math.abs(dot(ALONG[axis], up)));
    return Math.max(wallMm * Math.sqrt(1 - c * c), topMm * c);
  };
  const coreAlong = (axis: PartAxis, inLayer: PowerLaw, upright: PowerLaw) => {
    const c = Math.min(1, dot(ALONG[axis], up) ** 2);
    const [a, b] = [Math.max(NOTHING, lawAt(inLayer, share)), Math.max(NOTHING, lawAt(upright, share))];
    return share >= 1 ? 1 : 1 / ((1 - c) ** 2 / a + 2 * c * (1 - c) * Math.max(1 / a, 1 / b) + c ** 2 / b);
  };
  return {
    shellMm: { length: shellOn('length'), depth: shellOn('depth'), width: shellOn('width') },
    reaches: [...aroundLayer(up, wallMm), times(up, topMm), times(up, -topMm)],
    stiffness: byAxis((axis) => coreAlong(axis, within.stiffness, upward.stiffness)),
    strength: byAxis((axis) => coreAlong(axis, within.strength, upward.strength)),
    share,
  };
}

/**
 * A skin of even thickness all around a solid core of another material, whose modulus, strength and density are given over
 * those of the skin.
 * @throws InputError a thickness or ratio that is none
 */
export function otherMaterialFill(core: {
  skinMm: number;
  stiffness: number;
  strength: number;
  density: number;
}): Fill {
  requirePositive(core, ['skinMm', 'stiffness', 'strength']);
  return {
    shellMm: byAxis(() => core.skinMm),
    reaches: aroundLayer(ALONG.length, core.skinMm),
    stiffness: byAxis(() => core.stiffness),
    strength: byAxis(() => core.strength),
    share: core.density,
    otherMaterial: true,
  };
}

const byAxis = (of: (axis: PartAxis) => number): Record<PartAxis, number> => ({
  length: of('length'),
  depth: of('depth'),
  width: of('width'),
});

const times = (a: Direction, by: number): Direction => [a[0] * by, a[1] * by, a[2] * by];

/** Points of a circle within a layer. */
function aroundLayer(up: Direction, radiusMm: number): Direction[] {
  // Two directions square to `up`, along the part's own axes where it is one of them.
  const start = [ALONG.width, ALONG.depth, ALONG.length].find((axis) => Math.abs(dot(axis, up)) < 0.6)!;
  const along = dot(start, up);
  const raw: Direction = [start[0] - along * up[0], start[1] - along * up[1], start[2] - along * up[2]];
  const u = times(raw, 1 / Math.hypot(...raw));
  const v: Direction = [up[1] * u[2] - up[2] * u[1], up[2] * u[0] - up[0] * u[2], up[0] * u[1] - up[1] * u[0]];
  return Array.from({ length: AROUND }, (_, i) => {
    const angle = (2 * Math.PI * i) / AROUND;
    const [c, s] = [rounded(Math.cos(angle)), rounded(Math.sin(angle))];
    return [radiusMm * (c * u[0] + s * v[0]), radiusMm * (c * u[1] + s * v[1]), radiusMm * (c * u[2] + s * v[2])];
  });
}

/** A quarter turn is exactly square. */
const rounded = (value: number) => (Math.abs(value) < 1e-15 ? 0 : value);
