import type { FibreInFaces, PartGeometry, SectionGeometry, Statement } from '@anvilstone/schema';
import type { Fill } from '../infill/fill.ts';
import { InputError, say, mm } from '@anvilstone/core/foundations';
import { tows, type Tow } from '@anvilstone/core/materials';
import { ALONG, dot, type Direction } from '../parts/direction.ts';
import { filledSection } from '../sections/filledSection.ts';
import { outlineOf } from '../sections/outline.ts';
import type { BendingDirection } from '../sections/section.ts';

/** What strands add to a section that is bent in one direction. */
export interface StrandsInBending {
  /** Second moment of the strands about the neutral axis over that of the section they lie in. */
  secondMomentShare: number;
  /** Area of the strands over that of the section. */
  areaShare: number;
  /** Distance of their outer edge from the neutral axis over that of the outer fibre. */
  edgeShare: number;
  /** Strand area of one face × its distance ÷ (second moment × width), 1/mm²: shear on the bond is V · this · the modular ratio. */
  bondPerForce: number;
}

/** Strands as they would lie in a part that is built one build orientation. */
export interface LaidFibre {
  tow: Tow;
  /** In plain sentences why they cannot lie so; empty: they can. */
  problems: readonly Statement[];
  strands: number;
  areaMm2: number;
  /** Strand that is used up, with what is lost at cuts, mm³. */
  usedMm3: number;
  /** Strand in the part, mm³; it takes the place of as much of the print. */
  laidMm3: number;
  lengthMm: number;
  bending: Partial<Record<BendingDirection, StrandsInBending>>;
}

/** Models that bend along a drawn section, and so have faces to lay strands in. */
type Bar = Extract<PartGeometry, { model: 'cantilever-arm' | 'beam' | 'section-at-plane' }>;
export const takesFibre = (part: PartGeometry): part is Bar =>
  (part.model === 'cantilever-arm' || part.model === 'beam' || part.model === 'section-at-plane') &&
  part.section.kind !== 'measured';

/** Strands run from end to end. */
const laidLengthMm = (part: Bar): number => (part.model === 'section-at-plane' ? part.lengthMm : part.spanMm);

/**
 * Lays strands along a bar, as many in each of the two faces that its depth puts farthest from the middle. They lie within
 * layers, so a part that is built up along its length cannot have them. Built flat they are layers of strands side by side;
 * built on edge they are lines beside each other in every layer. Half strands are not laid. Of a section that is not alike
 * above and below, the two packs count about their own middle, which is the least that they can add (parallel axes).
 * @throws InputError a strand that is not in the table, or a part without such faces
 */
export function layFibre(part: PartGeometry, fibre: FibreInFaces, up: Direction, fill?: Fill): LaidFibre {
  const tow = tows.find(({ id }) => id === fibre.towId);
  if (!tow) throw new InputError('fibre/towId', fibre.towId, tows.map(({ id }) => id).join(', '));
  if (!takesFibre(part))
    throw new InputError('fibre', part.model, 'strands are laid in arms, beams and cuts with a drawn section');
  const none: LaidFibre = {
    tow,
    problems: [],
    strands: 0,
    areaMm2: 0,
    usedMm3: 0,
    laidMm3: 0,
    lengthMm: 0,
    bending: {},
  };
  if (Math.abs(dot(ALONG.length, up)) > ALONG_LAYERS)
    return {
      ...none,
      problems: ['Strands lie within layers: they cannot run along a part that is built up along its length'],
    };
  const across = Math.abs(dot(ALONG.depth, up));
  // A strand is wide in its layer and low across it; of tilted layers the nearer way counts.
  const flat = across > Math.SQRT1_2;
  const [deepMm, wideMm] = flat ? [tow.beadHeightMm, tow.beadWidthMm] : [tow.beadWidthMm, tow.beadHeightMm];
  const lengthMm = laidLengthMm(part);
  const outline = outlineOf(part.section, 'depth')!;
  const depthMm = outline.highMm - outline.lowMm;
  const heightMm = fibre.strandsDeep * deepMm;
  const outerMm = depthMm / 2 - fibre.insetMm;
  const coverMm = Math.max(fibre.insetMm, fill ? fill.shellMm.width : 0);
  const roomMm = widthWithin(part.section, fibre.insetMm, heightMm) - 2 * coverMm;
  const beside = Math.floor(roomMm / wideMm + 1e-9);
  const problems = [
    ...(outerMm - heightMm <= 0
      ? [say`Two packs of ${mm(heightMm)} and their covers are deeper than the section`]
      : []),
    ...(beside < 1 ? [say`No strand of ${mm(wideMm)} fits beside covers of ${mm(coverMm)}`] : []),
    ...(lengthMm < tow.minimumLengthMm
      ? [say`A strand is ${mm(tow.minimumLengthMm)} long at least; the part is ${mm(lengthMm)}`]
      : []),
  ];
  if (problems.length > 0) return { ...none, problems };
  const widthMm = beside * wideMm;
  const faceMm2 = widthMm * heightMm;
  const strands = 2 * beside * fibre.strandsDeep;
  const middleMm = outerMm - heightMm / 2;
  const laidMm3 = 2 * faceMm2 * lengthMm;
  const bendingOf = (direction: BendingDirection): StrandsInBending => {
    const cut = filledSection(part.section, direction, fill);
    const own =
      direction === 'depth'
        ? 2 * (faceMm2 * middleMm ** 2 + (widthMm * heightMm ** 3) / 12)
        : (2 * heightMm * widthMm ** 3) / 12;
    const edgeMm = direction === 'depth' ? cut.extremeFibreMm - fibre.insetMm : widthMm / 2;
    return {
      secondMomentShare: Math.min(0.999, own / cut.secondMomentMm4),
      areaShare: Math.min(0.999, (2 * faceMm2) / cut.areaMm2),
      edgeShare: edgeMm / cut.extremeFibreMm,
      bondPerForce:
        direction === 'depth'
          ? (faceMm2 * middleMm) / (cut.secondMomentMm4 * widthMm)
          : (faceMm2 * (widthMm / 4)) / (cut.secondMomentMm4 * 2 * heightMm),
    };
  };
  return {
    tow,
    problems,
    strands,
    areaMm2: 2 * faceMm2,
    laidMm3,
    usedMm3: laidMm3 + strands * tow.waste.perCutMm * tow.beadWidthMm * tow.beadHeightMm,
    lengthMm: strands * lengthMm,
    bending: { depth: bendingOf('depth'), width: bendingOf('width') },
  };
}

/** Less than a degree out of the layers counts as within them. */
const ALONG_LAYERS = Math.sin(Math.PI / 180);

/** The narrowest that a section is from the cover down to the last strand, the narrower of its two faces. */
function widthWithin(section: SectionGeometry, insetMm: number, heightMm: number): number {
  const outline = outlineOf(section, 'depth')!;
  const looks = [0.02, 0.5, 0.98].map((share) => insetMm + share * heightMm);
  const widths = looks.flatMap((downMm) =>
    [outline.highMm - downMm, outline.lowMm + downMm].map((y) =>
      Math.max(0, ...outline.chordsAt(y).map(([from, to]) => to - from)),
    ),
  );
  return Math.min(...widths);
}
