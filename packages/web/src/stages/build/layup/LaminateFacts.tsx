import { formatNumber as f, type LineChart, type UnitSystem } from '@anvilstone/core/foundations';
import { CRITERION_WORDS, type LaminateReport, type LoadReport } from '@anvilstone/core/shapes';
import { useAppSelector } from '../../../sync/store/store.ts';
import { ChartFigure } from '../../../charts/ChartFigure.tsx';
import { amount } from '../../../ui/amount.ts';
import { Panel } from '../../../ui/Panel.tsx';
import { LoopFacts } from './LoopFacts.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { useSay } from '../../../ui/useSay.ts';

/** What a layup is and bears; warnings first. */
export function LaminateFacts({ report }: { report: LaminateReport }) {
  const units = useAppSelector((state) => state.settings.units);
  const say = useSay();
  const { inPlane, bending } = report;
  const rows: [string, number, number][] = [
    ['Ex, MPa', inPlane.exMPa, bending.exMPa],
    ['Ey, MPa', inPlane.eyMPa, bending.eyMPa],
    ['Gxy, MPa', inPlane.gxyMPa, bending.gxyMPa],
    ['νxy', inPlane.nuxy, bending.nuxy],
  ];
  const chart: LineChart = {
    id: 'modulus-around-angle',
    title: 'Modulus by direction',
    notes: [],
    x: { title: 'Direction from x', dimension: 'angle' },
    y: { title: 'Modulus in plane', dimension: 'stress' },
    lines: [
      {
        letter: 'a',
        name: report.name,
        points: report.aroundAngle.map(({ angleDeg, exMPa }) => ({ x: angleDeg, y: exMPa })),
      },
    ],
    needs: [],
    limits: [],
    marks: [],
  };
  return (
    <div className="flex flex-col gap-4">
      <Panel title={`${report.plies.length} plies, ${amount(report.thicknessMm, 'mm', units)}`}>
        <ul className="mb-3 list-disc pl-4 text-sm text-unknown">
          {report.warnings.map((warning) => (
            <li key={say(warning)}>{say(warning)}</li>
          ))}
          {report.thermalBowMm && (
            <li className="text-ink">
              Laid free, {amount(100, 'mm', units)} of it bow by {bow(report.thermalBowMm.x, units)} along x and{' '}
              {bow(report.thermalBowMm.y, units)} along y over {f(report.deltaTK ?? 0)} K.
            </li>
          )}
        </ul>
        <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
          <TableHead headings={['As one material', 'In plane', 'Bent']} />
          <tbody>
            {rows.map(([title, plane, bent]) => (
              <tr key={title} className="border-b border-line last:border-0">
                <th scope="row" className="px-3 py-1 text-left font-normal">
                  {title}
                </th>
                <td className="px-3 py-1">{f(plane, 4)}</td>
                <td className="px-3 py-1">{f(bent, 4)}</td>
              </tr>
            ))}
          </tbody>
        </table>
        <Matrices report={report} />
      </Panel>
      {report.loads.map((load) => (
        <LoadPanel key={load.name} load={load} plies={report.plies} />
      ))}
      {report.loops.length > 0 && <LoopFacts loops={report.loops} />}
      <ChartFigure chart={chart} />
    </div>
  );
}

/** Less than a thousandth of a millimetre is no bow. */
const bow = (mm: number, units: UnitSystem) => amount(Math.abs(mm) < 1e-3 ? 0 : mm, 'mm', units);

function Matrices({ report }: { report: LaminateReport }) {
  return (
    <details className="mt-2 text-xs">
      <summary className="text-quiet">Stiffness matrices A (N/mm), B (N), D (N·mm)</summary>
      <div className="mt-1 grid grid-cols-3 narrow:grid-cols-2 gap-3">
        {(['a', 'b', 'd'] as const).map((name) => (
          <table key={name} aria-label={`Matrix ${name.toUpperCase()}`}>
            <tbody>
              {report[name].map((row, i) => (
                <tr key={i}>
                  {row.map((value, k) => (
                    <td key={k} className="px-1 text-right">
                      {f(value, 4)}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        ))}
      </div>
    </details>
  );
}

const MODE_WORDS = {
  'fibre-tension': 'along, tension',
  'fibre-compression': 'along, compression',
  'matrix-tension': 'across, tension',
  'matrix-compression': 'across, compression',
  shear: 'sheared',
} as const;

function LoadPanel({ load, plies }: { load: LoadReport; plies: LaminateReport['plies'] }) {
  return (
    <Panel title={`When it gives way: ${load.name}`}>
      {load.failures.length === 0 && <p className="text-quiet">This load causes no stress.</p>}
      {load.failures.length > 0 && (
        <>
          <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
            <TableHead
              headings={['Criterion', 'First-ply failure, × load', 'Failing ply', 'Last-ply failure, × load']}
            />
            <tbody>
              {load.failures.map(({ criterion, firstPly, lastPlyRatio }) => (
                <tr key={criterion} className="border-b border-line last:border-0">
                  <th scope="row" className="px-3 py-1 text-left font-normal">
                    {CRITERION_WORDS[criterion]}
                  </th>
                  <td className="px-3 py-1 font-semibold">
                    {firstPly.atRatio > 0 ? f(firstPly.atRatio, 3) : '0: fails from temperature alone'}
                  </td>
                  <td className="px-3 py-1">
                    ply {firstPly.ply + 1} ({f(plies[firstPly.ply]!.angleDeg)}°), {MODE_WORDS[firstPly.mode]}
                  </td>
                  <td className="px-3 py-1">{f(lastPlyRatio, 3)}</td>
                </tr>
              ))}
            </tbody>
          </table>
          <p className="mt-1 text-sm">
            {load.disagreementPct < 1
              ? 'The three criteria agree on the first ply.'
              : `The three criteria differ by ${f(load.disagreementPct, 2)} % on the first ply: take the least, and prove it.`}
          </p>
        </>
      )}
      <details className="mt-2 text-xs">
        <summary className="text-quiet">Stresses of every ply, its own axes, MPa</summary>
        <table className="mt-1 w-full">
          <thead>
            <tr className="text-left text-quiet">
              {['Ply', 'Angle', 'Face', 'Height, mm', 'Along σ₁', 'Across σ₂', 'Shear τ₁₂'].map((title) => (
                <th key={title} scope="col" className="font-normal">
                  {title}
                </th>
              ))}
            </tr>
          </thead>
          <tbody>
            {load.stresses.map((one, i) => (
              <tr key={i} className="border-t border-line">
                <td>{one.ply + 1}</td>
                <td>{f(plies[one.ply]!.angleDeg)}°</td>
                <td>{one.face}</td>
                <td>{f(one.zMm, 3)}</td>
                <td>{f(one.sigma1MPa, 3)}</td>
                <td>{f(one.sigma2MPa, 3)}</td>
                <td>{f(one.tau12MPa, 3)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      </details>
    </Panel>
  );
}
