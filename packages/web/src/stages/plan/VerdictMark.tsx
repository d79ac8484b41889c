import type { FitVerdict } from '@anvilstone/core/machines';

const LOOK: Record<FitVerdict, { word: string; look: string; path: string }> = {
  pass: { word: 'fits', look: 'text-pass', path: 'M2 7.5 5.5 11 12 3' },
  caution: { word: 'with care', look: 'text-unknown', path: 'M7 2 13 12H1ZM7 5.5v3M7 10.2v.4' },
  blocker: { word: 'blocked', look: 'text-fail', path: 'M3 3l8 8M11 3l-8 8' },
};

/** Shape, word and colour of how a grade fits a machine. */
export function VerdictMark({ verdict }: { verdict: FitVerdict }) {
  const { word, look, path } = LOOK[verdict];
  return (
    <span className={`inline-flex items-center gap-1 ${look}`}>
      <svg viewBox="0 0 14 14" aria-hidden="true" className="size-3.5 fill-none stroke-current stroke-2">
        <path d={path} />
      </svg>
      {word}
    </span>
  );
}
