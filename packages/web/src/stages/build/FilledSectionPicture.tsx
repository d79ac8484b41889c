import { orientationChoices } from '../../ui/orientationChoices.ts';
import { BUILT_UP, drawFilledSection, fillOf, type SectionDrawing } from '@anvilstone/core/shapes';
import type { Brief, BuildOrientation } from '@anvilstone/schema';
import { useState } from 'react';
import { Choice } from '../../ui/fields.tsx';

/** The section as it will come out: shell dark, core light, layers as the build orientation lays them. Nothing for a solid part. */
export function FilledSectionPicture({ brief }: { brief: Brief }) {
  const [orientation, setOrientation] = useState<BuildOrientation>(brief.asks.orientations?.[0] ?? 'XZ');
  const { filled, part } = brief;
  if (!filled || !('section' in part)) return null;
  const drawing = drawFilledSection(part.section, fillOf(filled, BUILT_UP[orientation]));
  if (!drawing) return null;
  return (
    <figure className="rounded-md border border-line bg-surface p-3">
      <div className="w-40">
        <Choice
          label="Section when built"
          value={orientation}
          options={orientationChoices(part)}
          onChange={setOrientation}
        />
      </div>
      <Drawn drawing={drawing} />
      <figcaption className="text-xs text-quiet">
        Dark: walls, top and bottom. Light: infill, {drawing.corePercent} % of the section. The load acts downwards.
      </figcaption>
    </figure>
  );
}

function Drawn({ drawing: { widthMm, depthMm, solid, core, corePercent } }: { drawing: SectionDrawing }) {
  const margin = 0.04 * Math.max(widthMm, depthMm);
  return (
    <svg
      viewBox={`${-widthMm / 2 - margin} ${-margin} ${widthMm + 2 * margin} ${depthMm + 2 * margin}`}
      className="mx-auto my-2 max-h-52 w-full"
      role="img"
      aria-label={`Section with ${corePercent} % infill`}
    >
      <path d={solid} className="fill-quiet" />
      <path d={core} className="fill-sunken" />
    </svg>
  );
}
