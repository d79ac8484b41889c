import { PageHeading } from '../../../ui/PageHeading.tsx';
import { digestOf, recordDocument } from '@anvilstone/core/decisions';
import { Link, useParams } from 'react-router';
import { useAppSelector } from '../../../sync/store/store.ts';
import { RecordBlocks } from '../RecordBlocks.tsx';
import { useReceivedFileQuery } from '../decisionApi.ts';
import { Loading } from '../../../ui/Loading.tsx';
import { ProblemNotice } from '../../../ui/ProblemNotice.tsx';

/** A record of another installation, as it was kept. */
export function ReceivedRecordPage() {
  const { recordId = '' } = useParams();
  const units = useAppSelector((state) => state.settings.units);
  const { data: file, error } = useReceivedFileQuery(recordId);
  if (error !== undefined) return <ProblemNotice error={error} />;
  if (!file) return <Loading what="the record" />;
  const { title, line, blocks } = recordDocument(file.decision, file.signOffs, units, digestOf(file.decision));
  return (
    <main className="p-5">
      <Link to="/records" className="no-print text-sm text-quiet hover:text-ink">
        Records
      </Link>
      <article aria-label={title} className="mt-2 rounded-md border border-line bg-surface p-5">
        <p className="text-sm font-semibold text-unknown">From another installation: number and names are theirs.</p>
        <PageHeading>{title}</PageHeading>
        <p className="text-xs text-quiet">{line}</p>
        <RecordBlocks blocks={blocks} />
      </article>
    </main>
  );
}
