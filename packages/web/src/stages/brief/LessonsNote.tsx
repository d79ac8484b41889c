import type { Brief } from '@anvilstone/schema';
import { Link } from 'react-router';

/** What parts before it taught, at the head of the brief: read before the asks are. */
export function LessonsNote({ lessons }: { lessons: NonNullable<Brief['lessons']> }) {
  return (
    <section aria-label="Lessons" className="rounded border border-line border-l-3 border-l-ember bg-surface px-4 py-2">
      <h2 className="text-sm">Lessons from earlier parts</h2>
      <ul className="mt-1 flex flex-col gap-2">
        {lessons.map(({ text, partId }) => (
          <li key={text} className="whitespace-pre-line">
            {text}{' '}
            {partId && (
              <Link className="no-print text-sm text-ember underline" to={`/parts/${partId}/service`}>
                what was found
              </Link>
            )}
          </li>
        ))}
      </ul>
    </section>
  );
}
