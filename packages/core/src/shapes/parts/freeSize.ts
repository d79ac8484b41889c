import type { PartGeometry, SectionGeometry } from '@anvilstone/schema';
import { findPartModel } from './models.ts';

/** The one dimension of a part that may grow or shrink when it is sized; all others stay as drawn. */
export interface FreeSize {
  /** Where it stands below the part. */
  pointer: string;
  title: string;
  /** As drawn, mm. */
  valueMm: number;
  /** The same part with another value. */
  with(valueMm: number): PartGeometry;
}

const TITLES: Record<string, string> = {
  depthMm: 'Depth along the load',
  diameterMm: 'Diameter',
  outerDiameterMm: 'Outer diameter',
  wallMm: 'Wall',
  heightMm: 'Height',
  lengthMm: 'Length',
  thicknessMm: 'Thickness',
  headDiameterMm: 'Diameter under the head',
  faceWidthMm: 'Face width',
};
const titleOf = (field: string) => TITLES[field] ?? field;

const DEPTH_OF: Partial<Record<SectionGeometry['kind'], string>> = {
  rectangle: 'depthMm',
  box: 'depthMm',
  i: 'depthMm',
  t: 'depthMm',
  channel: 'depthMm',
  angle: 'depthMm',
  round: 'diameterMm',
  tube: 'outerDiameterMm',
};

/**
 * The model's free dimension: of a section its depth along the load (or its diameter), the width and the walls staying; of a
 * strut in a bracket its depth; else the model's own field. An outline grows in both directions. Undefined: a measured
 * section, whose numbers belong to one size.
 */
export function freeSize(part: PartGeometry): FreeSize | undefined {
  const { freeDimension } = findPartModel(part.model);
  const field = freeDimension.slice(1);
  const holder = part as unknown as Record<string, unknown>;
  const target = holder[field];
  if (typeof target === 'number')
    return {
      pointer: freeDimension,
      title: titleOf(field),
      valueMm: target,
      with: (valueMm) => ({ ...part, [field]: valueMm }) as PartGeometry,
    };
  if (field === 'section') return freeSection(part, target as SectionGeometry);
  const member = target as Record<string, number>;
  return {
    pointer: `${freeDimension}/depthMm`,
    title: `Depth of the ${field}`,
    valueMm: member.depthMm!,
    with: (depthMm) => ({ ...part, [field]: { ...member, depthMm } }) as PartGeometry,
  };
}

const grown = ({ xMm, yMm }: { xMm: number; yMm: number }, by: number) => ({ xMm: xMm * by, yMm: yMm * by });

function freeSection(part: PartGeometry, section: SectionGeometry): FreeSize | undefined {
  const withSection = (changed: object) => ({ ...part, section: { ...section, ...changed } }) as PartGeometry;
  if (section.kind === 'polygon') {
    const depths = section.corners.map(({ yMm }) => yMm);
    const valueMm = Math.max(...depths) - Math.min(...depths);
    return {
      pointer: '/section/corners',
      title: 'Depth of the outline',
      valueMm,
      with: (depthMm) =>
        withSection({
          corners: section.corners.map((corner) => grown(corner, depthMm / valueMm)),
          ...(section.holes
            ? { holes: section.holes.map((hole) => hole.map((corner) => grown(corner, depthMm / valueMm))) }
            : {}),
        }),
    };
  }
  const field = DEPTH_OF[section.kind];
  if (!field) return undefined;
  return {
    pointer: `/section/${field}`,
    title: titleOf(field),
    valueMm: (section as unknown as Record<string, number>)[field]!,
    with: (value) => withSection({ [field]: value }),
  };
}
