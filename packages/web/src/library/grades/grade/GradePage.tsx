import { PageHeading } from '../../../ui/PageHeading.tsx';
import { findFamily, gradeCurves } from '@anvilstone/core/materials';
import { CONDITIONINGS, type Grade, type CompanyRules } from '@anvilstone/schema';
import { Tabs } from 'radix-ui';
import { skipToken } from '@reduxjs/toolkit/query';
import { useMemo } from 'react';
import { Link, useParams } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { API } from '../../../sync/address/place.ts';
import { useAddress } from '../../../sync/address/useAddress.ts';
import { BehaviourChart } from '../../../charts/BehaviourChart.tsx';
import { buttonLook } from '../../../ui/buttonLook.ts';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { tabLook } from '../../../ui/tabLook.ts';
import { useLibrary } from '../../../workers/useLibrary.ts';
import { ConditionChooser } from '../comparing/ConditionChooser.tsx';
import { EvidencePanel } from './EvidencePanel.tsx';
import { GradeAside } from './GradeAside.tsx';
import { fillerText } from '../list/gradeFilter.ts';
import { useGradeQuery } from '../gradesApi.ts';
import { HistoryPanel } from './HistoryPanel.tsx';
import { priceNumber, priceUnit } from '../propertyText.ts';
import { RemoveGrade } from './RemoveGrade.tsx';

/** One grade: what is known about it, at the condition chosen, and where every number comes from. */
export function GradePage() {
  const { gradeId } = useParams();
  const { currentData: record, error } = useGradeQuery(gradeId ?? skipToken);
  const { library, error: libraryError } = useLibrary();
  const at = useAppSelector((state) => state.gradesView.at);
  const units = useAppSelector((state) => state.settings.units);
  const [address, set] = useAddress();
  const problem = error ?? libraryError;
  if (problem) {
    return (
      <main className="p-5">
        <ProblemNotice error={problem}>
          <Link to="/grades" className="underline">
            All grades
          </Link>
        </ProblemNotice>
      </main>
    );
  }
  if (!record || !library) return <Loading what="the grade" />;
  const { grade, revision } = record;
  return (
    <main className="p-5">
      <p className="text-sm">
        <Link to="/grades" className="text-quiet hover:underline">
          ← All grades
        </Link>
      </p>
      <header className="mb-3 flex items-start justify-between gap-4 narrow:flex-wrap">
        <div>
          <PageHeading>{grade.name}</PageHeading>
          <p className="text-quiet">
            {grade.maker} · {findFamily(grade.familyId)?.name ?? 'polymer not stated'} · {fillerText(grade)} ·{' '}
            {grade.colours.join(', ') || 'colours not stated'} ·{' '}
            {grade.pricePerKgUsd === null
              ? 'price unknown'
              : `${priceNumber(grade.pricePerKgUsd, units)} ${priceUnit(units)}`}
          </p>
          {grade.discontinued && <p className="text-sm text-fail">No longer made</p>}
          {grade.sampleData && <p className="text-sm text-unknown">Sample data, not for design</p>}
          {grade.note && <p className="mt-1 max-w-160 text-sm">{grade.note}</p>}
        </div>
        <div className="flex gap-2 narrow:flex-wrap">
          <Link to={`/grades/${grade.id}/edit`} className={buttonLook('plain')}>
            Edit
          </Link>
          <a
            href={`${API}/grades/${grade.id}/fea-card?temperatureC=${at.temperatureC}&conditioning=${at.conditioning}`}
            download
            className={buttonLook('plain')}
            title="Orthotropic engineering constants at the condition chosen below"
          >
            Material card
          </a>
          <a href={`${API}/exports/json?ids=${grade.id}`} download className={buttonLook('plain')}>
            JSON
          </a>
          <RemoveGrade grade={grade} revision={revision} />
        </div>
      </header>
      <div className="flex items-start gap-5 narrow:flex-col">
        <Tabs.Root
          value={address.get('show') ?? 'evidence'}
          onValueChange={(show) => set({ show }, true)}
          className="min-w-0 grow"
        >
          <div className="mb-2 flex items-end justify-between gap-4 narrow:flex-wrap border-b border-line">
            <Tabs.List aria-label="About this grade" className="flex flex-wrap">
              <Tabs.Trigger value="evidence" className={tabLook}>
                Evidence
              </Tabs.Trigger>
              <Tabs.Trigger value="curves" className={tabLook}>
                Temperature, time, water, fatigue
              </Tabs.Trigger>
              <Tabs.Trigger value="history" className={tabLook}>
                History
              </Tabs.Trigger>
            </Tabs.List>
            <div className="pb-1">
              <ConditionChooser />
            </div>
          </div>
          <Tabs.Content value="evidence" tabIndex={-1}>
            <EvidencePanel grade={grade} rules={library.rules} />
          </Tabs.Content>
          <Tabs.Content value="curves" tabIndex={-1}>
            <CurvesPanel grade={grade} rules={library.rules} />
          </Tabs.Content>
          <Tabs.Content value="history" tabIndex={-1}>
            <HistoryPanel gradeId={grade.id} revision={revision} />
          </Tabs.Content>
        </Tabs.Root>
        <GradeAside grade={grade} grades={library.grades} rules={library.rules} />
      </div>
    </main>
  );
}

function CurvesPanel({ grade, rules }: { grade: Grade; rules: CompanyRules }) {
  const { conditioning } = useAppSelector((state) => state.gradesView.at);
  const state = CONDITIONINGS.find((one) => one === conditioning) ?? 'dry';
  const curves = useMemo(() => gradeCurves(grade, state, rules), [grade, state, rules]);
  if (curves.length === 0) {
    return (
      <p className="rounded border border-unknown bg-unknown-ground p-3 text-unknown">
        No polymer family or no modulus: behaviour in heat and over time is unknown. Measure it, or state the family.
      </p>
    );
  }
  return (
    <div className="grid grid-cols-1 gap-3 xl:grid-cols-2">
      {curves.map((curve) => (
        <BehaviourChart key={curve.id} curve={curve} />
      ))}
    </div>
  );
}
