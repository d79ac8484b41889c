import { say, mm, joined } from '@anvilstone/core/foundations';
import type { Claim, EvidenceClass, Statement } from '@anvilstone/schema';
import type { Check, CheckContext, PreparedPart } from '../engine/check.ts';
import { judged, unknown } from '../engine/outcome.ts';

const SCOPE_WORDS: Record<Claim['scope'], string> = {
  'raw-grade': 'the raw grade',
  'moulded-specimen': 'moulded bars',
  'printed-specimen': 'printed bars',
  'printed-part': 'a printed part',
  'not-stated': 'something not stated',
};

/** A claim in one line with everything that bounds it. */
export function claimText(claim: Claim): Statement {
  const bounds = [
    claim.value === undefined ? undefined : String(claim.value),
    claim.standard,
    `tested on ${SCOPE_WORDS[claim.scope]}`,
    claim.thicknessMm === undefined ? undefined : say`${mm(claim.thicknessMm)}`,
    claim.colour === undefined ? undefined : `in ${claim.colour}`,
    claim.date,
    claim.reference,
  ];
  return say`“${claim.statement}” (${joined(
    bounds.filter((one): one is Statement => one !== undefined && one !== ''),
    ', ',
  )})`;
}

/** Why a claim does not speak of this part; undefined: it does. */
export function outOfScope(claim: Claim, context: CheckContext, anyScope = false): Statement | undefined {
  if (!anyScope && claim.scope !== 'printed-part' && claim.scope !== 'printed-specimen')
    return `it was tested on ${SCOPE_WORDS[claim.scope]}, not on a print`;
  const wanted = context.brief.asks.colour?.wanted;
  if (claim.colour !== undefined && wanted !== undefined && claim.colour.toLowerCase() !== wanted.toLowerCase())
    return `it was tested in ${claim.colour}, not in ${wanted}`;
  const thinMm = context.brief.asks.flameThicknessMm ?? context.body.thinnestMm;
  if (claim.thicknessMm !== undefined && claim.thicknessMm > thinMm && claim.kind === 'flame')
    return say`${mm(claim.thicknessMm)} does not cover ${mm(thinMm)}`;
  return undefined;
}

interface Wanted {
  id: string;
  title: string;
  asks: string;
  applies(part: PreparedPart): boolean;
  kinds: readonly Claim['kind'][];
  /** Does the statement say enough? Absent: any statement of the kind does. */
  says?(claim: Claim, context: CheckContext): boolean;
  /** It says in so many words that it is less than asked; not only something else. */
  saysLess?(claim: Claim, context: CheckContext): boolean;
  /** What the claim is about does not change in the print, so the raw grade's statement serves. */
  ofTheMaterial?: true;
  /** What would settle it. */
  test: string;
}

/** A check that only a statement with its scope can answer: no number, no family value, and never a pass by default. */
function claimCheck(wanted: Wanted): Check {
  return {
    id: wanted.id,
    title: wanted.title,
    anyWayUp: true,
    asks: wanted.asks,
    applies: wanted.applies,
    evaluate(context, working) {
      const gaps: Statement[] = [];
      let found: { claim: Claim; evidence: EvidenceClass } | undefined;
      let less: Claim | undefined;
      for (const claim of context.material.grade.claims ?? []) {
        if (!wanted.kinds.includes(claim.kind)) continue;
        const isLess = wanted.saysLess?.(claim, context) ?? false;
        const short = isLess
          ? 'it is less than asked'
          : wanted.says && !wanted.says(claim, context)
            ? 'it says something else'
            : undefined;
        if (isLess) less ??= claim;
        const why = short ?? outOfScope(claim, context, wanted.ofTheMaterial);
        working?.add('', 'Claim', claimText(claim), '', { source: why ?? 'covers this part' });
        if (why && !isLess) gaps.push(say`Claimed for other conditions: ${claimText(claim)}; ${why}`);
        else if (!why) found ??= { claim, evidence: claim.scope === 'printed-part' ? 'B' : 'C' };
      }
      if (found)
        return judged(
          'pass',
          found.evidence,
          say`The maker states ${claimText(found.claim)}: keep the certificate, check it is in date`,
        );
      if (less && gaps.length === 0)
        return judged(
          'fail',
          'C',
          say`The maker states ${claimText(less)}: less than asked, and nothing better is claimed`,
        );
      return unknown('', [...(gaps.length > 0 ? gaps : ['Nothing is claimed']), wanted.test]);
    },
  };
}

const WET_FOOD = /wet|fat|all food/i;
const SHORT_CONTACT = /short|brief|limited/i;

export const food = claimCheck({
  id: 'food',
  title: 'Food contact',
  asks: 'Is there a statement for food contact that covers a printed part?',
  applies: ({ brief }) => brief.asks.food !== undefined,
  kinds: ['food'],
  says: (claim, { brief }) => brief.asks.food === 'dry' || WET_FOOD.test(claim.statement),
  saysLess: (claim, { brief }) =>
    (brief.asks.food !== 'dry' && /\bdry\b/i.test(claim.statement) && !WET_FOOD.test(claim.statement)) ||
    /\bnot\b.*food|no food/i.test(claim.statement),
  test: 'Have a printed part tested for migration under the food law that applies; seal its layer lines or it cannot be cleaned',
});
export const skin = claimCheck({
  id: 'skin',
  title: 'Skin contact',
  asks: 'Is there a statement for skin contact that covers a printed part?',
  applies: ({ brief }) => brief.asks.skin !== undefined,
  kinds: ['skin', 'biocompatible'],
  says: (claim, { brief }) => brief.asks.skin === 'brief' || !SHORT_CONTACT.test(claim.statement),
  saysLess: (claim, { brief }) => brief.asks.skin !== 'brief' && SHORT_CONTACT.test(claim.statement),
  test: 'Have a printed part tested for irritation and sensitisation (ISO 10993-10, -23); fibre-filled surfaces shed',
});
const isToStandard = ({ standard = '', statement }: Claim, wanted: string) =>
  `${standard} ${statement}`.toLowerCase().includes(wanted.toLowerCase());

export const smoke = claimCheck({
  id: 'smoke',
  title: 'Smoke',
  asks: 'Is there a smoke result to the required standard that covers a printed part?',
  applies: ({ brief }) => brief.asks.smokeStandard !== undefined,
  kinds: ['smoke'],
  says: (claim, { brief }) =>
    isToStandard(claim, brief.asks.smokeStandard!) &&
    (brief.asks.smokeAtMost === undefined || (claim.value !== undefined && claim.value <= brief.asks.smokeAtMost)),
  saysLess: (claim, { brief }) =>
    isToStandard(claim, brief.asks.smokeStandard!) &&
    brief.asks.smokeAtMost !== undefined &&
    claim.value !== undefined &&
    claim.value > brief.asks.smokeAtMost,
  test: 'Have printed plates tested for smoke density and toxicity to the standard that applies',
});
export const outgassing = claimCheck({
  id: 'outgassing',
  title: 'Outgassing',
  asks: 'Is there an outgassing result that covers a printed part?',
  applies: ({ brief }) => brief.asks.outgassing === true,
  kinds: ['outgassing'],
  test: 'Dry a printed part, then have its mass loss and condensables measured in vacuum (ASTM E595)',
});
const origin = (kind: 'recycled' | 'biodegradable', title: string, asks: string, test: string) =>
  claimCheck({
    id: kind,
    title,
    asks,
    applies: ({ brief }) => brief.asks.origin?.includes(kind) === true,
    kinds: [kind],
    ofTheMaterial: true,
    test,
  });
export const recycled = origin(
  'recycled',
  'Recycled',
  'Does its maker state a recycled share?',
  'Ask the maker for the recycled share and how it was counted (ISO 14021)',
);
export const biodegradable = origin(
  'biodegradable',
  'Biodegradable',
  'Does its maker state where and how it degrades?',
  'Ask the maker in which surroundings it degrades and how fast (ISO 17088): plant-based is not the same',
);
