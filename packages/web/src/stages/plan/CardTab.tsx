import { processCard, type CardSource } from '@anvilstone/core/making';
import { builtAs } from '@anvilstone/core/shapes';
import { useMemo } from 'react';

import { usePartContext } from '../parts/partContext.ts';
import { Button } from '../../ui/Button.tsx';
import { CardCode } from './CardCode.tsx';
import type { PlanTabProps } from './planTab.ts';
import { useSay } from '../../ui/useSay.ts';

const FROM: Record<CardSource, string> = {
  grade: 'its maker',
  family: 'typical of its family',
  machine: 'the machine',
  company: 'company rules',
  brief: 'the brief',
  ours: 'typical',
};

/** Everything to set, dry, watch and do afterwards, on one page to be printed and hung by the machine. */
export function CardTab({ grade, orientation, choice }: PlanTabProps) {
  const { brief, library, partId } = usePartContext();
  const say = useSay();
  const { machine, fit } = choice;
  const card = useMemo(
    () => processCard(brief, grade, machine, orientation, library.rules),
    [brief, grade, machine, orientation, library],
  );
  if (!card) return null;
  return (
    <article aria-label="Process card" className="rounded-md border border-line bg-surface p-4">
      <header className="mb-3 flex items-start justify-between gap-4 border-b border-line pb-3">
        <div>
          <h2 className="text-base">{card.title}</h2>
          <p className="text-sm">
            {card.gradeName}, built {builtAs(brief.part, orientation)}, on {card.machineName}
          </p>
          {fit.verdict === 'blocker' && (
            <p role="alert" className="mt-1 text-sm font-semibold text-fail">
              Do not print on this machine:{' '}
              {fit.findings
                .filter(({ verdict }) => verdict === 'blocker')
                .map(({ text }) => say(text))
                .join('; ')}
              .
            </p>
          )}
        </div>
        <div className="flex items-start gap-3">
          <Button className="no-print" onClick={() => window.print()}>
            Print the card
          </Button>
          <CardCode
            path={`/parts/${partId}/plan?show=card&grade=${grade.id}&way=${orientation}&machine=${machine.id}`}
          />
        </div>
      </header>
      <div className="grid grid-cols-2 gap-x-6 gap-y-4">
        {card.groups.map(({ title, lines }) => (
          <section key={title} aria-label={title} className="break-inside-avoid">
            <h3 className="mb-1 text-sm">{title}</h3>
            <dl>
              {lines.map(({ id, title: name, value, why, from, mind }) => (
                <div key={id} className="grid grid-cols-[8.5rem_minmax(0,1fr)] gap-2 border-t border-line py-1 text-sm">
                  <dt className="text-quiet">{name}</dt>
                  <dd>
                    <span className={`font-semibold ${mind ? 'text-ember' : ''}`}>
                      {mind && <span className="sr-only">Mind: </span>}
                      {say(value)}
                    </span>
                    <span className="block text-xs text-quiet">
                      {say(why)}. <em>{FROM[from]}</em>
                    </span>
                  </dd>
                </div>
              ))}
            </dl>
          </section>
        ))}
      </div>
      <p className="mt-3 text-xs text-quiet">
        Typical values where the maker states none. Print a test piece first and note deviations. In the accent colour:
        what goes wrong otherwise.
      </p>
    </article>
  );
}
