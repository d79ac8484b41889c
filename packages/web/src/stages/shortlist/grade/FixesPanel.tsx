import { findCheck } from '@anvilstone/core/checks';
import type { Fix } from '@anvilstone/core/evaluation';
import { pairsOf } from '@anvilstone/core/materials';
import { builtAs } from '@anvilstone/core/shapes';
import type { Grade } from '@anvilstone/schema';

import { useMemo } from 'react';
import { Link } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { useEdit } from '../../brief/editBrief.ts';
import { usePartContext } from '../../parts/partContext.ts';
import { amount } from '../../../ui/amount.ts';
import { Button } from '../../../ui/Button.tsx';
import { Reserve } from '../../../ui/Reserve.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import { useSay } from '../../../ui/useSay.ts';

/** What would make a rejected grade pass, each change evaluated by itself, with its price; applied by a click, undone by undo. */
export function FixesPanel({ grade }: { grade: Grade }) {
  const { brief, library } = usePartContext();
  const edit = useEdit();
  const say = useSay();
  const units = useAppSelector((state) => state.settings.units);
  const { value } = useAnswer(library, 'fixes', [brief, grade.id]);
  const fixes = value?.proposals;
  return (
    <section aria-label="Changes that would make it pass" className="mt-4">
      <h3 className="text-base font-semibold">Changes that would make it pass</h3>
      {!fixes && <p className="text-sm text-quiet">Calculating changes …</p>}
      {fixes?.length === 0 && (
        <p className="text-sm text-quiet">
          No single change does: size, fillet, build orientation, machine or upgrade, annealing, moisture, or safety
          factor down to 1.
        </p>
      )}
      {fixes && fixes.length > 0 && (
        <ul className="text-sm">
          {fixes.map((fix) => (
            <li key={say(fix.title)} className="flex items-center gap-3 border-b border-line py-1.5 last:border-0">
              <div className="min-w-0 grow">
                <p className="font-semibold">{say(fix.title)}</p>
                <p className="text-xs text-quiet">
                  {price(fix, units)} · then <Reserve reserve={fix.entry.minimumReserve} status={fix.entry.status} />{' '}
                  {findCheck(fix.entry.governingCheckId ?? '')?.title} governs
                </p>
                {fix.takes && <p className="text-xs text-quiet">{say(fix.takes)}</p>}
                {fix.isDecision && (
                  <p className="text-xs text-unknown">
                    A decision, not a fix: it reduces the safety margin and must be signed.
                  </p>
                )}
              </div>
              {fix.outsideBrief ? (
                <Link to="/machines" className="text-sm underline">
                  Machines
                </Link>
              ) : (
                <Button
                  aria-label={`${say(fix.title)}: write it into the brief`}
                  onClick={() => edit(fix.brief, `fix ${fix.kind}`, value!.from)}
                >
                  Apply
                </Button>
              )}
            </li>
          ))}
        </ul>
      )}
      <Pairs grade={grade} />
    </section>
  );
}

function price({ massDeltaG, costDeltaUsd }: Fix, units: Parameters<typeof amount>[2]): string {
  const signed = (value: number | null, unit: string, what: string) => {
    if (value === null) return `${what} unknown`;
    if (Math.abs(value) < 0.005) return `same ${what}`;
    return `${value > 0 ? '+' : '−'}${amount(Math.abs(value), unit, units)}`;
  };
  return `${signed(costDeltaUsd, 'USD', 'cost')}, ${signed(massDeltaG, 'g', 'mass')}`;
}

/** The same base with another filler, where that passes as drawn. */
function Pairs({ grade }: { grade: Grade }) {
  const { brief, library, partId } = usePartContext();
  const pairs = useMemo(() => pairsOf(grade, library.grades), [grade, library]);
  const { value } = useAnswer(library, 'evaluateGrades', [brief, pairs.map((pair) => pair.grade.id)]);
  const passing = (value ?? []).filter(({ best }) => best.status === 'pass');
  if (passing.length === 0) return null;
  const names = new Map(library.grades.map(({ id, name }) => [id, name]));
  return (
    <p className="mt-1 text-sm">
      Same base, other filler, passes as drawn:{' '}
      {passing.map(({ gradeId, best }) => (
        <Link key={gradeId} to={`/parts/${partId}/shortlist?grade=${gradeId}`} className="mr-2 underline">
          {names.get(gradeId)} {builtAs(brief.part, best.orientation)}
        </Link>
      ))}
    </p>
  );
}
