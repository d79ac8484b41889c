import type { Statement } from '@anvilstone/schema';
import { say, celsius } from '@anvilstone/core/foundations';
import type { Check, CheckContext } from './check.ts';
import { strengthAcrossLayers } from '../strength/strengthAcrossLayers.ts';
import { strengthInPlane } from '../strength/strengthInPlane.ts';
import { reserveOf } from './caseCheck.ts';
import { unknown } from './outcome.ts';
import { showResolved } from './showMaterial.ts';
import { struckBrittleC } from '../impact/toughness.ts';

/** A material that stretches less than this at break gives no warning, %. */
const LEAST_WARNING_PCT = 3;

/**
 * Whether it bows, whitens or creaks before it breaks, or snaps. The family decides, and may be overruled
 * three times: a load that comes where it is brittle, by cold or by its speed; a filled grade that hardly stretches; and layers that
 * part first give no warning whatever the polymer.
 */
export const failureManner: Check = {
  id: 'failure-manner',
  title: 'Warning before failure',
  asks: 'Does it bow, whiten or creak before it fails, so that the failure can be seen coming?',
  testedBy: ['pull-bar', 'bend-bar', 'break-part'],
  applies: ({ brief }) => brief.asks.mustWarn === true,
  evaluate(context, working) {
    const { family } = context.material;
    if (!family) return unknown('', context.material.behaviourGaps);
    const elongation = context.material.property('elongationBreak');
    if (!elongation.known) return unknown('', elongation.gaps);
    if (working) {
      working.add('', `How ${family.abbreviation} fails`, WORDS[family.failureManner], '', {
        source: 'typical of the family',
      });
      showResolved(working, 'ε_b', 'Elongation at break', elongation, '%');
    }
    const brittle = brittleUnder(context);
    const reason =
      brittle ??
      (family.failureManner === 'snaps'
        ? `${family.abbreviation} snaps without warning`
        : elongation.value < LEAST_WARNING_PCT
          ? `Stretches only ${elongation.value.toPrecision(2)} % before it breaks: snaps`
          : layersPartFirst(context)
            ? 'The layers part first, without warning: choose another build orientation'
            : null);
    return {
      checkId: '',
      status: reason ? 'fail' : 'pass',
      demand: null,
      capacity: null,
      unit: '',
      reserve: null,
      evidence: 'D',
      gaps: [],
      reason: reason ?? WORDS[family.failureManner],
      loadCaseId: null,
      placeId: null,
    };
  },
};

/** In the cold, and the sooner when it is struck, every polymer breaks without warning. */
function brittleUnder(context: CheckContext): Statement | null {
  const slow = context.material.property('brittlenessTemperature');
  if (!slow.known) return null;
  for (const load of context.part.loads) {
    const { temperatureC, name } = load.loadCase;
    const isKnock = load.kind === 'knock';
    const fast = isKnock ? struckBrittleC(context, load) : { temperatureC: slow.value };
    if ('gaps' in fast || temperatureC >= fast.temperatureC) continue;
    return say`Under “${name}” at ${celsius(temperatureC)} it is brittle: ${isKnock ? 'struck, it shatters' : 'it snaps'}`;
  }
  return null;
}

const WORDS = {
  ductile: 'Yields and bends a long way before it breaks',
  warns: 'Bows, whitens or creaks before it breaks',
  snaps: 'Snaps without warning',
} as const;

function layersPartFirst(context: CheckContext): boolean {
  return context.part.loads.some((load) => {
    if (!strengthInPlane.appliesTo(load, context.body)) return false;
    const { temperatureC, durationH } = load.loadCase;
    const across = strengthAcrossLayers.at(context, load, temperatureC, durationH);
    const within = strengthInPlane.at(context, load, temperatureC, durationH);
    if (across.kind !== 'known') return false;
    return within.kind !== 'known' || reserveOf(across) < reserveOf(within);
  });
}
