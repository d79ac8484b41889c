import { families, reinforcements } from '@anvilstone/core/materials';

export interface FamilyMatch {
  familyId: string;
  /** From the same text, such as “PA6-CF15”; null: unfilled as far as the text says. */
  reinforcementId: string | null;
}

const plain = (text: string) => text.toLowerCase().replace(/[^a-z0-9+]/g, '');

/** Trade and chemical names beside the ids, names and abbreviations of the families. */
const OTHER_NAMES: Record<string, string> = {
  nylon6: 'pa6',
  polyamide6: 'pa6',
  nylon666: 'pa6-66',
  pa666: 'pa6-66',
  nylon12: 'pa12',
  polyamide12: 'pa12',
  nylon11: 'pa11',
  polyamide11: 'pa11',
  polycarbonate: 'pc',
  copolyester: 'cpe',
  acetal: 'pom',
  polyacetal: 'pom',
  polypropylene: 'pp',
  acrylic: 'pmma',
  polyetherimide: 'pei',
  'pla+': 'pla-tough',
  toughpla: 'pla-tough',
  polylacticacid: 'pla',
  pctg: 'cpe',
  pcabs: 'pc-abs',
  tpu95: 'tpu-95a',
  tpu95a: 'tpu-95a',
  tpu85a: 'tpu-85a',
};

const names = new Map<string, string>();
for (const family of families) {
  for (const name of [family.id, family.name, family.abbreviation])
    if (!names.has(plain(name))) names.set(plain(name), family.id);
}
for (const [name, id] of Object.entries(OTHER_NAMES)) names.set(name, id);

const FILLER_KINDS: readonly (readonly [RegExp, string])[] = [
  [/carbon|\bcf\b|\bcf(?=\d)|-c(?=\d)/, 'carbon'],
  [/glass|\bgf\b|\bgf(?=\d)|-g(?=\d)/, 'glass'],
  [/aramid|\baf\b|\bar\b/, 'aramid'],
  [/mineral|talc|\bmf\b|wollastonite/, 'mineral'],
  [/\besd\b|dissipative|anti-?static|conductive/, 'static-dissipative'],
  [/flame|\bfr\b/, 'flame-retardant'],
  [/ptfe|lubricat/, 'ptfe-lubricant'],
];
/** Shares further from a listed one than this are another filler. */
const SHARE_TOLERANCE_PCT = 4;

/** No share is stated, or none that is near a listed one. */
const UNCLEAR = 'unclear';

/** The filler a text names, the nearest listed share; undefined: it names none; `UNCLEAR`: not which. */
function fillerIn(text: string): string | undefined {
  const words = text.toLowerCase();
  const kind = FILLER_KINDS.find(([pattern]) => pattern.test(words))?.[1];
  if (!kind) return undefined;
  const listed = reinforcements.filter(({ id }) => id === kind || id.startsWith(`${kind}-`));
  if (listed.length === 1) return listed[0]!.id;
  const share = Number(
    /(?:cf|gf|af|mf|carbon|glass|aramid|fib(?:re|er)|talc)\D{0,14}(\d{1,2})(?!\d)|(\d{1,2})\s?%/
      .exec(words)
      ?.slice(1)
      .find(Boolean),
  );
  if (!Number.isFinite(share)) return UNCLEAR;
  const nearest = listed.reduce((best, one) =>
    Math.abs((one.fillerMassPct ?? 0) - share) < Math.abs((best.fillerMassPct ?? 0) - share) ? one : best,
  );
  return Math.abs((nearest.fillerMassPct ?? 0) - share) <= SHARE_TOLERANCE_PCT ? nearest.id : UNCLEAR;
}

/** The filler by id or words; null: none; undefined: not understood. */
export function matchFiller(text: string): string | null | undefined {
  const words = text.trim().toLowerCase();
  if (/^(none|no|-|unfilled|neat|natural|)$/.test(words)) return null;
  const exact = reinforcements.find(({ id, name }) => id === words || name.toLowerCase() === words);
  if (exact) return exact.id;
  const found = fillerIn(words);
  return found === UNCLEAR ? undefined : found;
}

/** Family, and filler where the text names one: “PA6-CF15”, “PETG”, “Nylon 12 GF 25 %”. Undefined: no family that is known. */
export function matchFamily(text: string): FamilyMatch | undefined {
  const whole = names.get(plain(text));
  if (whole) return { familyId: whole, reinforcementId: null };
  if (plain(text) === 'notstated') return { familyId: 'not-stated', reinforcementId: null };
  const filler = fillerIn(text);
  const base = text.replace(
    /[-\s_/]*(carbon|glass|aramid|cf|gf|af|mf|esd|fr|talc|mineral|fib(re|er)|filled|reinforced|\d{1,2}\s?%?$).*$/i,
    '',
  );
  const familyId = names.get(plain(base));
  return familyId
    ? { familyId, reinforcementId: filler === undefined || filler === UNCLEAR ? null : filler }
    : undefined;
}

/** A family named by one word of a grade's name; undefined where none or more than one is. */
export function familyInName(name: string): FamilyMatch | undefined {
  const words = name.split(/[\s,;()]+/).filter(Boolean);
  const pairs = words.flatMap((word, i) => [word, `${word}${words[i + 1] ?? ''}`]);
  const found = new Set(
    pairs.map((word) => names.get(plain(word)) ?? matchFamily(word)?.familyId).filter((id) => id !== undefined),
  );
  if (found.size !== 1) return undefined;
  const filler = fillerIn(name);
  return { familyId: [...found][0]!, reinforcementId: filler === undefined || filler === UNCLEAR ? null : filler };
}
