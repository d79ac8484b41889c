import { checks, findCheck, type FailureModeId } from '@anvilstone/core/checks';
import type { Dimension } from '@anvilstone/core/foundations';

/** How a part in service fails, told by what is seen of it. */
export interface FailureMode {
  id: FailureModeId;
  title: string;
  /** What one sees, in words that tell it from the others. */
  looksLike: string;
  /** What to look at before it has come to that. */
  lookFor: string;
  /** What is measured, where it can be; absent: it is only looked at. */
  measure?: { title: string; dimension: Dimension };
  /** It builds up with time under load or in its surroundings, rather than with what happens to it once. */
  withTime: boolean;
  /** One that is seen coming, or one that is not. */
  warns: boolean;
}

/** Every failure mode, those that creep up first. The next one is one entry here. */
export const failureModes: readonly FailureMode[] = [
  {
    id: 'sagged',
    title: 'Creep deformation',
    looksLike: 'Whole, but bent, hanging or oval where it was straight or round; it does not spring back.',
    lookFor: 'Creep at the loaded end, ovality of rings, gaps opened at seats',
    measure: { title: 'Distortion', dimension: 'length' },
    withTime: true,
    warns: true,
  },
  {
    id: 'lost-hold',
    title: 'Loss of clamping force',
    looksLike: 'Whole, but loose: a clamp, spring or press fit no longer presses.',
    lookFor: 'Play at clamps and press fits, bolts that turn easily',
    measure: { title: 'Retained force', dimension: 'force' },
    withTime: true,
    warns: true,
  },
  {
    id: 'fatigue-crack',
    title: 'Fatigue crack',
    looksLike: 'A crack from a corner, a hole or a root, often with rings like a shell; the last bit torn off rough.',
    lookFor: 'Hair cracks at roots, holes and inner corners; whitening there',
    measure: { title: 'Length of the crack', dimension: 'length' },
    withTime: true,
    warns: true,
  },
  {
    id: 'layers-parted',
    title: 'Layer separation',
    looksLike: 'A flat, smooth break along a layer; the beads are whole on both sides.',
    lookFor: 'Lines that open between layers on the pulled side, white seams, a dull sound when tapped',
    withTime: false,
    warns: false,
  },
  {
    id: 'torn',
    title: 'Fracture across the beads',
    looksLike: 'A rough break across the beads, whitened and drawn out, or sharp and glassy where it is brittle.',
    lookFor: 'Whitening and necking where it is pulled most',
    withTime: false,
    warns: true,
  },
  {
    id: 'buckled',
    title: 'Buckling',
    looksLike: 'Bowed out to the side under a push along it; the fold is halfway or at a clamp.',
    lookFor: 'A slight bow in slender parts that are pushed, more of it on hot days',
    measure: { title: 'Deflection at mid-span', dimension: 'length' },
    withTime: true,
    warns: true,
  },
  {
    id: 'shattered',
    title: 'Impact fracture',
    looksLike: 'Several pieces with sharp edges and little whitening; often in the cold.',
    lookFor: 'Chips, star cracks and dents where it is struck',
    withTime: false,
    warns: false,
  },
  {
    id: 'softened',
    title: 'Heat softening',
    looksLike: 'Drooped or flowed within minutes, glossy where it touched something hot; clamps have sunk in.',
    lookFor: 'Gloss, prints of clamps, the highest temperature a label has kept',
    measure: { title: 'Highest temperature seen', dimension: 'temperature' },
    withTime: false,
    warns: true,
  },
  {
    id: 'crazed',
    title: 'Chemical attack or stress cracking',
    looksLike: 'Many fine cracks or a milky face where a fluid stood under load; sticky or swollen.',
    lookFor: 'Fine cracks against the light, cloudiness, tackiness where it is wetted',
    withTime: true,
    warns: true,
  },
  {
    id: 'weathered',
    title: 'Weathering',
    looksLike: 'Chalky, faded face with fine cracks on the sunny side; sound on the other.',
    lookFor: 'Chalk on the finger, change of colour against a covered place, edges that crumble',
    withTime: true,
    warns: true,
  },
  {
    id: 'worn',
    title: 'Wear',
    looksLike: 'Material gone where it rubs, dust beside it, polished or furrowed faces.',
    lookFor: 'Play in bearings and teeth, dust, furrows',
    measure: { title: 'Wear depth', dimension: 'length' },
    withTime: true,
    warns: true,
  },
];

const byId = new Map<string, FailureMode>(failureModes.map((mode) => [mode.id, mode]));
/** Undefined: of a newer version. */
export const findFailureMode = (id: string): FailureMode | undefined => byId.get(id);

/** Checks that should have predicted a failure mode, by id. */
export const predictedBy = (modeId: string): string[] =>
  checks.filter(({ failsAs }) => failsAs === modeId).map(({ id }) => id);

/** Whether a check should have predicted it. */
export const isPredictedBy = (modeId: string, checkId: string): boolean => findCheck(checkId)?.failsAs === modeId;
