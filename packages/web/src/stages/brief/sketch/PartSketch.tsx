import { findPartModel, LAYER_NORMAL, orientationName } from '@anvilstone/core/shapes';
import type { BuildOrientation, PartGeometry } from '@anvilstone/schema';
import { useId, useMemo, type ReactElement } from 'react';
import { ArmSketch, BeamSketch, SectionAtPlaneSketch, ShaftSketch, StrutSketch, TieSketch } from './bars.tsx';
import { FlangeSketch, HotContactSketch, PadSketch } from './contacts.tsx';
import { BracketSketch, FlexureSketch, LugSketch, SnapSketch } from './members.tsx';
import { VIEW } from './pieces.tsx';
import { GearSketch, PlateSketch, RingSketch } from './rounds.tsx';
import { SketchContext, type SketchSettings } from './SketchContext.ts';

function drawingOf(part: PartGeometry): ReactElement {
  switch (part.model) {
    case 'cantilever-arm':
      return <ArmSketch part={part} />;
    case 'beam':
      return <BeamSketch part={part} />;
    case 'tie':
      return <TieSketch part={part} />;
    case 'strut':
      return <StrutSketch part={part} />;
    case 'wall-bracket':
      return <BracketSketch part={part} />;
    case 'pinned-lug':
      return <LugSketch part={part} />;
    case 'snap-hook':
      return <SnapSketch part={part} />;
    case 'flexure':
      return <FlexureSketch part={part} />;
    case 'ring':
      return <RingSketch part={part} />;
    case 'plate':
      return <PlateSketch part={part} />;
    case 'torsion-shaft':
      return <ShaftSketch part={part} />;
    case 'gear-tooth':
      return <GearSketch part={part} />;
    case 'elastomer-pad':
      return <PadSketch part={part} />;
    case 'bolted-flange':
      return <FlangeSketch part={part} />;
    case 'hot-contact':
      return <HotContactSketch part={part} />;
    case 'section-at-plane':
      return <SectionAtPlaneSketch part={part} />;
  }
}

/** “XY flat: layers stacked in the direction of the load.” */
export function layersInWords(
  part: PartGeometry,
  orientation: BuildOrientation,
  name = orientationName(part, orientation),
): string {
  return `${name}: layers stacked ${findPartModel(part.model).axes[LAYER_NORMAL[orientation]]}.`;
}

/** A part model drawn from the side, with its load, layers, dimensions to drag, and the place that governs. */
export function PartSketch({
  part,
  orientation,
  bare = false,
  governs,
  label = String,
  load = '',
  onDimension,
  title,
}: {
  part: PartGeometry;
  orientation: BuildOrientation;
  title: string;
} & Partial<Omit<SketchSettings, 'id' | 'orientation'>>) {
  const id = useId();
  const settings = useMemo(
    () => ({ id, orientation, bare, governs, label, load, onDimension }),
    [id, orientation, bare, governs, label, load, onDimension],
  );
  return (
    <SketchContext value={settings}>
      <svg
        viewBox={bare ? '30 0 500 240' : `0 0 ${VIEW.width} ${VIEW.height}`}
        className="w-full"
        role={bare ? 'presentation' : 'group'}
        aria-label={title}
      >
        <defs>
          <pattern id={`${id}-ground`} width="7" height="7" patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
            <line y2="7" className="stroke-line-strong" />
          </pattern>
          <pattern id={`${id}-along`} width="6" height="6" patternUnits="userSpaceOnUse">
            <line x2="6" y1="3" y2="3" className="stroke-line-strong stroke-[0.8]" />
          </pattern>
          <pattern id={`${id}-upright`} width="6" height="6" patternUnits="userSpaceOnUse">
            <line x1="3" x2="3" y2="6" className="stroke-line-strong stroke-[0.8]" />
          </pattern>
          <pattern id={`${id}-none`} width="6" height="6" patternUnits="userSpaceOnUse" />
        </defs>
        {drawingOf(part)}
      </svg>
    </SketchContext>
  );
}
