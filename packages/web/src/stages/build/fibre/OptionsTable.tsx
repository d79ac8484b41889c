import type { StiffeningOption } from '@anvilstone/core/evaluation';
import { grams, say as phrase } from '@anvilstone/core/foundations';
import type { Brief, Statement } from '@anvilstone/schema';
import type { ReactNode } from 'react';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { useEdit } from '../../brief/editBrief.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { duration } from '../../../ui/amount.ts';
import { MassAndCost, ReserveAndGoverns } from '../EntryCells.tsx';
import { Button } from '../../../ui/Button.tsx';
import { Panel } from '../../../ui/Panel.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { useSay } from '../../../ui/useSay.ts';

const HEADINGS = ['Option', 'Mass', 'Cost', 'Print time', 'Minimum reserve', 'Governs', 'Apply to brief'];

/** What changes the part; another grade as it is drawn changes nothing in the brief. */
const TAKEN: readonly StiffeningOption['kind'][] = ['fibre', 'fibre-in-filled', 'thicker', 'filled-grade-thicker'];

/** Fibre beside thickening and filled grades: what passes and costs least comes first. */
export function OptionsTable({
  options,
  from,
  gradeId,
  aside,
}: {
  options: readonly StiffeningOption[];
  /** What they were worked out from. */
  from: Brief;
  gradeId: string;
  aside: ReactNode;
}) {
  const { brief } = usePartContext();
  const edit = useEdit();
  const [, set] = useAddress();
  const say = useSay();
  const now = JSON.stringify(brief);
  return (
    <Panel title="Minimum fibre that passes, and alternatives" aside={aside}>
      <p className="mb-2 text-sm" role="status">
        {say(verdict(options))}
      </p>
      <table className="-mx-3 w-[calc(100%+1.5rem)] text-sm">
        <TableHead headings={HEADINGS} />
        <tbody>
          {options.map((option) => {
            const { entry } = option;
            const isNow = option.gradeId === gradeId && JSON.stringify(option.brief) === now;
            return (
              <tr
                key={`${option.gradeId} ${say(option.title)}`}
                className={`border-b border-line last:border-0 ${isNow ? 'bg-sunken' : ''}`}
              >
                <th scope="row" className="px-3 py-1 text-left font-normal">
                  {say(option.title)}
                </th>
                {entry ? (
                  <>
                    <MassAndCost {...entry} />
                    <td className="px-3 py-1 whitespace-nowrap">
                      {entry.printTimeH ? duration(entry.printTimeH) : 'unknown'}
                    </td>
                    <ReserveAndGoverns entry={entry} />
                  </>
                ) : (
                  <td colSpan={5} className="px-3 py-1 text-unknown">
                    {option.why && say(option.why)}
                  </td>
                )}
                <td className="px-3 py-1">
                  {isNow ? (
                    <span className="text-quiet">current</span>
                  ) : (
                    option.brief &&
                    TAKEN.includes(option.kind) && (
                      <Button
                        aria-label={`Apply ${say(option.title)}`}
                        onClick={() => {
                          edit(option.brief!, 'stiffening', from);
                          if (option.gradeId !== gradeId) set({ grade: option.gradeId });
                        }}
                      >
                        Apply
                      </Button>
                    )
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-2 text-xs text-quiet">
        Strands are added until every check passes, load checks at the target reserve factor; reserve factors are shown
        for the brief. Scatter counts as the company rule on strengths says. Between the layers and across them the
        print alone carries; strand values are typical, evidence D.
      </p>
    </Panel>
  );
}

/** Whether fibre is worth it here, from the numbers. */
function verdict(options: readonly StiffeningOption[]): Statement {
  const passing = options.filter(({ reaches }) => reaches);
  const first = (kinds: readonly StiffeningOption['kind'][]) => passing.find(({ kind }) => kinds.includes(kind));
  const fibre = first(['fibre', 'fibre-in-filled']);
  const other = first(['as-drawn', 'thicker', 'filled-grade', 'filled-grade-thicker']);
  const price = ({ entry }: StiffeningOption) =>
    phrase`${entry!.costUsd?.toFixed(2) ?? '?'} USD, ${entry!.massG === null ? '?' : grams(Math.round(entry!.massG))}`;
  const drawn = first(['as-drawn']);
  if (drawn) return phrase`It passes as drawn (${price(drawn)}): no fibre is needed.`;
  if (!fibre && !other) return 'Neither fibre nor more material makes it pass.';
  if (!fibre) return phrase`Fibre does not make it pass; “${other!.title}” does (${price(other!)}).`;
  if (!other) return phrase`Only fibre makes it pass: ${fibre.title} (${price(fibre)}).`;
  const [cheaper, dearer] =
    (fibre.entry!.costUsd ?? Infinity) < (other.entry!.costUsd ?? Infinity) ? [fibre, other] : [other, fibre];
  const lighter = (fibre.entry!.massG ?? Infinity) < (other.entry!.massG ?? Infinity) ? fibre : other;
  return phrase`${cheaper.title} is the cheaper way (${price(cheaper)}) against ${dearer.title} (${price(dearer)}); ${lighter === fibre ? 'fibre is lighter' : 'fibre is not lighter'}.`;
}
