/** A sketch of each failure mode, told apart by its shape: what is left of the part in ink, what happened to it in ember. */
const PICTURES: Record<string, { part: string; happened: string }> = {
  sagged: {
    part: 'M8 8v28M8 14h4c18 0 30 6 40 20M8 22h4c14 0 24 4 33 18',
    happened: 'M12 14h44M56 14v16m-3-4 3 4 3-4',
  },
  'lost-hold': { part: 'M6 20h34M6 28h34M46 12h10v24H46z', happened: 'M40 16v4m0 8v4M41 24h4' },
  'fatigue-crack': { part: 'M6 14h52v20H6z', happened: 'M30 14q4 6 0 12M27 14q-1 4-4 6M33 14q1 4 4 6M30 26l3 4-3 4' },
  'layers-parted': { part: 'M8 34h48M8 29h48M8 18q24-4 48-6M8 13q24-4 48-6', happened: 'M8 24l16-2 16-3 16-3M8 24h48' },
  torn: { part: 'M6 18h20M6 32h20M38 18h20M38 32h20', happened: 'M26 18l4 4-5 3 5 3-4 4M38 18l-4 4 5 3-5 3 4 4' },
  buckled: { part: 'M8 38h48M32 38v0', happened: 'M32 6v4m-3-3 3 3 3-3M32 10q14 9 0 28' },
  shattered: {
    part: 'M8 12l14 2-4 12-10 2zM30 8l12 6-8 8zM46 22l10-4v14l-8 2zM22 34l12-4 4 8-14 2z',
    happened: 'M32 24l-4-3m8 2 4-4m-6 8 5 4m-10-2-4 3',
  },
  softened: {
    part: 'M6 14h16q10 0 12 8t8 14h14',
    happened: 'M20 40q-2-4 0-6t0-6M30 40q-2-4 0-6t0-6M12 40q-2-4 0-6t0-6',
  },
  crazed: {
    part: 'M6 12h52v24H6z',
    happened: 'M14 16v8M20 18v10M26 15v7M32 18v12M38 16v8M44 18v10M50 15v8M32 4q4 4 0 6-4-2 0-6',
  },
  weathered: {
    part: 'M6 26h52v10H6z',
    happened: 'M32 6a5 5 0 1 0 .1 0M22 10h-4m28 0h-4M12 22l3 3 3-3 3 3 3-3 3 3 3-3 3 3 3-3 3 3 3-3 3 3',
  },
  worn: { part: 'M6 36h52M6 36V22h12q14 12 28 0h12v14', happened: 'M18 12h28m-4-3 4 3-4 3M18 12l4-3m-4 3 4 3' },
};

/** Decoration beside words that say the same. */
export function ModePicture({ modeId, className = 'h-11 w-16' }: { modeId: string; className?: string }) {
  const picture = PICTURES[modeId];
  if (!picture) return null;
  return (
    <svg viewBox="0 0 64 44" className={`${className} fill-none stroke-[1.8]`} aria-hidden="true">
      <path d={picture.part} className="stroke-ink" />
      <path d={picture.happened} className="stroke-ember" />
    </svg>
  );
}
