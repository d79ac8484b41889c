import { Tabs } from 'radix-ui';
import { useAddress } from '../../sync/address/useAddress.ts';
import { usePartContext } from '../parts/partContext.ts';
import { Loading } from '../../ui/Loading.tsx';
import { NoGrades } from '../parts/list/NoGrades.tsx';
import { tabLook } from '../../ui/tabLook.ts';
import { GradeChoice } from './GradeChoice.tsx';
import { FillingTab } from './FillingTab.tsx';
import { FibreTab } from './fibre/FibreTab.tsx';
import { LayupTab } from './layup/LayupTab.tsx';
import { SplitTab } from './SplitTab.tsx';
import { ShapeTab } from './shape/ShapeTab.tsx';
import { useBuildGrade } from './useBuildGrade.ts';
import { WayUpTab } from './WayUpTab.tsx';

const TABS = [
  { id: 'way-up', title: 'Build orientation', Content: WayUpTab },
  { id: 'filling', title: 'Walls and infill', Content: FillingTab },
  { id: 'split', title: 'Multi-material', Content: SplitTab },
  { id: 'fibre', title: 'Continuous fibre', Content: FibreTab },
  { id: 'layup', title: 'Layup', Content: LayupTab },
  { id: 'shape', title: '3D part', Content: ShapeTab },
] as const;

/** Which build orientation, which walls, where fibre: the design changed instead of the material. */
export function BuildStage() {
  const { library, screening } = usePartContext();
  const [search, set] = useAddress();
  const built = useBuildGrade();
  const { gradeId } = built;
  if (library.grades.length === 0) return <NoGrades />;
  if (gradeId === undefined) return <Loading what="the grades" />;
  const shown = TABS.find(({ id }) => id === search.get('show'))?.id ?? TABS[0].id;
  return (
    <>
      {screening.state === 'failed' && (
        <p role="alert" className="mb-3 text-fail">
          What is shown is from the last valid brief: {screening.message}
        </p>
      )}
      <Tabs.Root value={shown} onValueChange={(show) => set({ show }, true)}>
        <div className="mb-3 flex items-end justify-between gap-4 narrow:flex-wrap border-b border-line">
          <Tabs.List aria-label="Build options" className="flex flex-wrap">
            {TABS.map(({ id, title }) => (
              <Tabs.Trigger key={id} value={id} className={tabLook}>
                {title}
              </Tabs.Trigger>
            ))}
          </Tabs.List>
          <div className="w-96 pb-1.5">
            <GradeChoice {...built} />
          </div>
        </div>
        {TABS.map(({ id, Content }) => (
          <Tabs.Content key={id} value={id} tabIndex={-1}>
            <Content gradeId={gradeId} />
          </Tabs.Content>
        ))}
      </Tabs.Root>
    </>
  );
}
