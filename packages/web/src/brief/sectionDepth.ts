import type { SectionGeometry } from '@anvilstone/schema';

/** How deep a section is along the load, mm. */
export function sectionDepthMm(section: SectionGeometry): number {
  switch (section.kind) {
    case 'rectangle':
      return section.depthMm;
    case 'round':
      return section.diameterMm;
    case 'tube':
      return section.outerDiameterMm;
  }
}
