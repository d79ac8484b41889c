import type { UpgradeGain } from '@anvilstone/core/making';
import type { Machine, MachineRecord, PartSummary } from '@anvilstone/schema';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../sync/store/store.ts';
import { amount } from '../../ui/amount.ts';
import { buttonLook } from '../../ui/buttonLook.ts';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { LatestPrints } from './LatestPrints.tsx';
import type { Workshop } from '../../workers/workshop.ts';
import { useSay } from '../../ui/useSay.ts';

const VENTILATION = { none: 'none', filter: 'filtered', extracted: 'ducted outside' } as const;

/** One machine: what else it states of itself, its condition, and what each upgrade would let the workshop print. */
export function MachineDetails({
  record: { machine },
  parts,
  library,
}: {
  record: MachineRecord;
  parts: readonly PartSummary[];
  library: Workshop;
}) {
  return (
    <div className="mt-4 grid grid-cols-[20rem_minmax(0,1fr)] narrow:grid-cols-1 items-start gap-4">
      <Panel
        title={machine.name}
        aside={
          <Link to={`/machines/${machine.id}/edit`} className={buttonLook()}>
            Change
          </Link>
        }
      >
        <Facts machine={machine} />
        <LatestPrints machineId={machine.id} />
      </Panel>
      <Gains machine={machine} parts={parts} library={library} />
    </div>
  );
}

function Facts({ machine }: { machine: Machine }) {
  const units = useAppSelector((state) => state.settings.units);
  const heat = (value: number | undefined) => (value === undefined ? 'not stated' : amount(value, '°C', units));
  const { condition = {} } = machine;
  const { prints, failedPrints } = condition;
  const rows: [string, string][] = [
    ['Sensor holds to', heat(machine.sensorLimitC)],
    ['Own plastic parts soften at', heat(machine.ownPlasticC)],
    ['Filament', machine.filamentDiameterMm ? `${machine.filamentDiameterMm} mm` : 'not stated'],
    ['Supply', machine.mainsBed ? 'bed from the mains' : machine.supplyW ? `${machine.supplyW} W` : 'not stated'],
    ['Air', machine.ventilation ? VENTILATION[machine.ventilation] : 'not stated'],
    ['Surfaces', machine.bedSurfaces?.join(', ') ?? 'not stated'],
    ['Release agent', machine.releaseAgent ? 'at hand' : 'none'],
    [
      'Filament supply',
      machine.closedSupply ? `closed, ${machine.closedSupply.pricePerKgUsd} USD/kg` : 'open: any spool',
    ],
    ['Sustained flow', `${machine.volumetricFlowMm3PerS} mm³/s`],
    [
      'Abrasive through its nozzle',
      condition.nozzleAbrasiveG === undefined ? 'not stated' : amount(condition.nozzleAbrasiveG, 'g', units),
    ],
    ['Has run', condition.hours === undefined ? 'not stated' : `${condition.hours.toLocaleString('en')} h`],
    ['Failed prints', prints ? `${failedPrints ?? '?'} of ${prints}` : 'not stated'],
  ];
  return (
    <>
      <dl className="grid grid-cols-[auto_1fr] gap-x-3 gap-y-1 text-sm">
        {rows.map(([title, value]) => (
          <div key={title} className="contents">
            <dt className="text-quiet">{title}</dt>
            <dd className={`text-right ${value === 'not stated' ? 'text-unknown' : ''}`}>{value}</dd>
          </div>
        ))}
      </dl>
      {[condition.note, machine.note].map(
        (note) =>
          note && (
            <p key={note} className="mt-2 text-xs text-quiet">
              {note}
            </p>
          ),
      )}
    </>
  );
}

function Gains({ machine, parts, library }: { machine: Machine; parts: readonly PartSummary[]; library: Workshop }) {
  const say = useSay();
  const briefs = useMemo(() => parts.map(({ brief }) => brief), [parts]);
  const computed = useAnswer(library, 'upgradeGains', [briefs, machine.id]);
  // What another machine would gain says nothing of this one.
  const gains = computed.state === 'ready' ? computed.value : undefined;
  const names = useMemo(() => new Map(library.grades.map(({ id, name }) => [id, name])), [library]);
  return (
    <Panel title={`Effect of upgrades, over ${parts.length} parts`}>
      {!gains && <p className="text-quiet">Evaluating {parts.length} parts with each upgrade …</p>}
      {gains?.length === 0 && <p className="text-quiet">No upgrades available.</p>}
      {gains && gains.length > 0 && (
        <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
          <TableHead headings={['Upgrade', 'About', 'Benefit']} />
          <tbody>
            {gains.map((gain) => (
              <tr key={say(gain.title)} className="border-b border-line align-top last:border-0">
                <th scope="row" className="px-3 py-2 text-left font-normal">
                  {say(gain.title)}
                  {gain.caution && <span className="block text-xs text-unknown">{say(gain.caution)}</span>}
                </th>
                <td className="px-3 py-2 font-semibold whitespace-nowrap">{gain.priceUsd} USD</td>
                <td className="px-3 py-2">
                  {gain.parts.length === 0 ? (
                    <span className="text-quiet">none by itself</span>
                  ) : (
                    <Won gain={gain} names={names} />
                  )}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      )}
      <p className="mt-2 text-xs text-quiet">
        Grades that pass every check of a part with the upgrade and did not before, and where the lowest cost gets
        cheaper. One upgrade at a time; the print plan of a part tells which go together.
      </p>
    </Panel>
  );
}

const FEW = 3;

function Won({ gain, names }: { gain: UpgradeGain; names: ReadonlyMap<string, string> }) {
  return (
    <ul className="flex flex-col gap-0.5">
      {gain.parts.map(({ title, gradeIds, cheapestUsd, thenUsd }) => {
        const more = gradeIds.slice(0, FEW).map((id) => names.get(id) ?? id);
        const rest = gradeIds.length - more.length;
        const cheaper =
          thenUsd !== null && (cheapestUsd === null || thenUsd < cheapestUsd - 0.005)
            ? `cheapest ${thenUsd.toFixed(2)} USD instead of ${cheapestUsd === null ? 'none' : cheapestUsd.toFixed(2)}`
            : '';
        const text = [more.length > 0 ? `${more.join(', ')}${rest > 0 ? ` and ${rest} more` : ''}` : '', cheaper]
          .filter(Boolean)
          .join('; ');
        return (
          <li key={title}>
            <strong className="font-semibold">{title}</strong>: {text}
          </li>
        );
      })}
    </ul>
  );
}
