import { orientationChoices } from '../../ui/orientationChoices.ts';
import { Tabs } from 'radix-ui';
import type { ComponentType } from 'react';
import { useAddress } from '../../sync/address/useAddress.ts';
import { GradeChoice } from '../build/GradeChoice.tsx';
import { usePartContext } from '../parts/partContext.ts';
import { Cautions } from '../../ui/Cautions.tsx';
import { Choice } from '../../ui/fields.tsx';
import { Loading } from '../../ui/Loading.tsx';
import { NoGrades } from '../parts/list/NoGrades.tsx';
import { tabLook } from '../../ui/tabLook.ts';
import { AfterTab } from './AfterTab.tsx';
import { CardTab } from './CardTab.tsx';
import { CostTab } from './CostTab.tsx';
import { DryTab } from './DryTab.tsx';
import { MachinesTab } from './MachinesTab.tsx';
import type { PlanTabProps } from './planTab.ts';
import { SupportsTab } from './SupportsTab.tsx';
import { usePlan } from './usePlan.ts';

const TABS: readonly { id: string; title: string; Content: ComponentType<PlanTabProps> }[] = [
  { id: 'machines', title: 'Machines', Content: MachinesTab },
  { id: 'card', title: 'Process card', Content: CardTab },
  { id: 'dry', title: 'Drying', Content: DryTab },
  { id: 'supports', title: 'Supports', Content: SupportsTab },
  { id: 'after', title: 'After printing', Content: AfterTab },
  { id: 'cost', title: 'Cost', Content: CostTab },
];

/** Whether it can be printed here, on what, how, what comes after, and what a good part costs. */
export function PlanStage() {
  const { brief, library } = usePartContext();
  const [search, set] = useAddress();
  const plan = usePlan();
  const { built, grade, orientation, choices, choice } = plan;
  if (library.grades.length === 0) return <NoGrades />;
  if (!grade || !orientation) return <Loading what="the grades" />;
  const shown = TABS.find(({ id }) => id === search.get('show'))?.id ?? TABS[0]!.id;
  return (
    <Tabs.Root value={shown} onValueChange={(show) => set({ show }, true)}>
      <div className="no-print mb-3 flex flex-wrap items-end justify-between gap-x-4 border-b border-line">
        <Tabs.List aria-label="Plan" className="flex flex-wrap">
          {TABS.map(({ id, title }) => (
            <Tabs.Trigger key={id} value={id} className={tabLook}>
              {title}
            </Tabs.Trigger>
          ))}
        </Tabs.List>
        <div className="grid grid-cols-[16.75rem_7rem_10rem] narrow:grid-cols-2 gap-2 pb-1.5">
          <GradeChoice {...built} />
          <Choice
            label="Build orientation"
            value={orientation}
            options={orientationChoices(brief.part)}
            onChange={plan.chooseWay}
          />
          <Choice
            label="Machine"
            value={choice?.machine.id ?? ''}
            options={
              choices === undefined || choices === 'none'
                ? [{ value: '', label: '–' }]
                : choices.map(({ machine, fit }) => ({
                    value: machine.id,
                    label: `${machine.name}${fit.verdict === 'blocker' ? ' (blocked)' : ''}`,
                  }))
            }
            onChange={(id) => {
              const found = choices !== 'none' && choices?.find(({ machine }) => machine.id === id);
              if (found) plan.chooseMachine(found.machine);
            }}
          />
        </div>
      </div>
      {choices === 'none' && (
        <p className="rounded border border-line bg-surface p-4">
          Its family “{grade.familyId}” is not in the reference data, so how it is printed is not known: state the
          polymer with the grade.
        </p>
      )}
      {choices === undefined && <Loading what="the machines" />}
      {choices !== undefined && choices !== 'none' && !choice && (
        <p className="rounded border border-line bg-surface p-4">No machines yet. Add one first.</p>
      )}
      {choices !== undefined && choices !== 'none' && choice && (
        <>
          {TABS.map(({ id, Content }) => (
            <Tabs.Content key={id} value={id} tabIndex={-1}>
              <Content grade={grade} orientation={orientation} choices={choices} choice={choice} />
            </Tabs.Content>
          ))}
          <div className="mt-4">
            <Cautions place="print" brief={brief} grade={grade} rules={library.rules} agents={library.agents} />
          </div>
        </>
      )}
    </Tabs.Root>
  );
}
