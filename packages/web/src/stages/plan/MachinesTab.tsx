import { usePartContext } from '../parts/partContext.ts';
import { formatNumber as f } from '@anvilstone/core/foundations';
import type { FitFinding } from '@anvilstone/core/machines';
import type { MachineChoice, Unlock } from '@anvilstone/core/making';
import { builtAs } from '@anvilstone/core/shapes';
import { useAddress } from '../../sync/address/useAddress.ts';
import { MassAndCost } from '../build/EntryCells.tsx';
import { duration } from '../../ui/amount.ts';
import { Button } from '../../ui/Button.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';
import type { PlanTabProps } from './planTab.ts';
import { VerdictMark } from './VerdictMark.tsx';
import { useSay } from '../../ui/useSay.ts';

const HEADINGS = ['Machine', 'Fit', 'Issues', 'Mass', 'Cost', 'Print time', 'Upgrades', ''];

/** Every machine for this grade, in this orientation: what blocks it, what to mind, and the cheapest way to unblock it. */
export function MachinesTab({ grade, orientation, choices, choice }: PlanTabProps) {
  const usable = choices.filter(({ fit }) => fit.verdict !== 'blocker').length;
  const [, set] = useAddress();
  const { brief } = usePartContext();
  return (
    <Panel
      title={`${grade.name}, ${builtAs(brief.part, orientation)}: ${usable} of ${choices.length} machines can print it`}
    >
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={HEADINGS} />
        <tbody>
          {choices.map((one) => (
            <Row
              key={one.machine.id}
              choice={one}
              isChosen={one === choice}
              onChoose={() => set({ machine: one.machine.id })}
            />
          ))}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        Upgrade prices are typical; ask a supplier, and have mains wiring done by a licensed person.
      </p>
    </Panel>
  );
}

function Row({ choice, isChosen, onChoose }: { choice: MachineChoice; isChosen: boolean; onChoose: () => void }) {
  const say = useSay();
  const { machine, fit, entry, unlock, relief } = choice;
  const blocked = fit.verdict === 'blocker';
  return (
    <tr className={`border-b border-line align-top last:border-0 ${isChosen ? 'bg-sunken' : ''}`}>
      <th scope="row" className="px-3 py-1 text-left font-semibold whitespace-nowrap">
        {machine.name}
      </th>
      <td className="px-3 py-1 whitespace-nowrap">
        <VerdictMark verdict={fit.verdict} />
      </td>
      <td className="min-w-48 px-3 py-1">
        {fit.findings.length === 0 ? (
          <span className="text-quiet">none</span>
        ) : (
          <ul className="flex flex-col gap-1">
            {[...fit.findings].sort(blockersFirst).map(({ verdict, text }) => (
              <li key={say(text)} className={verdict === 'blocker' ? 'text-fail' : 'text-unknown'}>
                {say(text)}.
              </li>
            ))}
          </ul>
        )}
      </td>
      {blocked ? (
        <td colSpan={3} className="px-3 py-1 text-quiet">
          –
        </td>
      ) : (
        <>
          <MassAndCost {...entry} />
          <td className="px-3 py-1 whitespace-nowrap">{entry.printTimeH ? duration(entry.printTimeH) : 'unknown'}</td>
        </>
      )}
      <td className="px-3 py-1">
        {!blocked && !relief && <span className="text-quiet">none needed</span>}
        {blocked && !unlock && <span className="text-quiet">no upgrade helps</span>}
        {unlock && <Upgrades of={unlock} />}
        {relief && (
          <>
            <Upgrades of={relief} />
            {relief.savesUsd !== null && (
              <span className="block text-quiet">
                fewer failed prints: {relief.savesUsd.toFixed(2)} USD a part, paid for by{' '}
                {f(Math.ceil(relief.priceUsd / relief.savesUsd))} parts like it
              </span>
            )}
          </>
        )}
      </td>
      <td className="px-3 py-1">
        {isChosen ? (
          <span className="text-quiet">planned</span>
        ) : (
          <Button className="whitespace-nowrap" aria-label={`Plan on ${machine.name}`} onClick={onChoose}>
            Plan on this
          </Button>
        )}
      </td>
    </tr>
  );
}

function Upgrades({ of }: { of: Unlock }) {
  const say = useSay();
  return (
    <>
      {of.upgrades.map(({ title }) => say(title)).join('; ')}:{' '}
      <strong className="whitespace-nowrap">about {f(of.priceUsd)} USD</strong>
      {of.upgrades.map(
        ({ caution }) =>
          caution && (
            <span key={caution} className="block text-unknown">
              {caution}
            </span>
          ),
      )}
    </>
  );
}

const blockersFirst = (a: FitFinding, b: FitFinding) =>
  Number(b.verdict === 'blocker') - Number(a.verdict === 'blocker');
