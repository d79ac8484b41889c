import { Link } from 'react-router';
import { usePartsQuery } from '../../sync/api/api.ts';
import { useDue } from './useDue.ts';

const SOON_D = 14;
const MOST = 6;

/** Inspections that are overdue or due within two weeks; nothing when there are none. */
export function InspectionsDue() {
  const due = useDue();
  const { data: parts } = usePartsQuery();
  const soon = due?.filter(({ inDays }) => inDays <= SOON_D) ?? [];
  if (soon.length === 0) return null;
  const title = (id: string) => parts?.find((one) => one.id === id)?.brief.title ?? 'a part';
  return (
    <p className="mb-3 rounded border border-unknown bg-unknown-ground px-3 py-2 text-sm text-unknown">
      <Link to="/service" className="font-semibold underline">
        {soon.length === 1 ? '1 inspection due' : `${soon.length} inspections due`}
      </Link>
      :{' '}
      {soon.slice(0, MOST).map(({ installation, planned, inDays }, i) => (
        <span key={`${installation.id} ${planned.on}`}>
          {i > 0 && '; '}
          <Link className="underline" to={`/parts/${installation.partId}/service?at=${installation.id}`}>
            {installation.mark}, {title(installation.partId)}
          </Link>{' '}
          {dueWords(inDays)}
        </span>
      ))}
      {soon.length > MOST ? `; and ${soon.length - MOST} more.` : '.'}
    </p>
  );
}

export function dueWords(inDays: number): string {
  if (inDays === 0) return 'due today';
  const days = Math.abs(inDays) === 1 ? '1 day' : `${Math.abs(inDays)} days`;
  return inDays < 0 ? `! ${days} overdue` : `due in ${days}`;
}
