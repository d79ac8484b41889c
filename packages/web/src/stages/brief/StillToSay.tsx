import type { Brief } from '@anvilstone/schema';
import { newBrief } from '../parts/new/newBrief.ts';

/** What a brief lacks beside its numbers, and where it is said. */
const OPEN: readonly {
  what: string;
  isOpen: (brief: Brief) => boolean;
  find: (panel: Element) => HTMLElement | null | undefined;
}[] = [
  {
    what: 'name',
    isOpen: ({ title }) => title.trim() === '' || title === newBrief.title,
    find: (panel) => panel.querySelector<HTMLElement>('input:not([type="checkbox"])'),
  },
  {
    what: 'function',
    isOpen: ({ purpose }) => purpose.trim() === '',
    find: (panel) => panel.querySelector('textarea'),
  },
  {
    what: 'consequence of failure',
    isOpen: ({ failureCouldHurt }) => failureCouldHurt === 'unanswered',
    // The first choice is about moisture.
    find: (panel) => [...panel.querySelectorAll('select')].at(-1),
  },
];

/** Said at the top, since it is asked at the bottom: with a name and a purpose others know what this was about. */
export function StillToSay({ brief }: { brief: Brief }) {
  const open = OPEN.filter(({ isOpen }) => isOpen(brief));
  if (open.length === 0) return null;
  return (
    <p className="no-print rounded border border-unknown bg-unknown-ground px-3 py-1.5 text-sm text-unknown">
      ! Missing:{' '}
      {open.map(({ what, find }, i) => (
        <span key={what}>
          {i > 0 && (i === open.length - 1 ? ' and ' : ', ')}
          <button type="button" className="underline" onClick={() => goTo(find)}>
            {what}
          </button>
        </span>
      ))}
      .
    </p>
  );
}

function goTo(find: (typeof OPEN)[number]['find']): void {
  const panel = document.querySelector('section[aria-label="Part"]');
  const control = panel && find(panel);
  control?.scrollIntoView({ block: 'center' });
  control?.focus({ preventScroll: true });
}
