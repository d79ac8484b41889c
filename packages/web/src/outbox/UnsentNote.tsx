import { Link } from 'react-router';
import { useKept } from './useOutbox.ts';

/** On every page while something that was saved is only on this computer. */
export function UnsentNote() {
  const kept = useKept();
  if (kept.length === 0) return null;
  const refused = kept.filter((one) => one.refused).length;
  return (
    <p role="status" className="no-print border-b border-line bg-unknown-ground px-5 py-1 text-sm text-unknown">
      ! {kept.length === 1 ? 'One change is' : `${kept.length} changes are`} kept on this computer and not at the server
      yet
      {refused > 0 &&
        `; ${refused === kept.length ? 'the server would not have' : 'of these it would not have'} ${refused === 1 ? 'one' : refused}`}
      .{' '}
      <Link className="underline underline-offset-2" to="/unsent">
        Look at {kept.length === 1 ? 'it' : 'them'}
      </Link>
    </p>
  );
}
