import { useNoticesOf } from '../testing/useNoticesOf.ts';

/** A short mark beside a part’s name, with the newest reason. */
export function OutOfDate({ partId }: { partId: string }) {
  const [newest, ...older] = useNoticesOf(partId);
  if (!newest) return null;
  return (
    <p className="text-xs font-normal text-unknown">
      ! Out of date: {newest.changes[0] ?? newest.cause}
      {newest.changes.length + older.length > 1 && ', and more'}
    </p>
  );
}
