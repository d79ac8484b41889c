import { fromCanonical, definitionOf } from '@anvilstone/core';
import type { Brief, BuildOrientation, SectionGeometry } from '@anvilstone/schema';
import { useState } from 'react';
import { useAppSelector } from '../app/store.ts';
import { amount } from '../ui/amount.ts';
import { Choice } from '../ui/fields.tsx';
import { Panel } from '../ui/Panel.tsx';
import { QuantityField } from '../ui/QuantityField.tsx';
import { ArmSketch } from './ArmSketch.tsx';
import { bounds } from './bounds.ts';
import { useEdit, useIssue } from './editBrief.ts';
import { sectionDepthMm } from './sectionDepth.ts';

const SECTIONS = [
  { value: 'rectangle', label: 'Solid rectangle' },
  { value: 'round', label: 'Round bar' },
  { value: 'tube', label: 'Round tube' },
] as const;

/** Another kind of section of about the same size, so that switching does not lose the proportions. */
function sectionLike(section: SectionGeometry, kind: SectionGeometry['kind']): SectionGeometry {
  const depthMm = sectionDepthMm(section);
  if (kind === section.kind) return section;
  if (kind === 'rectangle') return { kind, widthMm: depthMm, depthMm };
  return kind === 'round' ? { kind, diameterMm: depthMm } : { kind, outerDiameterMm: depthMm, wallMm: depthMm / 6 };
}

/** The part's shape: typed dimensions, and a sketch that shows them with the load and the layers. */
export function ShapePanel({ brief }: { brief: Brief }) {
  const edit = useEdit();
  const [shown, setShown] = useState<BuildOrientation>('XZ');
  const { part } = brief;
  const units = useAppSelector((state) => state.settings.units);
  const unit = definitionOf('length')[units];
  const setPart = (change: Partial<Brief['part']>, field: string) =>
    edit({ ...brief, part: { ...part, ...change } }, field);
  return (
    <Panel
      title={`Shape: an arm that holds out a load, in ${units === 'metric' ? 'millimetres' : 'inches'}`}
      aside={<OrientationPicker shown={shown} onShow={setShown} />}
    >
      <ArmSketch
        brief={brief}
        orientation={shown}
        force={amount(Math.max(...brief.loadCases.map((loadCase) => loadCase.forceN)), 'N', units)}
        label={(mm) => String(Number(fromCanonical(mm, unit, 'length').toPrecision(4)))}
      />
      <div className="mt-3 grid grid-cols-5 gap-3">
        <QuantityField
          label="Root to load"
          dimension="length"
          value={part.spanMm}
          bounds={bounds.length}
          onChange={(spanMm) => setPart({ spanMm }, 'span')}
        />
        <QuantityField
          label="Root fillet radius"
          dimension="length"
          value={part.filletRadiusMm}
          bounds={bounds.filletRadius}
          onChange={(filletRadiusMm) => setPart({ filletRadiusMm }, 'fillet')}
        />
        <Choice
          label="Section"
          value={part.section.kind}
          options={SECTIONS}
          onChange={(kind) => setPart({ section: sectionLike(part.section, kind) }, 'section')}
        />
        <SectionFields section={part.section} onChange={(section) => setPart({ section }, 'section-size')} />
      </div>
    </Panel>
  );
}

function SectionFields({
  section,
  onChange,
}: {
  section: SectionGeometry;
  onChange: (section: SectionGeometry) => void;
}) {
  const wallIssue = useIssue('/part/section/wallMm');
  const common = { dimension: 'length', bounds: bounds.length } as const;
  if (section.kind === 'rectangle') {
    return (
      <>
        <QuantityField
          {...common}
          label="Depth, along the load"
          value={section.depthMm}
          onChange={(depthMm) => onChange({ ...section, depthMm })}
        />
        <QuantityField
          {...common}
          label="Width, across it"
          value={section.widthMm}
          onChange={(widthMm) => onChange({ ...section, widthMm })}
        />
      </>
    );
  }
  if (section.kind === 'round') {
    return (
      <QuantityField
        {...common}
        label="Diameter"
        value={section.diameterMm}
        onChange={(diameterMm) => onChange({ ...section, diameterMm })}
      />
    );
  }
  return (
    <>
      <QuantityField
        {...common}
        label="Outer diameter"
        value={section.outerDiameterMm}
        onChange={(outerDiameterMm) => onChange({ ...section, outerDiameterMm })}
      />
      <QuantityField
        {...common}
        label="Wall"
        value={section.wallMm}
        error={wallIssue}
        onChange={(wallMm) => onChange({ ...section, wallMm })}
      />
    </>
  );
}

const WAYS = [
  { id: 'XY', label: 'XY flat' },
  { id: 'XZ', label: 'XZ on edge' },
  { id: 'ZX', label: 'ZX upright' },
] as const;

function OrientationPicker({
  shown,
  onShow,
}: {
  shown: BuildOrientation;
  onShow: (orientation: BuildOrientation) => void;
}) {
  return (
    <div role="group" aria-label="Layers shown in the sketch" className="flex items-center gap-1 text-xs">
      <span className="text-quiet">Layers:</span>
      {WAYS.map(({ id, label }) => (
        <button
          key={id}
          type="button"
          aria-pressed={shown === id}
          className={`rounded border px-2 py-0.5 ${shown === id ? 'border-ink bg-ink text-ground' : 'border-line'}`}
          onClick={() => onShow(id)}
        >
          {label}
        </button>
      ))}
    </div>
  );
}
