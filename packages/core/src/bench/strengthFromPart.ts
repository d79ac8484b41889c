import type { BuildOrientation, Campaign } from '@anvilstone/schema';
import { InputError } from '../input/InputError.ts';
import { prepareMaterial } from '../materials/material.ts';
import { completeRules } from '../rules/houseRules.ts';
import type { PredictionGrounds } from './campaignPrediction.ts';
import { predictPart } from './partPrediction.ts';
import type { ArmResult } from './results.ts';

export interface StrengthFromPart {
  /** MPa. */
  meanMPa: number;
  sdMPa: number | null;
  /** Way up that the observation states: along the layers, or from layer to layer. */
  orientation: BuildOrientation;
  note: string;
}

/**
 * The tensile strength with which the part’s own model would have told the load at which it broke: the strength as resolved now ×
 * measured ÷ predicted. It holds as far as the model does, and only where strength is what gave.
 * @throws InputError the part or its load is not known, nothing was predicted, or another thing than strength gives first
 */
export function strengthFromPart(
  campaign: Campaign,
  { arm, summary }: ArmResult,
  { grade, rules, library, brief }: PredictionGrounds,
): StrengthFromPart {
  if (!brief || campaign.loadCaseId === undefined || !summary)
    throw new InputError('partId', campaign.partId, 'a campaign of a part that is there, with one of its loads');
  const predicted = predictPart(brief, campaign.loadCaseId, library, grade, arm.orientation, rules);
  if (!predicted.known)
    throw new InputError('predicted', predicted.gaps.join('; '), 'a breaking load that can be foretold');
  const across = predicted.checkId === 'strength-across-layers';
  if (!across && predicted.checkId !== 'strength-in-plane')
    throw new InputError(
      'place',
      predicted.place,
      'a part that breaks where its strength gives: this one tells something else',
    );
  const material = prepareMaterial(grade, brief.moisture, { ...completeRules(rules), strengthBasis: 'mean' }, false);
  const strength = material.property('tensileStrength', across ? 'across' : 'in-plane');
  if (!strength.known) throw new InputError('strength', strength.gaps.join('; '), 'a strength to start from');
  const perLoad = strength.value / predicted.value;
  return {
    meanMPa: summary.mean * perLoad,
    sdMPa: summary.sd === null ? null : summary.sd * perLoad,
    orientation: across ? 'ZX' : arm.orientation === 'ZX' ? 'XY' : arm.orientation,
    note: `Worked back through the model of “${brief.title}”: it broke at ${summary.mean.toPrecision(4)} where ${predicted.value.toPrecision(4)} was foretold (${predicted.place}). The model’s own error is in it.`,
  };
}
