import type { EvidenceClass, Statement } from '@anvilstone/schema';
import { formatNumber as f, say, mm } from '@anvilstone/core/foundations';
import { resolveClass, PROPERTY_DEFINITIONS } from '@anvilstone/core/materials';
import type { Check, CheckContext } from '../engine/check.ts';
import { judged, known, unknown } from '../engine/outcome.ts';
import { showResolved } from '../engine/showMaterial.ts';
import { claimText, outOfScope } from './claims.ts';

const CLASSES = PROPERTY_DEFINITIONS.flameClass.classes!;
/** At least as good: the classes are listed best first. */
const meets = (found: string, wanted: string) =>
  CLASSES.includes(found) && CLASSES.indexOf(found) <= CLASSES.indexOf(wanted);

/** Thickness that has to be rated, mm: as asked, else its thinnest wall. */
const ratedMm = ({ brief, body }: CheckContext) => brief.asks.flameThicknessMm ?? body.thinnestMm;

/**
 * Flame class at the rated thickness. A class holds from its tested thickness upwards, a moulded bar's does not cover a print, and what
 * is usual for a family is no rating at all. Who claims a lower class and no better one fails: a maker states the best there is.
 */
export const flame: Check = {
  id: 'flame',
  title: 'Flame class',
  anyWayUp: true,
  asks: 'Is the required flame class proven on prints of that thickness?',
  applies: ({ brief }) => brief.asks.flameClass !== undefined,
  evaluate(context, working) {
    const wanted = context.brief.asks.flameClass!;
    const thicknessMm = ratedMm(context);
    working?.add(
      't',
      context.brief.asks.flameThicknessMm ? 'Thickness to be rated' : 'Thinnest wall',
      thicknessMm,
      'mm',
    );
    const gaps: Statement[] = [];
    const lower: Statement[] = [];
    let proven: Statement | undefined;
    for (const { text, statement, reason } of [...claimed(context), ...observed(context)]) {
      const isLower = !meets(statement, wanted);
      const why = isLower ? `${statement} is not ${wanted}` : reason;
      working?.add('', 'Result', text, '', { source: why ?? 'covers this part' });
      if (isLower) lower.push(text);
      else if (why) gaps.push(say`Claimed for other conditions: ${text}; ${why}`);
      else proven ??= text;
    }
    if (proven) return judged('pass', 'B', say`${proven}: a rating of the tested print, not of this part`);
    const test = say`Have printed bars of ${mm(thicknessMm)} burnt, in the colour and orientation of use (UL 94, IEC 60695-11-10)`;
    if (gaps.length > 0) return unknown('', [...gaps, test]);
    if (lower.length > 0)
      return judged('fail', 'C', say`${lower[0]!}: less than ${wanted}, and nothing better is claimed`);
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
  text: Statement;
  statement: string;
  /** Why it does not speak of this part; undefined: it does. */
  reason: Statement | undefined;
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

function observed(context: CheckContext): FlameResult[] {
  const thinMm = ratedMm(context);
  return context.material.grade.observations
    .filter((one) => one.property === 'flameClass' && one.classValue !== undefined)
    .map((one) => {
      const reason =
        one.specimen !== 'printed' && one.source !== 'bench'
          ? 'it was not tested on a print'
          : one.thicknessMm === undefined
            ? 'the tested thickness is not stated'
            : one.thicknessMm > thinMm
              ? say`${mm(one.thicknessMm)} does not cover ${mm(thinMm)}`
              : undefined;
      const thickness = one.thicknessMm === undefined ? '' : say` at ${mm(one.thicknessMm)}`;
      return { text: say`${one.classValue!}${thickness}, ${one.reference}`, statement: one.classValue!, reason };
    });
}

/**
 * Least share of oxygen in which it burns on, where one is asked for. A moulded bar or the raw grade certifies no print: its evidence counts
 * a class weaker, and its scope is said; what is typical of a family is not enough to pass on.
 */
export const oxygenIndex: Check = {
  id: 'oxygen-index',
  title: 'Oxygen index',
  anyWayUp: true,
  asks: 'Is the oxygen index high enough?',
  words: ['Required', 'available'],
  applies: ({ brief }) => brief.asks.oxygenIndexPct !== undefined,
  evaluate({ material, brief }, working) {
    const wanted = brief.asks.oxygenIndexPct!;
    const index = material.property('oxygenIndex');
    if (!index.known) return unknown('%', index.gaps);
    if (working) showResolved(working, 'OI', 'Oxygen index', index, '%');
    const tested = material.grade.observations.find(({ id }) => id === index.observationId);
    const test = 'Have printed bars tested (ISO 4589-2)';
    if (!tested && index.value >= wanted)
      return unknown('%', [`${f(index.value)} % is typical of the family: an indication, not a result. ${test}`]);
    const onPrint = tested?.specimen === 'printed' || tested?.source === 'bench';
    return known({
      demand: wanted,
      capacity: index.value,
      unit: '%',
      evidence: onPrint ? index.evidence : weaker(index.evidence),
      reason: !tested
        ? 'Typical of the family, not tested on this grade'
        : onPrint
          ? null
          : `Tested on ${tested.specimen === 'moulded' ? 'moulded bars' : 'something not stated'}, which certifies no print. ${test}`,
    });
  },
};

const weaker = (evidence: EvidenceClass): EvidenceClass => (evidence === 'A' ? 'B' : evidence === 'B' ? 'C' : 'D');
