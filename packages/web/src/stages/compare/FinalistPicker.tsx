import { fillerSets, MOST_FINALISTS } from '@anvilstone/core/decisions';
import { useMemo } from 'react';
import { usePartContext } from '../parts/partContext.ts';
import { Choice } from '../../ui/fields.tsx';
import type { ChooseFinalists } from './useFinalists.ts';

/** Adds a grade to the finalists, or takes a ready comparison: one base polymer without and with fillers. */
export function FinalistPicker({ ids, onChoose }: { ids: readonly string[]; onChoose: ChooseFinalists }) {
  const { library } = usePartContext();
  const sets = useMemo(() => fillerSets(library.grades), [library]);
  const options = useMemo(
    () =>
      library.grades
        .filter(({ id }) => !ids.includes(id))
        .map(({ id, name }) => ({ value: id, label: name }))
        .sort((a, b) => a.label.localeCompare(b.label)),
    [library, ids],
  );
  const full = ids.length >= MOST_FINALISTS;
  return (
    <div className="flex items-end gap-3 narrow:flex-wrap print:hidden">
      <div className="w-56">
        <Choice
          label={full ? 'Five at most' : 'Add a grade'}
          value=""
          options={[{ value: '', label: full ? 'Remove one first' : 'Choose …' }, ...(full ? [] : options)]}
          onChange={(id) => id !== '' && onChoose((now) => [...now, id])}
        />
      </div>
      <div className="w-80">
        <Choice
          label="Neat ↔ glass ↔ carbon, ready"
          value={String(sets.findIndex((set) => set.gradeIds.join() === ids.join()))}
          options={[
            { value: '-1', label: sets.length > 0 ? 'Choose a base polymer …' : 'No pair available' },
            ...sets.map(({ title }, i) => ({ value: String(i), label: title })),
          ]}
          onChange={(index) => {
            const set = sets[Number(index)];
            if (set) onChoose(() => set.gradeIds);
          }}
        />
      </div>
    </div>
  );
}
