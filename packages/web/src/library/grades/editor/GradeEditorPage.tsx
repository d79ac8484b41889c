import { skipToken } from '@reduxjs/toolkit/query';
import type { Grade } from '@anvilstone/schema';
import { Link, useParams } from 'react-router';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { useGradeQuery } from '../gradesApi.ts';
import { GradeEditor } from './GradeEditor.tsx';

const blank: Grade = {
  id: '',
  name: '',
  maker: '',
  familyId: 'not-stated',
  reinforcementId: null,
  colours: [],
  pricePerKgUsd: null,
  process: {},
  observations: [],
  sampleData: false,
};

/** An existing grade, or a new one. */
export function GradeEditorPage() {
  const { gradeId } = useParams();
  const { currentData: record, error } = useGradeQuery(gradeId ?? skipToken, { refetchOnMountOrArgChange: true });
  if (gradeId === undefined) return <GradeEditor key="new" stored={blank} revision={null} />;
  if (error) {
    return (
      <main className="p-5">
        <ProblemNotice error={error}>
          <Link to="/grades" className="underline">
            All grades
          </Link>
        </ProblemNotice>
      </main>
    );
  }
  // A newer revision arrives after a save: the editor goes on from its own state, so it is not made anew.
  return record ? (
    <GradeEditor key={gradeId} stored={record.grade} revision={record.revision} />
  ) : (
    <Loading what="the grade" />
  );
}
