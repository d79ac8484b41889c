import { say, bare, megapascals } from '@anvilstone/core/foundations';
import { defaultLayerShearMPa } from '../behaviour/offAxis.ts';
import type { Resolution } from './resolution.ts';

/**
 * Shear strength between layers where nobody measured it: 0.5·σxy·(σz/σxy)^½ from the two tensile strengths. Never better
 * than carried over, an estimate where one of the two is. Unknown where one of them is.
 */
export function layerShearFromStrengths(inPlane: Resolution, across: Resolution, explain: boolean): Resolution {
  if (!inPlane.known || !across.known) {
    return { known: false, gaps: [...(inPlane.known ? [] : inPlane.gaps), ...(across.known ? [] : across.gaps)] };
  }
  const value = defaultLayerShearMPa(inPlane.value, across.value);
  const evidence = across.evidence === 'D' || inPlane.evidence === 'D' ? 'D' : 'C';
  const text = () =>
    say`0.5 · σxy · (σz/σxy)^½ from ${bare(megapascals(inPlane.value))} and ${megapascals(across.value)}: not measured`;
  return {
    known: true,
    value,
    cov: evidence === 'D' ? 0.3 : 0.2,
    evidence,
    steps: explain ? [{ text: text(), value }] : [],
  };
}
