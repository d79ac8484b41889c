import type { Statement } from '@anvilstone/schema';
import { formatNumber as f } from '@anvilstone/core/foundations';
import { SMALL_SHARE } from '@anvilstone/core/shapes';
import { growthOf, isDriven, movementPerUnit } from '../engine/action.ts';
import type { Check, CheckContext, PreparedLoad } from '../engine/check.ts';
import { beyondRange, rangeOf } from './deflection.ts';
import { known, notLoaded, unknown } from '../engine/outcome.ts';
import { evidenceAt } from '../heat/temperatureEvidence.ts';

/** Something pushes on it for longer than a blow, whose force is a stand-in for its energy, and does not move it by force. */
const isPressed = (load: PreparedLoad) => load.kind !== 'knock' && !isDriven(load);

/** Somebody said how far it may move under this load. */
const isLimited = ({ loadCase }: PreparedLoad) =>
  loadCase.maxDeflectionMm !== undefined || loadCase.maxSagMm !== undefined;

const isUnlimited = (load: PreparedLoad) => isPressed(load) && !isLimited(load);

interface Moved {
  mm: number;
  load: PreparedLoad;
}

/** The largest movement under some loads, with creep where they stay on, mm. */
function largestMovement(
  context: CheckContext,
  counts: (load: PreparedLoad) => boolean,
): Moved | { gaps: readonly Statement[] } | undefined {
  const { part, compliances } = context;
  let found: Moved | undefined;
  for (const load of part.loads) {
    if (!counts(load)) continue;
    const compliance = compliances[load.directionIndex]!;
    if (!compliance.known) return { gaps: compliance.gaps };
    const { temperatureC, durationH } = load.loadCase;
    const growth = load.kind === 'lasting' ? growthOf(context, load, temperatureC, durationH) : 1;
    const mm = load.amount * movementPerUnit(context, compliance, temperatureC, growth);
    if (!found || mm > found.mm) found = { mm, load };
  }
  return found;
}

const evidenceOf = ({ material, compliances }: CheckContext, { loadCase, directionIndex }: PreparedLoad) => {
  const compliance = compliances[directionIndex]!;
  return evidenceAt(material, compliance.known ? compliance.evidence : 'D', loadCase.temperatureC);
};

/**
 * Whether a part that nobody set a limit for still bends by so little that its formulas hold: a part of rubber would otherwise pass
 * with a movement that means nothing. Beyond the tenth it is unknown and not failed: the part may serve, the formulas do not tell.
 */
export const movementInRange: Check = {
  id: 'movement-in-range',
  isLimit: true,
  title: 'Small-deflection range',
  words: ['Deflection', 'formulas valid to'],
  asks: 'Is the deflection small enough, usually a tenth of the span, for the formulas to hold?',
  failsAs: 'sagged',
  scatter: 'stiffness',
  applies: ({ body, loads }) => body.movementRangeMm !== undefined && loads.some(isPressed),
  evaluate(context, working) {
    const rangeMm = context.body.movementRangeMm!;
    if (!context.material.behaviour) return unknown('mm', context.material.behaviourGaps);
    const moved = largestMovement(context, isPressed);
    if (!moved) return notLoaded('mm', 'No deflection');
    if ('gaps' in moved) return unknown('mm', moved.gaps);
    const { mm, load } = moved;
    if (working) {
      working.add('', 'Largest deflection', Math.min(mm, rangeMm), 'mm', {
        expression: `under “${load.loadCase.name}”${mm > rangeMm ? ', or more' : ''}`,
      });
      working.add('', `What the formulas hold to: ${rangeOf(context.body)}`, rangeMm, 'mm', {
        source: 'small-deflection theory: Roark, 8.1',
      });
    }
    if (mm > rangeMm) return unknown('mm', [beyondRange(context, load)], load.loadCase.id);
    if (mm === 0) return notLoaded('mm', 'No deflection');
    return known({
      demand: mm,
      capacity: rangeMm,
      unit: 'mm',
      evidence: evidenceOf(context, load),
      loadCaseId: load.loadCase.id,
    });
  },
};

/**
 * Where nobody says how far it may move, a usual limit is taken and said: a share of its span by the company's rules, 1/50 unless they say
 * otherwise. A tooth, whose range is its backlash, keeps within that. A part too soft for its work would else win by being cheap.
 */
export const usualMovement: Check = {
  id: 'usual-movement',
  isLimit: true,
  title: 'Default deflection limit',
  words: ['Deflection', 'default limit'],
  asks: 'Is the deflection within the default limit where none is stated?',
  failsAs: 'sagged',
  scatter: 'stiffness',
  applies: ({ body, loads }) => body.movementRangeMm !== undefined && loads.some(isUnlimited),
  evaluate(context, working) {
    const { body, rules, material } = context;
    if (!material.behaviour) return unknown('mm', material.behaviourGaps);
    const rangeMm = body.movementRangeMm!;
    const ofSpan = body.movementRangeOf === undefined;
    const limitMm = ofSpan ? (rules.usualMovementShare / SMALL_SHARE) * rangeMm : rangeMm;
    const moved = largestMovement(context, isUnlimited);
    if (!moved) return notLoaded('mm', 'No deflection');
    if ('gaps' in moved) return unknown('mm', moved.gaps);
    const { mm, load } = moved;
    const whence = ofSpan ? `1/${f(1 / rules.usualMovementShare)} of its span, a company rule` : `${rangeOf(body)}`;
    if (working) {
      working.add('', 'Largest deflection without a stated limit', Math.min(mm, rangeMm), 'mm', {
        expression: `under “${load.loadCase.name}”${mm > rangeMm ? ', or more' : ''}`,
      });
      working.add('', `Usual limit: ${whence}`, limitMm, 'mm', {
        source: 'taken because the load states none; state one and that counts',
      });
    }
    if (mm === 0) return notLoaded('mm', 'No deflection');
    return known({
      // Beyond the range of the formulas it is too much for certain; how much, they do not tell.
      demand: Math.min(mm, rangeMm),
      capacity: limitMm,
      reserve: limitMm / mm,
      unit: 'mm',
      evidence: evidenceOf(context, load),
      reason: `No limit is stated for “${load.loadCase.name}”: ${whence}, is taken`,
      loadCaseId: load.loadCase.id,
    });
  },
};
