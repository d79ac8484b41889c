import { PROOF_TEST_CAUTION } from '@anvilstone/core/machines';
import type { PartSummary } from '@anvilstone/schema';

import { lazy, Suspense } from 'react';
import { Link } from 'react-router';
import { usePartsQuery } from '../../../sync/api/api.ts';
import { OutOfDate } from '../../bench/results/OutOfDate.tsx';
import { OfferLook } from '../../../help/tour/OfferLook.tsx';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';
import { TableHead } from '../../../ui/TableHead.tsx';
import { TERMS } from '../../../ui/terms.ts';
import { Reserve } from '../../../ui/Reserve.tsx';

import { useAnswer } from '../../../workers/useAnswer.ts';
import type { Workshop } from '../../../workers/workshop.ts';
import { useLibrary } from '../../../workers/useLibrary.ts';
import { PageHead } from '../../../ui/PageHead.tsx';
import { NewPart } from '../new/NewPart.tsx';
import { SpoolsToDry } from './SpoolsToDry.tsx';
import { RemovePart } from './RemovePart.tsx';

/** Comes after the table: what predicts a part in service is more than the first screen needs. */
const InspectionsDue = lazy(async () => ({
  default: (await import('../../service/InspectionsDue.tsx')).InspectionsDue,
}));

const FirstPart = lazy(async () => ({ default: (await import('./FirstPart.tsx')).FirstPart }));

/** What am I working on: every part with its leading grade, what governs it, and how much is left. */
export function PartsPage() {
  const { data: parts, error } = usePartsQuery(undefined, { refetchOnMountOrArgChange: true });
  const { library } = useLibrary();
  return (
    <main className="p-5">
      <PageHead title="Parts" says="Each part starts with its requirements.">
        <NewPart parts={parts ?? []} />
      </PageHead>
      {parts && parts.length > 0 && <OfferLook />}
      <Suspense>
        <InspectionsDue />
      </Suspense>
      <SpoolsToDry />
      {error !== undefined && <ProblemNotice error={error} />}
      {!parts && !error && <Loading what="the parts" />}
      {parts?.length === 0 && (
        <Suspense fallback={<Loading what="the kinds of parts" />}>
          <FirstPart gradeCount={library?.grades.length} />
        </Suspense>
      )}
      {parts && parts.length > 0 && (
        <table className="w-full rounded-md border border-line bg-surface text-sm">
          <TableHead
            headings={[
              'Part',
              'Stage',
              'Grade (decided or leading)',
              { title: 'Governed by', means: TERMS.governs },
              { title: 'Minimum reserve', means: TERMS.reserve },
              'Changed',
              'Remove',
            ]}
          />
          <tbody>
            {parts.map((part) => (
              <PartRow key={part.id} part={part} library={library} />
            ))}
          </tbody>
        </table>
      )}
    </main>
  );
}

/** The furthest stage in which something was done. */
function stageOf({ brief, campaignCount, decisionCount, inServiceCount }: PartSummary): string {
  if (inServiceCount > 0) return 'In service';
  if (decisionCount > 0) return 'Decided';
  if (campaignCount > 0) return 'On the bench';
  return brief.failureCouldHurt === 'unanswered' ? 'Brief in progress' : 'Selection';
}

function countsOf({ campaignCount, decisionCount, inServiceCount }: PartSummary): string {
  const some = (n: number, one: string, more: string) => (n === 0 ? [] : [`${n} ${n === 1 ? one : more}`]);
  return [
    ...some(decisionCount, 'record', 'records'),
    ...some(campaignCount, 'campaign', 'campaigns'),
    ...some(inServiceCount, 'in service', 'in service'),
  ].join(', ');
}

function PartRow({ part, library }: { part: PartSummary; library: Workshop | undefined }) {
  const { brief, decided } = part;
  const { value: result } = useAnswer(library, 'screening', [brief]);
  const { value: asDecided } = useAnswer(
    library,
    'oneWayNamed',
    decided ? [brief, decided.gradeId, decided.orientation] : undefined,
  );
  const leader = result?.leaders[0];
  const name = leader && library?.grades.find((grade) => grade.id === leader.gradeId)?.name;
  const passes = leader?.best.status === 'pass';
  const shown = decided ? asDecided?.entry : leader?.best;
  const governs = decided ? asDecided?.governedBy : result?.governedBy;
  return (
    <tr className="border-b border-line align-baseline last:border-0 hover:bg-sunken">
      <th scope="row" className="min-w-52 px-3 py-2.5 text-left font-semibold">
        <Link className="hover:underline" to={`/parts/${part.id}/${part.decisionCount > 0 ? 'shortlist' : 'brief'}`}>
          {part.brief.title}
        </Link>
        {part.brief.failureCouldHurt === 'unanswered' && (
          <p className="text-xs font-normal text-unknown">Open question: could a failure hurt someone?</p>
        )}
        {part.brief.failureCouldHurt === 'yes' && (
          <p className="text-xs font-normal text-fail" title={PROOF_TEST_CAUTION}>
            Failure could hurt someone: proof test and sign-off needed
          </p>
        )}
        <OutOfDate partId={part.id} />
        {part.brief.template && <p className="text-xs font-normal text-quiet">Template</p>}
      </th>
      <td className="px-3">
        {stageOf(part)}
        {countsOf(part) && <p className="text-xs text-quiet">{countsOf(part)}</p>}
      </td>
      <td className="px-3">
        {decided
          ? `${decided.gradeName}, ${asDecided?.built ?? '…'}`
          : leader
            ? passes
              ? `${name}, ${result.built}`
              : `None passes; nearest ${name}`
            : '…'}
        {decided && (
          <p className="text-xs text-quiet">
            decided, no. {decided.number}
            {leader && passes && leader.gradeId !== decided.gradeId ? `; first by now: ${name}` : ''}
          </p>
        )}
      </td>
      <td className="px-3">{governs ?? ''}</td>
      <td className="px-3">{shown && <Reserve reserve={shown.minimumReserve} status={shown.status} />}</td>
      <td className="px-3 whitespace-nowrap text-quiet">
        {new Date(part.updatedAt).toLocaleDateString(undefined, { day: 'numeric', month: 'short', year: 'numeric' })}
      </td>
      <td className="px-3">
        <RemovePart part={part} />
      </td>
    </tr>
  );
}
