import { usePartContext } from '../../parts/partContext.ts';
import { orientationChoices } from '../../../ui/orientationChoices.ts';
import { findCheck } from '@anvilstone/core/checks';
import { sizeWords } from '@anvilstone/core/decisions';
import { definitionOf, formatReserve, fromCanonical, inSentence, inWords } from '@anvilstone/core/foundations';
import { findPartModel, orientationInFeature, orientationName, partBody, withPart } from '@anvilstone/core/shapes';
import type { Brief, BuildOrientation, Feature } from '@anvilstone/schema';
import { useCallback, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { Panel } from '../../../ui/Panel.tsx';
import { useEdit } from '../editBrief.ts';
import { GeometryFields } from './GeometryFields.tsx';
import { withDimension } from './geometryEdit.ts';
import { ModelChooser } from './ModelChooser.tsx';
import { layersInWords, PartSketch } from '../sketch/PartSketch.tsx';
import { useGoverningPlace } from '../useGoverningPlace.ts';

/** The part's shape: a sketch with its load, layers and dimensions to drag, and a field for each of them. */
export function ShapePanel({ brief, feature }: { brief: Brief; feature?: Feature | undefined }) {
  const edit = useEdit();
  const [shown, setShown] = useState<BuildOrientation>('XZ');
  const { part } = brief;
  const model = findPartModel(part.model);
  const units = useAppSelector((state) => state.settings.units);
  const unit = definitionOf('length')[units];
  const governing = useGoverningPlace(shown, feature?.id);
  const setDimension = useCallback(
    (pointer: string, value: unknown, gesture = 'typed') =>
      edit(refitted(brief, pointer, value), `part${pointer} ${gesture}`),
    [edit, brief],
  );
  const label = useCallback((mm: number) => String(Number(fromCanonical(mm, unit, 'length').toPrecision(4))), [unit]);
  const { part: whole } = usePartContext().brief;
  // The part is built one way; a feature that lies across it is not.
  const built = feature ? orientationInFeature(feature, shown) : shown;
  const name = orientationName(whole, shown);
  const first = brief.loadCases[0]!;
  const more = brief.loadCases.length - 1;
  return (
    <Panel
      title={`It ${model.does}`}
      aside={
        <div className="flex items-center gap-3 print:hidden">
          <OrientationPicker part={whole} shown={shown} onShow={setShown} />
          <ModelChooser
            chosen={part.model}
            onChoose={(chosen) => chosen.id !== part.model && edit(withPart(brief, chosen.start), 'model')}
          />
        </div>
      }
    >
      <figure>
        <PartSketch
          part={part}
          orientation={built}
          governs={governing?.placeId}
          label={label}
          load={`${sizeWords(first, units)}${more > 0 ? ` (+${more} load case${more === 1 ? '' : 's'})` : ''}`}
          onDimension={setDimension}
          title={`${model.title}, built ${name}. Its dimensions can be changed with the handles or the fields below.`}
        />
        <figcaption className="text-xs text-quiet">
          {layersInWords(part, built, name)} Dimensions in {units === 'metric' ? 'millimetres' : 'inches'}.{' '}
          {governing && (
            <span className="text-ember">
              Ringed: governing location for {governing.gradeName} in this orientation,{' '}
              {placeTitle(part, governing.placeId)}: {inSentence(findCheck(governing.checkId)?.title)}{' '}
              {formatReserve(governing.reserve)}.
            </span>
          )}
        </figcaption>
      </figure>
      <GeometryFields part={part} onChange={setDimension} />
    </Panel>
  );
}

/** A change of the shape may change what the loads are measured in: a ring that is pinched takes newtons, a pressed one a pressure. */
function refitted(brief: Brief, pointer: string, value: unknown): Brief {
  const part = withDimension(brief.part, pointer, value);
  return typeof value === 'string' ? withPart(brief, part) : { ...brief, part };
}

function placeTitle(part: Brief['part'], placeId: string): string {
  try {
    if (placeId === 'movement') return inSentence(inWords(partBody(part).movement.title));
    const { places, buckling } = partBody(part).responses.depth;
    const found = places.find((place) => place.id === placeId) ?? buckling.find((one) => one.id === placeId);
    return inSentence(found?.title ?? '');
  } catch {
    return '';
  }
}

function OrientationPicker({
  part,
  shown,
  onShow,
}: {
  part: Brief['part'];
  shown: BuildOrientation;
  onShow: (orientation: BuildOrientation) => void;
}) {
  return (
    <div role="group" aria-label="Layers shown in the sketch" className="flex items-center gap-1 text-xs">
      <span className="text-quiet">Layers:</span>
      {orientationChoices(part).map(({ value: id, label }) => (
        <button
          key={id}
          type="button"
          aria-pressed={shown === id}
          className={`rounded border px-2 py-0.5 whitespace-nowrap ${shown === id ? 'border-ink bg-ink text-ground' : 'border-line'}`}
          onClick={() => onShow(id)}
        >
          {label}
        </button>
      ))}
    </div>
  );
}
