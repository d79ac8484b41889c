import { LOAD_KIND_WORDS } from '@anvilstone/core/decisions';
import { layersUnderLoads, type LayerLoading } from '@anvilstone/core/evaluation';
import { builtAs, findPartModel, orientationInFeature, orientationsByName, partBody } from '@anvilstone/core/shapes';
import { useContext } from 'react';
import { usePartContext } from '../../parts/partContext.ts';
import { BriefLensContext } from '../briefLens.ts';
import {
  LOAD_KINDS,
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type LoadCase,
  type LoadKind,
} from '@anvilstone/schema';
import { Button } from '../../../ui/Button.tsx';
import { Choice, TextField, Tick } from '../../../ui/fields.tsx';
import { duration } from '../../../ui/amount.ts';
import { useEdit } from '../editBrief.ts';
import { LimitFields } from '../shape/LimitFields.tsx';
import { LoadQuantity, type ChangeLoad } from './LoadQuantity.tsx';
import { UsualLoads } from './UsualLoads.tsx';

/** One load: what it is, how large, how long or how often, how warm, and what it must not do. */
export function LoadFields({
  brief,
  index,
  onChange,
  onKind,
  onRemove,
}: {
  brief: Brief;
  index: number;
  onChange: ChangeLoad;
  onKind: (kind: LoadKind) => void;
  onRemove: (() => void) | undefined;
}) {
  const loadCase = brief.loadCases[index]!;
  const takes = findPartModel(brief.part.model).takes(brief.part);
  const kind = loadCase.kind ?? 'lasting';
  const common = { loadCase, index, onChange };
  return (
    <fieldset className="border-l-3 border-line pl-3">
      <legend className="sr-only">{loadCase.name}</legend>
      <div className="grid grid-cols-4 narrow:grid-cols-2 gap-3">
        <div className="col-span-4 narrow:col-span-2 grid grid-cols-[3fr_2.6fr_2fr] narrow:grid-cols-1 gap-3">
          <TextField
            label="Load"
            value={loadCase.name}
            maxLength={200}
            error={loadCase.name.trim() === '' ? 'A name is needed before it can be saved.' : undefined}
            onChange={(name) => onChange({ name }, 'name')}
          />
          <Choice
            label="Load type"
            value={kind}
            options={LOAD_KINDS.filter((one) => takes[one]).map((one) => ({
              value: one,
              label: LOAD_KIND_WORDS[one].title,
            }))}
            onChange={onKind}
          />
          <Direction brief={brief} loadCase={loadCase} onChange={onChange} />
        </div>
        <p className="col-span-4 narrow:col-span-2 -mt-2 text-xs text-quiet">
          {LOAD_KIND_WORDS[kind].means} <Layers brief={brief} index={index} />
        </p>
        <Size
          {...common}
          size={takes[kind] ?? 'forceN'}
          isPreload={brief.part.model === 'bolted-flange' && kind === 'held'}
        />
        {takesShock(takes[kind]) && kind !== 'lasting' && (
          <LoadQuantity
            {...common}
            field="shockFactor"
            label="Shock factor"
            hint="2 = put on suddenly; empty = 1"
            optional
          />
        )}
        <Times {...common} brief={brief} kind={kind} />
        <LoadQuantity {...common} field="temperatureC" label="Part temperature" />
        <LoadQuantity {...common} field="safetyFactor" label="Safety factor on strength" />
        <LimitFields {...common} part={brief.part} kind={kind} />
      </div>
      <div className="mt-1 flex items-center justify-between gap-4">
        <Tick
          label="Also acts at the continuous and peak temperature"
          checked={loadCase.actsWhenHot}
          onChange={(actsWhenHot) => onChange({ actsWhenHot }, 'hot')}
        />
        <div className="flex gap-2">
          <UsualLoads size={takes[kind]} onChoose={(change) => onChange(change, 'usual')} />
          {onRemove && (
            <Button look="quiet" aria-label={`Remove ${loadCase.name}`} onClick={onRemove}>
              Remove
            </Button>
          )}
        </div>
      </div>
    </fieldset>
  );
}

/** Only parts that bend about either axis are asked which way the load goes. */
function Direction({ brief, loadCase, onChange }: { brief: Brief; loadCase: LoadCase; onChange: ChangeLoad }) {
  let both = false;
  try {
    both = partBody(brief.part).responses.width !== undefined;
  } catch {
    // A dimension that cannot be used is marked at its field.
  }
  if (!both) return <span />;
  return (
    <Choice
      label="Direction"
      value={loadCase.direction ?? 'depth'}
      options={[
        { value: 'depth', label: 'Along the depth' },
        { value: 'width', label: 'Sideways' },
      ]}
      onChange={(direction) => onChange({ direction: direction === 'depth' ? undefined : direction }, 'direction')}
    />
  );
}

const LAYER_WORDS: Record<LayerLoading, string> = {
  within: 'along the layers',
  slides: 'shears the layers',
  slants: 'at an angle to the layers',
  'pulls-apart': 'pulls the layers apart',
};

/** What this load does to the layers in each build orientation that is allowed. */
function Layers({ brief, index }: { brief: Brief; index: number }) {
  const { brief: whole } = usePartContext();
  const featureId = useContext(BriefLensContext)?.featureId;
  const feature = whole.features?.find(({ id }) => id === featureId);
  let loadings: Record<BuildOrientation, LayerLoading> | undefined;
  try {
    loadings = layersUnderLoads(brief)[index];
  } catch {
    // What cannot be used is marked at its field.
  }
  if (!loadings) return null;
  const allowed = brief.asks.orientations ?? ORIENTATIONS;
  const shown = orientationsByName(whole.part).filter((one) => allowed.includes(one));
  // The part is built one way; a feature that lies across it is not.
  const inModel = (one: BuildOrientation) => (feature ? orientationInFeature(feature, one) : one);
  return (
    <>
      Relative to the layers:{' '}
      {shown.map((one) => `${builtAs(whole.part, one)} ${LAYER_WORDS[loadings[inModel(one)]]}`).join(', ')}.
    </>
  );
}

const takesShock = (size: string | undefined) => size === 'forceN' || size === 'torqueNmm' || size === 'pressureMPa';

const SIZE_LABELS = {
  forceN: 'Force',
  torqueNmm: 'Torque',
  pressureMPa: 'Pressure',
  displacementMm: 'Imposed displacement',
  angleDeg: 'Imposed rotation',
} as const;

function Size({
  size,
  isPreload,
  ...common
}: {
  loadCase: LoadCase;
  index: number;
  onChange: ChangeLoad;
  size: keyof typeof SIZE_LABELS | 'knock';
  isPreload: boolean;
}) {
  const { loadCase, onChange } = common;
  if (size !== 'knock') {
    return <LoadQuantity {...common} field={size} label={isPreload ? 'Preload as tightened' : SIZE_LABELS[size]} />;
  }
  const falls = loadCase.energyJ === undefined;
  return (
    <>
      <Choice
        label="Given as"
        value={falls ? 'fall' : 'energy'}
        options={[
          { value: 'energy', label: 'Energy' },
          { value: 'fall', label: 'A falling mass' },
        ]}
        onChange={(how) =>
          onChange(
            how === 'fall'
              ? { energyJ: undefined, fallingMassG: 500, dropHeightMm: 200 }
              : { energyJ: 1, fallingMassG: undefined, dropHeightMm: undefined },
            'knock',
          )
        }
      />
      {falls ? (
        <>
          <LoadQuantity {...common} field="fallingMassG" label="Mass" />
          <LoadQuantity {...common} field="dropHeightMm" label="Drop height" />
        </>
      ) : (
        <LoadQuantity {...common} field="energyJ" label="Energy" />
      )}
      <LoadQuantity
        {...common}
        field="strikeSpeedMPerS"
        label="Impact speed"
        hint={falls ? 'empty = as it falls' : 'empty = hand tool'}
        optional
      />
    </>
  );
}

/** A rate counts through the service life, which the brief then has to state. */
const countedByRate = (brief: Brief, index: number): Brief => ({
  ...brief,
  loadCases: brief.loadCases.map((load, i) => {
    if (i !== index) return load;
    const { cycles: _total, ...others } = load;
    return { ...others, cyclesPerH: 1 };
  }),
  asks: { ...brief.asks, lifeYears: brief.asks.lifeYears ?? 5 },
});

function Cycles({ brief, ...common }: { brief: Brief; loadCase: LoadCase; index: number; onChange: ChangeLoad }) {
  const { loadCase, index, onChange } = common;
  const edit = useEdit();
  const byRate = loadCase.cyclesPerH !== undefined;
  return (
    <>
      <Choice
        label="Cycles given as"
        value={byRate ? 'rate' : 'total'}
        options={[
          { value: 'total', label: 'Total cycles' },
          { value: 'rate', label: 'Rate and service life' },
        ]}
        onChange={(how) =>
          how === 'rate'
            ? edit(countedByRate(brief, index), 'cycles')
            : onChange({ cycles: 10000, cyclesPerH: undefined, onShare: undefined }, 'cycles')
        }
      />
      {byRate ? (
        <>
          <LoadQuantity {...common} field="cyclesPerH" label="Rate" hint="“3/min” or “20/day” can be typed" />
          <LoadQuantity
            {...common}
            field="onShare"
            label="Duty cycle"
            hint="share of the time; empty = always"
            optional
          />
        </>
      ) : (
        <LoadQuantity {...common} field="cycles" label="Cycles" hint="1e6 can be typed" />
      )}
      <LoadQuantity {...common} field="stressRatio" label="Stress ratio R" hint="0 = on and off, −1 = fully reversed" />
    </>
  );
}

function Times({
  kind,
  brief,
  ...common
}: {
  brief: Brief;
  loadCase: LoadCase;
  index: number;
  onChange: ChangeLoad;
  kind: LoadKind;
}) {
  const { loadCase } = common;
  if (kind === 'knock') return null;
  if (kind === 'repeated') return <Cycles {...common} brief={brief} />;
  return (
    <>
      <LoadQuantity
        {...common}
        field="durationH"
        label={kind === 'held' ? 'Held for' : 'Duration'}
        hint={`${duration(loadCase.durationH)}; “2 years” or “30 s” can be typed`}
      />
      {kind === 'lasting' && (
        <LoadQuantity {...common} field="onShare" label="Duty cycle" hint="empty = continuous" optional />
      )}
      {kind === 'lasting' && loadCase.onShare !== undefined && (
        <LoadQuantity {...common} field="onEachH" label="On-time per cycle" hint="empty = in one stretch" optional />
      )}
    </>
  );
}
