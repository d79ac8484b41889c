import { Button } from '../../../ui/Button.tsx';
import { moment } from '../../../ui/when.ts';
import { useClearNoticesMutation } from '../benchApi.ts';
import { useNoticesOf } from './useNoticesOf.ts';

/** Why this part’s answer is no longer what it was, until somebody has looked. */
export function NoticePanel({ partId }: { partId: string }) {
  const notices = useNoticesOf(partId);
  const [clear, { isLoading }] = useClearNoticesMutation();
  if (notices.length === 0) return null;
  return (
    <section
      aria-label="Out of date"
      className="no-print mb-4 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown"
    >
      <div className="flex items-start justify-between gap-3">
        <h2 className="text-sm">Out of date: new evidence has changed this part’s result</h2>
        <Button disabled={isLoading} onClick={() => void clear(partId)}>
          Acknowledge
        </Button>
      </div>
      <ul>
        {notices.map(({ id, at, cause, changes }) => (
          <li key={id} className="mt-1">
            <strong>{moment(Date.parse(at))}</strong> {cause}
            <ul className="list-disc pl-5">
              {changes.map((change) => (
                <li key={change}>{change}</li>
              ))}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}
