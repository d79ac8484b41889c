import type { SectionGeometry } from '@anvilstone/schema';
import { Dimension } from './Dimension.tsx';
import { Note, Solid } from './pieces.tsx';
import { sectionPath, sectionSize } from './sectionOutline.ts';
import { useSketch } from './SketchContext.ts';

const SIZE = 84;

/** The cross-section, to scale in itself, with its width to drag; its depth is dragged beside it. */
export function SectionView({ section, at }: { section: SectionGeometry; at: readonly [number, number] }) {
  const { bare } = useSketch();
  const { widthMm, depthMm, depthPointer, widthPointer } = sectionSize(section);
  const perMm = SIZE / Math.max(widthMm, depthMm);
  const [x, y] = at;
  const w = widthMm * perMm;
  const d = depthMm * perMm;
  if (bare) return null;
  return (
    <g>
      <Note at={[x, y - SIZE / 2 - 16]}>section</Note>
      <Solid d={sectionPath(section, at, perMm)} view={['width', 'depth']} />
      <Dimension
        pointer={depthPointer}
        name="Depth of the section"
        mm={depthMm}
        from={[x + w / 2 + 12, y - d / 2]}
        to={[x + w / 2 + 12, y + d / 2]}
        perMm={perMm}
      />
      {widthPointer && (
        <Dimension
          pointer={widthPointer}
          name="Width of the section"
          mm={widthMm}
          from={[x - w / 2, y + d / 2 + 22]}
          to={[x + w / 2, y + d / 2 + 22]}
          perMm={perMm}
        />
      )}
    </g>
  );
}
