import { section } from '@anvilstone/core/shapes';
import type { SectionGeometry } from '@anvilstone/schema';

/** How deep and wide a section is, mm, and where its two main dimensions stand within the part. */
export function sectionSize(geometry: SectionGeometry): {
  depthMm: number;
  widthMm: number;
  depthPointer: string | undefined;
  widthPointer: string | undefined;
} {
  switch (geometry.kind) {
    case 'round':
      return same(geometry.diameterMm, '/section/diameterMm');
    case 'tube':
      return same(geometry.outerDiameterMm, '/section/outerDiameterMm');
    case 'polygon': {
      const { depthMm, widthMm } = safeSection(geometry);
      return { depthMm, widthMm, depthPointer: undefined, widthPointer: undefined };
    }
    default:
      return {
        depthMm: geometry.depthMm,
        widthMm: geometry.widthMm,
        depthPointer: '/section/depthMm',
        widthPointer: '/section/widthMm',
      };
  }
}

function same(mm: number, pointer: string) {
  return { depthMm: mm, widthMm: mm, depthPointer: pointer, widthPointer: undefined };
}

/** A drawing must not fall over a dimension that cannot be used: the field says what is wrong with it. */
function safeSection(geometry: SectionGeometry): { depthMm: number; widthMm: number } {
  try {
    return section(geometry);
  } catch {
    return { depthMm: 10, widthMm: 10 };
  }
}

/** The outline of a section as a path, centred on a point, the load coming from above. Holes by the even-odd rule. */
export function sectionPath(geometry: SectionGeometry, [x, y]: readonly [number, number], perMm: number): string {
  const { widthMm, depthMm } = sectionSize(geometry);
  const w = widthMm * perMm;
  const d = depthMm * perMm;
  const box = (width: number, depth: number, cx = x, cy = y) =>
    `M${cx - width / 2} ${cy - depth / 2} h${width} v${depth} h${-width} Z`;
  switch (geometry.kind) {
    case 'round':
      return circle(x, y, w / 2);
    case 'tube':
      return `${circle(x, y, w / 2)} ${circle(x, y, Math.max(0.5, w / 2 - geometry.wallMm * perMm))}`;
    case 'box': {
      const wall = Math.min(geometry.wallMm * perMm, w / 2 - 1, d / 2 - 1);
      return `${box(w, d)} ${box(w - 2 * wall, d - 2 * wall)}`;
    }
    case 'i':
    case 't':
    case 'channel': {
      const web = Math.min(geometry.webMm * perMm, w);
      const flange = Math.min(geometry.flangeMm * perMm, d / 2);
      const left = geometry.kind === 'channel' ? x - w / 2 : x - web / 2;
      const right = left + web;
      const top = y - d / 2;
      const bottom = y + d / 2;
      const foot =
        geometry.kind === 't'
          ? `V${bottom} H${left}`
          : `V${bottom - flange} H${x + w / 2} V${bottom} H${x - w / 2} V${bottom - flange} H${left}`;
      return `M${x - w / 2} ${top} H${x + w / 2} V${top + flange} H${right} ${foot} V${top + flange} H${x - w / 2} Z`;
    }
    case 'angle': {
      const t = Math.min(geometry.thicknessMm * perMm, w, d);
      return `M${x - w / 2} ${y - d / 2} h${t} v${d - t} h${w - t} v${t} h${-w} Z`;
    }
    case 'polygon': {
      const xs = geometry.corners.map((corner) => corner.xMm);
      const ys = geometry.corners.map((corner) => corner.yMm);
      const cx = (Math.min(...xs) + Math.max(...xs)) / 2;
      const cy = (Math.min(...ys) + Math.max(...ys)) / 2;
      const loop = (corners: typeof geometry.corners) =>
        `M${corners.map(({ xMm, yMm }) => `${x + (xMm - cx) * perMm} ${y - (yMm - cy) * perMm}`).join(' L')} Z`;
      return [geometry.corners, ...(geometry.holes ?? [])].map(loop).join(' ');
    }
    default:
      return box(w, d);
  }
}

export function circle(x: number, y: number, r: number): string {
  return `M${x - r} ${y} a${r} ${r} 0 1 0 ${2 * r} 0 a${r} ${r} 0 1 0 ${-2 * r} 0 Z`;
}
