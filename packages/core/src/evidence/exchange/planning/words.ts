/** Words of data sheets and the vocabulary they mean, by observation field. */
const WORDS: Record<string, readonly (readonly [RegExp, string])[]> = {
  orientation: [
    [/^(xy|flat|horizontal|x|y|0°?)$/, 'XY'],
    [/^(xz|on ?edge|edge|side)$/, 'XZ'],
    [/^(zx|z|upright|vertical|standing|90°?)$/, 'ZX'],
  ],
  conditioning: [
    [/^(dry|dam|dry as (mou?lded|printed))$/, 'dry'],
    [/^(cond(itioned|\.)?|50 ?%.*)$/, 'conditioned'],
    [/^(wet|saturated)$/, 'wet'],
  ],
  specimen: [
    [/print/, 'printed'],
    [/mou?ld|inject/, 'moulded'],
    [/filament|strand/, 'filament'],
  ],
  crystallinity: [
    [/^(amorphous|as printed|not annealed|clear)$/, 'amorphous'],
    [/^(crystalli[sz]ed|crystalline|annealed|opaque)$/, 'crystallised'],
  ],
  source: [
    [/bench|own|lab|measured/, 'bench'],
    [/sheet|tds|maker|manufacturer|supplier/, 'datasheet'],
    [/estimate|guess|typical/, 'estimate'],
  ],
  bound: [
    [/^(atleast|at least|>|≥|min)/, 'atLeast'],
    [/^(atmost|at most|<|≤|max)/, 'atMost'],
  ],
};

/** The term for a word of a sheet; undefined: not understood. Fields without a vocabulary give the text back. */
export function termFor(field: string, text: string): string | undefined {
  const vocabulary = WORDS[field];
  if (!vocabulary) return text;
  return vocabulary.find(([pattern]) => pattern.test(text.trim().toLowerCase()))?.[1];
}

export const hasVocabulary = (field: string) => field in WORDS;
