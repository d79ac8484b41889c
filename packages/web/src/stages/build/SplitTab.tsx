import { takesSplit, type Split } from '@anvilstone/core/evaluation';
import { findPartModel } from '@anvilstone/core/shapes';

import { useMemo } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';
import { useAppSelector } from '../../sync/store/store.ts';
import { usePartContext } from '../parts/partContext.ts';
import { amount } from '../../ui/amount.ts';
import { MassAndCost, ReserveAndGoverns } from './EntryCells.tsx';
import { Choice } from '../../ui/fields.tsx';
import { Panel } from '../../ui/Panel.tsx';
import { TableHead } from '../../ui/TableHead.tsx';

import { useAnswer } from '../../workers/useAnswer.ts';
import { useBuildGrade } from './useBuildGrade.ts';
import { useSay } from '../../ui/useSay.ts';

const HEADINGS = ['Skin and core', 'Mass', 'Cost', 'Checks', 'Governs', 'Required bond', 'Known bond', 'Together'];

/** One part of two materials: a stiff skin on a tough core, or the other way round. */
export function SplitTab({ gradeId }: { gradeId: string }) {
  const { brief, library } = usePartContext();
  const { offered } = useBuildGrade();
  const [search, set] = useAddress();
  const names = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade.name])), [library]);
  const others = useMemo(() => offered.filter((one) => one.gradeId !== gradeId), [offered, gradeId]);
  const wanted = search.get('second');
  const second = useMemo(
    () => others.find((one) => one.gradeId === wanted)?.gradeId ?? otherFamily(others, library.grades, gradeId),
    [others, wanted, library, gradeId],
  );
  const can = takesSplit(brief.part);
  const { value: splits } = useAnswer(
    library,
    'splits',
    can && second !== undefined ? [brief, [gradeId, second]] : undefined,
  );
  if (!can)
    return (
      <p className="rounded border border-line bg-surface p-4">
        {findPartModel(brief.part.model).title}: a skin and a core are worked out for arms, beams, ties, struts and cuts
        whose section is drawn. Where the two materials can be two parts, give each its own brief.
      </p>
    );
  return (
    <div className="flex flex-col gap-4">
      <div className="w-96">
        <Choice
          label="Second material"
          value={second ?? ''}
          options={others.map(({ gradeId: id }) => ({ value: id, label: names.get(id) ?? id }))}
          onChange={(id) => set({ second: id })}
        />
      </div>
      {splits ? <SplitsTable splits={splits} /> : <p className="text-quiet">Calculating skins …</p>}
    </div>
  );
}

/** Another family than the first, so that there is something to gain. */
function otherFamily(
  others: readonly { gradeId: string }[],
  grades: readonly { id: string; familyId: string }[],
  gradeId: string,
): string | undefined {
  const family = (id: string) => grades.find((one) => one.id === id)?.familyId;
  return (others.find((one) => family(one.gradeId) !== family(gradeId)) ?? others[0])?.gradeId;
}

const WORDS = { pass: 'passes', fail: 'fails', unknown: 'not known' } as const;

function SplitsTable({ splits }: { splits: readonly Split[] }) {
  const say = useSay();
  const units = useAppSelector((state) => state.settings.units);
  return (
    <Panel title="Multi-material part">
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={HEADINGS} />
        <tbody>
          {splits.map((split) => {
            const { title, entry, bond, status, why } = split;
            return (
              <tr key={`${say(title)} ${split.outerGradeId}`} className="border-b border-line last:border-0">
                <th scope="row" className="px-3 py-1 text-left font-normal">
                  {say(title)}
                </th>
                {entry ? (
                  <>
                    <MassAndCost {...split} />
                    <ReserveAndGoverns entry={entry} />
                    <td className="px-3 py-1">{bond ? amount(bond.needMPa, 'MPa', units, 2) : '–'}</td>
                    <td className="px-3 py-1">
                      {!bond ? '–' : bond.hasMPa === null ? 'not known' : amount(bond.hasMPa, 'MPa', units, 2)}
                    </td>
                  </>
                ) : (
                  <td colSpan={6} className="px-3 py-1 text-unknown">
                    {why && say(why)}
                  </td>
                )}
                <td className={`px-3 py-1 ${LOOK[status]}`}>{WORDS[status]}</td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        Skin and core bend together; the core counts with its own modulus and strength at each load’s temperature and
        duration. Knocks, fluids, light, fire and heat are judged by the skin, which they meet first. Two grades of one
        family fuse about as their own layers do; of two families no bond strength is known: interlock them, or print
        three and pull them apart. It takes a machine that changes between two filaments, and what it purges at each
        change comes on top of the cost.
      </p>
    </Panel>
  );
}

const LOOK = { pass: 'text-pass', fail: 'text-fail', unknown: 'text-unknown' } as const;
