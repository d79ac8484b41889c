import { Link } from 'react-router';
import { useMachinesQuery, usePartsQuery } from '../../sync/api/api.ts';
import { useAddress } from '../../sync/address/useAddress.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Loading } from '../../ui/Loading.tsx';
import { ProblemNotice } from '../../ui/ProblemNotice.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import { useLibrary } from '../../workers/useLibrary.ts';
import { PageHead } from '../../ui/PageHead.tsx';
import { Empty } from '../../ui/Empty.tsx';
import { MachineDetails } from './MachineDetails.tsx';

const ENCLOSURE = { open: 'open frame', enclosed: 'enclosed', heated: 'heated chamber' };

/** The printers at hand and what they can do. */
export function MachinesPage() {
  const { data: records, error } = useMachinesQuery();
  const machines = records?.map(({ machine }) => machine);
  const units = useAppSelector((state) => state.settings.units);
  const { data: parts } = usePartsQuery();
  const { library } = useLibrary();
  const [search, set] = useAddress();
  const record = records?.find(({ machine }) => machine.id === search.get('machine')) ?? records?.[0];
  const chosen = record?.machine;
  const heat = (value: number) => amount(value, '°C', units);
  return (
    <main className="p-5">
      <PageHead title="Machines" says="Every shortlist is checked against these machines.">
        <Link to="/machines/new" className={buttonLook()}>
          Add a machine
        </Link>
      </PageHead>
      {error !== undefined && <ProblemNotice error={error} />}
      {!machines && !error && <Loading what="the machines" />}
      {machines?.length === 0 && (
        <Empty title="No machines yet">
          Without machines, printability is unknown, and unknown does not pass. Add the first one above.
        </Empty>
      )}
      {machines && machines.length > 0 && (
        <table className="w-full rounded-md border border-line bg-surface text-sm">
          <TableHead
            headings={[
              'Machine',
              'Nozzle up to',
              'Hot end',
              'Nozzle',
              'Bed up to',
              'Enclosure',
              'Drive',
              'Builds (mm)',
              'USD/h',
            ]}
          />
          <tbody>
            {machines.map((machine) => (
              <tr
                key={machine.id}
                className={`border-b border-line last:border-0 ${machine === chosen ? 'bg-sunken' : ''}`}
              >
                <th scope="row" className="px-3 py-2 text-left font-semibold">
                  <button
                    type="button"
                    aria-pressed={machine === chosen}
                    className="font-semibold hover:underline"
                    onClick={() => set({ machine: machine.id })}
                  >
                    {machine.name}
                  </button>
                  {machine.sampleData && <span className="block text-xs font-normal text-unknown">sample data</span>}
                </th>
                <td className="px-3">{heat(machine.maximumNozzleC)}</td>
                <td className="px-3">{machine.hotEndLining === 'ptfe' ? 'PTFE-lined' : 'all metal'}</td>
                <td className="px-3">
                  {machine.nozzleDiameterMm} mm, {machine.nozzleMaterial}
                </td>
                <td className="px-3">{heat(machine.maximumBedC)}</td>
                <td className="px-3">
                  {ENCLOSURE[machine.enclosure]}
                  {machine.maximumChamberC !== null && `, ${heat(machine.maximumChamberC)}`}
                </td>
                <td className="px-3">
                  {machine.extruder === 'direct' ? 'direct' : 'guide tube'}
                  {machine.laysFibre && <span className="block text-xs">lays continuous fibre</span>}
                </td>
                <td className="px-3 whitespace-nowrap">
                  {machine.buildVolumeMm.x} × {machine.buildVolumeMm.y} × {machine.buildVolumeMm.z}
                </td>
                <td className="px-3">{machine.hourlyRateUsd.toFixed(2)}</td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      {record && chosen && parts && library && (
        <MachineDetails key={chosen.id} record={record} parts={parts} library={library} />
      )}
    </main>
  );
}
