import { Link } from 'react-router';
import { useKept } from '../sync/outbox/useOutbox.ts';

/** On every page while something that was saved is only on this computer. */
export function UnsentNote() {
  const kept = useKept();
  if (kept.length === 0) return null;
  const refused = kept.filter((one) => one.refused).length;
  return (
    <p role="status" className="no-print border-b border-line bg-unknown-ground px-5 py-1 text-sm text-unknown">
      ! {kept.length === 1 ? 'One change is' : `${kept.length} changes are`} stored on this computer, not sent yet
      {refused > 0 && `; ${refused === 1 ? 'one was' : `${refused} were`} refused by the server`}.{' '}
      <Link className="underline underline-offset-2" to="/unsent">
        Show {kept.length === 1 ? 'it' : 'them'}
      </Link>
    </p>
  );
}
