import type { PartGeometry, SectionGeometry } from '@anvilstone/schema';
import { sectionSize } from '../sketch/sectionOutline.ts';

/** The part with the value at a pointer within it replaced; everything else is shared. */
export function withDimension(part: PartGeometry, pointer: string, value: unknown): PartGeometry {
  return put(part, pointer.slice(1).split('/'), value) as PartGeometry;
}

function put(target: object, [key, ...rest]: string[], value: unknown): object {
  const inner = (target as Record<string, unknown>)[key!];
  const next = rest.length === 0 ? value : put(typeof inner === 'object' && inner ? inner : {}, rest, value);
  const changed: Record<string, unknown> = { ...target, [key!]: next };
  if (next === undefined) delete changed[key!];
  return changed;
}

/** Another kind of section of about the same size, so that switching does not lose the proportions. */
export function sectionLike(section: SectionGeometry, kind: SectionGeometry['kind']): SectionGeometry {
  if (kind === section.kind) return section;
  const { depthMm, widthMm } = sectionSize(section);
  const thin = Number((Math.min(depthMm, widthMm) / 6).toPrecision(2));
  switch (kind) {
    case 'rectangle':
      return { kind, widthMm, depthMm };
    case 'round':
      return { kind, diameterMm: depthMm };
    case 'tube':
      return { kind, outerDiameterMm: depthMm, wallMm: thin };
    case 'box':
      return { kind, widthMm, depthMm, wallMm: thin };
    case 'angle':
      return { kind, widthMm, depthMm, thicknessMm: thin };
    case 'polygon':
      return {
        kind,
        corners: [
          { xMm: 0, yMm: 0 },
          { xMm: widthMm, yMm: 0 },
          { xMm: widthMm * 0.75, yMm: depthMm },
          { xMm: widthMm * 0.25, yMm: depthMm },
        ],
      };
    case 'measured':
      return {
        kind,
        areaMm2: widthMm * depthMm,
        secondMomentMm4: (widthMm * depthMm ** 3) / 12,
        weakSecondMomentMm4: (depthMm * widthMm ** 3) / 12,
        extremeFibreMm: depthMm / 2,
        depthMm,
        widthMm,
      };
    default:
      return { kind, widthMm, depthMm, webMm: thin, flangeMm: thin };
  }
}
