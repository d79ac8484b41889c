/** A short piece of a line as its chart draws it, for legends. */
export function StrokeSample({ dash, look = 'stroke-ink' }: { dash: string | undefined; look?: string }) {
  return (
    <svg width="26" height="6" aria-hidden="true">
      <line x1="0" x2="26" y1="3" y2="3" strokeDasharray={dash} className={`stroke-2 ${look}`} />
    </svg>
  );
}
