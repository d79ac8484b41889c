import { formatQuantity } from '@anvilstone/core/foundations';
import { nestingOn } from '@anvilstone/core/machines';
import { SPACE_AXES, type BedProperties, type SpaceAxis } from '@anvilstone/core/shapes';
import { useCallback } from 'react';
import { useAppSelector } from '../../../sync/store/store.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { Panel } from '../../../ui/Panel.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { useAsked } from './useAsked.ts';
import type { OpenMesh } from './useMesh.ts';
import { useSay } from '../../../ui/useSay.ts';

const AXES: readonly SpaceAxis[] = [0, 1, 2];

/** What is true of the mesh whatever cuts it: closed or not, size, thin places, how it lies and where it fits. */
export function MeshFacts({ mesh }: { mesh: OpenMesh }) {
  const { report, engine } = mesh;
  const { library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  const askThinnest = useCallback(() => engine.thinnest(), [engine]);
  const askBeds = useCallback(() => Promise.all(AXES.map((axis) => engine.bed(axis))), [engine]);
  const thinnest = useAsked(askThinnest);
  const beds = useAsked(askBeds);
  const length = (mm: number) => formatQuantity(mm, 'length', units, 4);
  const size = AXES.map((axis) => report.highMm[axis] - report.lowMm[axis]);
  const facts: [string, string][] = [
    ['Skin', report.watertight ? 'closed' : 'open: see below'],
    ['Bodies', String(report.bodies)],
    ['Triangles', report.triangles.toLocaleString('en')],
    ['Size x × y × z', size.map(length).join(' × ')],
    ['Volume', report.watertight ? formatQuantity(report.volumeMm3, 'volume', units, 5) : 'unknown: the skin is open'],
    ['Surface', formatQuantity(report.areaMm2, 'area', units, 5)],
    ['Centre of mass', report.centroidMm.map((mm) => formatQuantity(mm, 'length', units, 4)).join(', ')],
    [
      'Thinnest wall, an estimate',
      thinnest.value
        ? `${length(thinnest.value.thicknessMm)} at ${thinnest.value.atMm.map((mm) => mm.toFixed(1)).join(', ')}; from ${thinnest.value.places.toLocaleString('en')} places`
        : thinnest.waiting
          ? 'looking …'
          : 'none found',
    ],
  ];
  return (
    <div className="grid grid-cols-[minmax(0,5fr)_minmax(0,6fr)] narrow:grid-cols-1 gap-4">
      <Panel title="The mesh">
        <dl className="grid grid-cols-[auto_1fr] gap-x-4 gap-y-0.5 text-sm">
          {facts.map(([title, value]) => (
            <div key={title} className="contents">
              <dt className="text-quiet">{title}</dt>
              <dd>{value}</dd>
            </div>
          ))}
        </dl>
        {report.notes.length > 0 && (
          <ul className="mt-2 list-disc pl-4 text-sm text-unknown">
            {report.notes.map((note) => (
              <li key={say(note)}>{say(note)}</li>
            ))}
          </ul>
        )}
      </Panel>
      <Panel title="On the bed">
        {!beds.value && <p className="text-quiet">Rotating …</p>}
        {beds.value && (
          <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
            <TableHead headings={['Upright', 'Height', 'Rests on', 'Overhangs', 'Parts per bed']} />
            <tbody>
              {beds.value.map((bed, axis) => (
                <BedRow key={axis} bed={bed} axis={axis as SpaceAxis} size={size} machines={library.machines} />
              ))}
            </tbody>
          </table>
        )}
        <p className="mt-2 text-xs text-quiet">
          Overhangs: skin that leans out by more than 45° and does not rest on the bed, whichever end down has less of
          it. At once: straight rows with 5 mm between.
        </p>
      </Panel>
    </div>
  );
}

function BedRow({
  bed,
  axis,
  size,
  machines,
}: {
  bed: BedProperties & { turned: boolean };
  axis: SpaceAxis;
  size: readonly number[];
  machines: Parameters<typeof nestingOn>[0];
}) {
  const units = useAppSelector((state) => state.settings.units);
  const [shortMm, longMm] = size.filter((_, other) => other !== axis).sort((a, b) => a - b) as [number, number];
  const nesting = nestingOn(machines, { heightMm: size[axis]!, longMm, shortMm });
  const fits = nesting.filter(({ fits: one }) => one);
  return (
    <tr className="border-b border-line align-top last:border-0">
      <th scope="row" className="px-3 py-1 text-left font-normal">
        {SPACE_AXES[axis]}
        {bed.turned ? ', upside down' : ''}
      </th>
      <td className="px-3 py-1">{formatQuantity(bed.heightMm, 'length', units, 4)}</td>
      <td className="px-3 py-1">{formatQuantity(bed.footprintMm2, 'area', units, 3)}</td>
      <td className="px-3 py-1">
        {bed.overhangMm2 < 0.01 ? 'nothing' : formatQuantity(bed.overhangMm2, 'area', units, 3)}
      </td>
      <td className="px-3 py-1">
        {fits.length === 0 ? (
          <span className="text-fail">no machine is large enough</span>
        ) : (
          fits.map(({ machineName, atOnce }) => `${machineName} ${atOnce}`).join(', ')
        )}
      </td>
    </tr>
  );
}
