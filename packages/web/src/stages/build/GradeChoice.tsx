import { formatReserve } from '@anvilstone/core/foundations';
import { useMemo } from 'react';
import { usePartContext } from '../parts/partContext.ts';
import { Choice } from '../../ui/fields.tsx';
import { statusWord } from '../../ui/Reserve.tsx';
import type { BuildGrade } from './useBuildGrade.ts';

/** Which grade the part is built of here, with how it stands. */
export function GradeChoice({ gradeId, offered, choose }: BuildGrade) {
  const { library } = usePartContext();
  const names = useMemo(() => new Map(library.grades.map((grade) => [grade.id, grade.name])), [library]);
  return (
    <Choice
      label="Material"
      value={gradeId ?? ''}
      options={offered.map(({ gradeId: id, best }) => ({
        value: id,
        label: `${names.get(id)} · ${statusWord(best.status)}${best.minimumReserve === null ? '' : ` ${formatReserve(best.minimumReserve)}`}`,
      }))}
      onChange={choose}
    />
  );
}
