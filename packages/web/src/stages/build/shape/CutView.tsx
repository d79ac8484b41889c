import { formatQuantity } from '@anvilstone/core/foundations';
import {
  withPart,
  sectionPathOf,
  sectionSvg,
  SPACE_AXES,
  type MeshCut,
  type MeshLoad,
  type SpaceAxis,
} from '@anvilstone/core/shapes';
import type { GeometryOf } from '@anvilstone/schema';
import { proxy } from 'comlink';
import { lazy, Suspense, useCallback, useId, useMemo, useState } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { useEdit } from '../../brief/editBrief.ts';
import { saveFile } from '../../../charts/saveFile.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { Button } from '../../../ui/Button.tsx';
import { Choice } from '../../../ui/fields.tsx';
import { QuantityField } from '../../../ui/QuantityField.tsx';
import { CutsChart } from './CutsChart.tsx';
import { shownForce } from './shownForce.ts';
import { useAsked } from './useAsked.ts';
import type { OpenMesh } from './useMesh.ts';

// three is heavy and wanted only here.
const MeshViewer = lazy(async () => ({ default: (await import('./MeshViewer.tsx')).MeshViewer }));

/** Enough that no waist is missed, few enough for a million triangles. */
const CUTS = 60;
const AXES = [0, 1, 2] as const;
const axisOptions = (not?: SpaceAxis) =>
  AXES.filter((axis) => axis !== not).map((axis) => ({ value: String(axis), label: SPACE_AXES[axis] }));

/** The mesh with a plane through it, what the plane cuts, and how stressed every other plane would be. */
export function CutView({ mesh }: { mesh: OpenMesh }) {
  const { report, engine } = mesh;
  const { brief } = usePartContext();
  const edit = useEdit();
  const under = useMemo(() => shownForce(brief), [brief]);
  const size = useMemo(() => AXES.map((axis) => report.highMm[axis] - report.lowMm[axis]), [report]);
  const [load, setLoad] = useState<MeshLoad>(() => startOf(size, report.highMm));
  const { along } = load;
  const [low, high] = [report.lowMm[along], report.highMm[along]];
  const [up, setUp] = useState<SpaceAxis>(2);
  const [atMm, setAtMm] = useState(() => low + 0.0137 * (high - low));
  const askCut = useCallback(() => engine.cut(load, atMm), [engine, load, atMm]);
  const cut = useAsked(askCut);
  const [share, setShare] = useState(0);
  const askCuts = useCallback(() => engine.cuts(load, CUTS, proxy(setShare)), [engine, load]);
  const cuts = useAsked(askCuts);
  const change = (next: Partial<MeshLoad>) => {
    const changed = { ...load, ...next };
    if (next.along !== undefined) {
      changed.loadAtMm = changed.held === 'low' ? report.highMm[next.along] : report.lowMm[next.along];
      if (changed.push === next.along) changed.push = AXES.find((axis) => axis !== next.along)!;
      setAtMm(report.lowMm[next.along] + 0.0137 * size[next.along]!);
    }
    if (next.held !== undefined) changed.loadAtMm = next.held === 'low' ? high : low;
    setLoad(changed);
  };
  const worst = cuts.value?.worst;
  const take = (found: MeshCut) => {
    const part: GeometryOf<'section-at-plane'> = {
      model: 'section-at-plane',
      section: found.geometry,
      leverMm: Number(found.leverMm.toFixed(3)),
      pullShare: 0,
      volumeMm3: Number(report.volumeMm3.toFixed(1)),
      lengthMm: Number((high - low).toFixed(3)),
    };
    edit(withPart(brief, part), 'mesh cut');
  };
  return (
    <div className="grid grid-cols-[minmax(0,6fr)_minmax(0,5fr)] narrow:grid-cols-1 gap-4">
      <div className="flex min-w-0 flex-col gap-3">
        <Suspense fallback={<div className="h-96 rounded-md border border-line bg-surface" />}>
          <MeshViewer
            mesh={mesh}
            load={load}
            atMm={atMm}
            cut={cut.value}
            up={up}
            onPick={(point) => setAtMm(point[along])}
          />
        </Suspense>
        <div className="grid grid-cols-5 narrow:grid-cols-2 gap-3 print:hidden">
          <Choice
            label="Part axis"
            value={String(along)}
            options={axisOptions()}
            onChange={(value) => change({ along: Number(value) as SpaceAxis })}
          />
          <Choice
            label="Load direction"
            value={String(load.push)}
            options={axisOptions(along)}
            onChange={(value) => change({ push: Number(value) as SpaceAxis })}
          />
          <Choice
            label="Fixed end"
            value={load.held}
            options={[
              { value: 'low', label: `least ${SPACE_AXES[along]}` },
              { value: 'high', label: `largest ${SPACE_AXES[along]}` },
            ]}
            onChange={(held) => change({ held })}
          />
          <Choice
            label="Build direction"
            value={String(up)}
            options={axisOptions()}
            onChange={(value) => setUp(Number(value) as SpaceAxis)}
          />
          <QuantityField
            label={`Load position, ${SPACE_AXES[along]}`}
            dimension="length"
            value={load.loadAtMm}
            bounds={{ minimum: low, maximum: high }}
            onChange={(loadAtMm) => change({ loadAtMm })}
          />
        </div>
        <CutSlider axis={SPACE_AXES[along]} low={low} high={high} atMm={atMm} onChange={setAtMm} />
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        <CutFacts
          cut={cut.value}
          under={under}
          problem={cut.problem}
          name={mesh.file.name}
          onTake={take}
          closed={report.watertight}
        />
        <CutsChart
          cuts={cuts.value?.cuts}
          share={cuts.waiting ? share : 1}
          axis={SPACE_AXES[along]}
          atMm={atMm}
          under={under}
          {...(worst ? { onWorst: () => setAtMm(worst.atMm), worstMm: worst.atMm } : {})}
        />
      </div>
    </div>
  );
}

/** The longest side is taken for the length, and a push along the next axis that is not it. */
function startOf(size: readonly number[], highMm: readonly number[]): MeshLoad {
  const along = size.indexOf(Math.max(...size)) as SpaceAxis;
  const push = along === 2 ? 0 : 2;
  return { along, push, loadAtMm: highMm[along]!, held: 'low' };
}

function CutSlider({
  axis,
  low,
  high,
  atMm,
  onChange,
}: {
  axis: string;
  low: number;
  high: number;
  atMm: number;
  onChange: (mm: number) => void;
}) {
  const id = useId();
  return (
    <div className="flex items-end gap-3 print:hidden">
      <label htmlFor={id} className="min-w-0 grow">
        <span className="block text-xs text-quiet">Cut across {axis} at</span>
        <input
          id={id}
          type="range"
          min={low}
          max={high}
          step={(high - low) / 1000}
          value={atMm}
          className="w-full accent-ember"
          onChange={(event) => onChange(Number(event.target.value))}
        />
      </label>
      <div className="w-32">
        <QuantityField
          label="Position of the cut"
          dimension="length"
          value={atMm}
          bounds={{ minimum: low, maximum: high }}
          onChange={onChange}
        />
      </div>
    </div>
  );
}

function CutFacts({
  cut,
  under,
  problem,
  name,
  closed,
  onTake,
}: {
  cut: MeshCut | undefined;
  under: { forceN: number; of: string };
  problem: string | undefined;
  name: string;
  closed: boolean;
  onTake: (cut: MeshCut) => void;
}) {
  const units = useAppSelector((state) => state.settings.units);
  if (problem !== undefined)
    return (
      <section aria-label="The cut" className="rounded-md border border-line bg-surface p-4">
        <p role="alert" className="text-fail">
          {problem}
        </p>
      </section>
    );
  if (!cut) return null;
  const { beam, section } = cut;
  const rows: [string, string][] = [
    ['Area', formatQuantity(beam.areaMm2, 'area', units, 4)],
    ['Second moment, bent by the load', formatQuantity(beam.secondMomentMm4, 'secondMoment', units, 4)],
    [
      'Largest and smallest, principal',
      `${formatQuantity(section.principal.largestMm4, 'secondMoment', units, 4)}, ${formatQuantity(section.principal.smallestMm4, 'secondMoment', units, 4)}`,
    ],
    [
      'Depth × width',
      `${formatQuantity(beam.depthMm, 'length', units, 4)} × ${formatQuantity(beam.widthMm, 'length', units, 4)}`,
    ],
    ['Outer fibre from its middle', formatQuantity(beam.extremeFibreMm, 'length', units, 4)],
    ['Lever arm', cut.leverMm > 0 ? formatQuantity(cut.leverMm, 'length', units, 4) : 'none: beyond the load'],
    [
      `Bending stress under ${under.of}`,
      cut.leverMm > 0 ? formatQuantity(under.forceN * cut.stressPerN, 'stress', units, 3) : '–',
    ],
  ];
  return (
    <section aria-label="The cut" className="rounded-md border border-line bg-surface p-4">
      <div className="flex gap-4">
        <SectionPicture cut={cut} />
        <dl className="grid grow grid-cols-[auto_auto] gap-x-3 gap-y-0.5 self-start text-sm">
          {rows.map(([title, value]) => (
            <div key={title} className="contents">
              <dt className="text-quiet">{title}</dt>
              <dd className="text-right font-semibold">{value}</dd>
            </div>
          ))}
        </dl>
      </div>
      <div className="mt-3 flex items-center gap-2 print:hidden">
        <Button look="primary" disabled={cut.leverMm <= 0 || !closed} onClick={() => onTake(cut)}>
          Apply this cut to the brief
        </Button>
        <Button
          look="quiet"
          onClick={() =>
            saveFile('section.svg', 'image/svg+xml', sectionSvg(section, `${name}, cut at ${cut.atMm.toFixed(2)} mm`))
          }
        >
          SVG
        </Button>
        <span className="text-xs text-quiet">
          {closed
            ? 'Becomes “any shape, at one cut”: section, lever, volume. Undo takes it back.'
            : 'The mesh is open, so its volume and mass cannot be trusted: mend it first.'}
        </span>
      </div>
    </section>
  );
}

function SectionPicture({ cut: { section } }: { cut: MeshCut }) {
  const points = section.loops.flat();
  const us = points.map(([u]) => u);
  const vs = points.map(([, v]) => -v);
  const bounds = (values: readonly number[]) => [
    values.reduce((a, b) => Math.min(a, b)),
    values.reduce((a, b) => Math.max(a, b)),
  ];
  const [left, right] = bounds(us) as [number, number];
  const [top, bottom] = bounds(vs) as [number, number];
  const margin = 0.05 * Math.max(right - left, bottom - top);
  return (
    <svg
      viewBox={`${left - margin} ${top - margin} ${right - left + 2 * margin} ${bottom - top + 2 * margin}`}
      className="h-44 w-40 shrink-0"
      role="img"
      aria-label="Outline of the cut"
    >
      <path d={sectionPathOf(section)} fillRule="evenodd" className="fill-sunken stroke-ink" strokeWidth={margin / 6} />
      <circle cx={section.centroidMm[0]} cy={-section.centroidMm[1]} r={margin / 3} className="fill-ember" />
    </svg>
  );
}
