/** How far long work is. */
export function Progress({ share, label }: { share: number; label: string }) {
  const percent = Math.round(share * 100);
  return (
    <span className="inline-flex items-center gap-2">
      <span>{label}</span>
      <span
        role="progressbar"
        aria-label={label}
        aria-valuenow={percent}
        aria-valuemin={0}
        aria-valuemax={100}
        className="inline-block h-2 w-48 overflow-hidden rounded bg-sunken outline outline-line"
      >
        <span className="block h-full bg-ember" style={{ width: `${percent}%` }} />
      </span>
      <span>{percent} %</span>
    </span>
  );
}
