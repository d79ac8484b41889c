import type { Tilt } from '@anvilstone/core/evaluation';

import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { ChartFigure } from '../../charts/ChartFigure.tsx';
import { Loading } from '../../ui/Loading.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { TiltControl } from './TiltControl.tsx';
import { useTilt } from './useTilt.ts';
import { WaysTable } from './WaysTable.tsx';
import { useSay } from '../../ui/useSay.ts';

/** Every check in every build orientation, the layers at any tilt between, and what each takes to print. */
export function WayUpTab({ gradeId }: { gradeId: string }) {
  const { brief, library } = usePartContext();
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  const [tilt, setTilt] = useTilt();
  const { towards } = tilt;
  const computed = useAnswer(library, 'ways', [brief, gradeId, tilt]);
  const ways = computed.value;
  const { value: sweep } = useAnswer(library, 'tiltSweep', [brief, gradeId, towards]);
  const { value: angle } = useAnswer(library, 'angleChart', [brief, gradeId, units]);
  if (!ways && computed.state === 'failed')
    return (
      <p role="alert" className="rounded border border-line bg-surface p-4 text-fail">
        The build orientations cannot be calculated: {computed.message}
      </p>
    );
  if (!ways) return <Loading what="the build orientations" />;
  return (
    <div className="grid grid-cols-[minmax(0,7fr)_minmax(0,5fr)] narrow:grid-cols-1 gap-4">
      <div className="min-w-0">
        <p className="mb-2 text-base" role="status">
          <strong className="font-semibold">Recommended: </strong>
          {say(ways.reason)}
        </p>
        <WaysTable found={ways} gradeId={gradeId} />
        <p className="mt-2 text-xs text-quiet">
          Height, footprint and support are of the box around the part; cavities and overhangs come on top. Calculated
          from the evidence at hand; this does not approve a part.
        </p>
      </div>
      <div className="flex min-w-0 flex-col gap-3">
        <TiltControl part={brief.part} tilt={tilt} onChange={(next: Tilt) => setTilt(next)} />
        {sweep && <ChartFigure chart={{ ...sweep, marks: [...sweep.marks, { label: 'tilted', x: tilt.degrees }] }} />}
        {angle && <ChartFigure chart={angle} />}
      </div>
    </div>
  );
}
