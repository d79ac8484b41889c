import { resolveClass } from '../../materials/resolveClass.ts';
import { PROPERTY_DEFINITIONS } from '../../materials/properties.ts';
import { formatNumber as f } from '../../units/formatQuantity.ts';
import type { Check, CheckContext } from '../check.ts';
import { judged, known, unknown } from '../outcome.ts';
import { showResolved } from '../showMaterial.ts';
import { claimText, outOfScope } from './claims.ts';

const CLASSES = PROPERTY_DEFINITIONS.flameClass.classes!;
/** At least as good: the classes are listed best first. */
const meets = (found: string, wanted: string) =>
  CLASSES.includes(found) && CLASSES.indexOf(found) <= CLASSES.indexOf(wanted);

/**
 * Flame class at the thinnest wall. A result on a thicker piece does not cover a thinner wall, one of a moulded bar does not
 * cover a print, and what is usual for a family is no rating at all.
 */
export const flame: Check = {
  id: 'flame',
  title: 'Flame class',
  anyWayUp: true,
  asks: 'Is the wanted flame class proven on prints as thin as its thinnest wall?',
  applies: ({ brief }) => brief.asks.flameClass !== undefined,
  evaluate(context, working) {
    const wanted = context.brief.asks.flameClass!;
    const { thinnestMm } = context.body;
    working?.add('t', 'Thinnest wall', thinnestMm, 'mm');
    const gaps: string[] = [];
    let proven: string | undefined;
    for (const { text, statement, reason } of [...claimed(context), ...observed(context)]) {
      const why = reason ?? (meets(statement, wanted) ? undefined : `${statement} is not ${wanted}`);
      working?.add('', 'Result', text, '', { source: why ?? 'covers this part' });
      if (why) gaps.push(`Claimed for other conditions: ${text}; ${why}`);
      else proven ??= text;
    }
    if (proven) return judged('pass', 'B', `${proven}: a rating of the tested print, not of this part`);
    const test = `Have printed bars of ${f(thinnestMm)} mm burnt, in the colour and orientation of use (UL 94, IEC 60695-11-10)`;
    if (gaps.length > 0) return unknown('', [...gaps, test]);
    const usual = resolveClass(context.material.grade, 'flameClass');
    const retarded = context.material.filler?.id === 'flame-retardant';
    if (usual.known && !meets(usual.classValue, wanted) && !retarded)
      return judged(
        'fail',
        'D',
        `${usual.classValue} is usual for ${context.material.family!.abbreviation}, and nothing better is claimed`,
      );
    const indication = usual.known
      ? `${usual.classValue} is usual for the family: an indication, never a rating`
      : 'Nothing is claimed';
    return unknown('', [indication, test]);
  },
};

interface FlameResult {
  text: string;
  statement: string;
  /** Why it does not speak of this part; undefined: it does. */
  reason: string | undefined;
}

function claimed(context: CheckContext): FlameResult[] {
  return (context.material.grade.claims ?? [])
    .filter((claim) => claim.kind === 'flame')
    .map((claim) => ({
      text: claimText(claim),
      statement: claim.statement.trim(),
      reason:
        outOfScope(claim, context) ??
        (claim.thicknessMm === undefined ? 'the tested thickness is not stated' : undefined),
    }));
}

function observed({ material, body }: CheckContext): FlameResult[] {
  return material.grade.observations
    .filter((one) => one.property === 'flameClass' && one.classValue !== undefined)
    .map((one) => {
      const reason =
        one.specimen !== 'printed' && one.source !== 'bench'
          ? 'it was not tested on a print'
          : one.thicknessMm === undefined
            ? 'the tested thickness is not stated'
            : one.thicknessMm > body.thinnestMm
              ? `${f(one.thicknessMm)} mm does not cover a wall of ${f(body.thinnestMm)} mm`
              : undefined;
      const thickness = one.thicknessMm === undefined ? '' : ` at ${f(one.thicknessMm)} mm`;
      return { text: `${one.classValue}${thickness}, ${one.reference}`, statement: one.classValue!, reason };
    });
}

/** Least share of oxygen in which it burns on, where one is asked for. */
export const oxygenIndex: Check = {
  id: 'oxygen-index',
  title: 'Oxygen index',
  anyWayUp: true,
  asks: 'Does it need enough oxygen to burn on?',
  words: ['Wanted', 'has'],
  applies: ({ brief }) => brief.asks.oxygenIndexPct !== undefined,
  evaluate({ material, brief }, working) {
    const index = material.property('oxygenIndex');
    if (!index.known) return unknown('%', index.gaps);
    if (working) showResolved(working, 'OI', 'Oxygen index', index, '%');
    return known({
      demand: brief.asks.oxygenIndexPct!,
      capacity: index.value,
      unit: '%',
      evidence: index.evidence,
      reason: index.evidence === 'D' ? 'Typical of the family, not tested on this grade' : null,
    });
  },
};
