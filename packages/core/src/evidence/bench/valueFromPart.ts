import type { BuildOrientation, Campaign } from '@anvilstone/schema';
import { printStateOf } from '@anvilstone/core/evaluation';
import { InputError, inWords, joined } from '@anvilstone/core/foundations';
import { prepareMaterial, completeRules } from '@anvilstone/core/materials';
import type { PredictionInputs } from './campaignPrediction.ts';
import { predictPart } from './partPrediction.ts';
import type { ArmResult } from './results.ts';

/** In the canonical unit of the outcome’s property. */
export interface ValueFromPart {
  mean: number;
  sd: number | null;
  /** Build orientation that the observation states: along the layers, or from layer to layer. */
  orientation: BuildOrientation;
  note: string;
}

/**
 * The property with which the part’s own model would have told what it broke at, as resolved now × measured ÷ predicted: of a load the
 * tensile strength, of a blow the notched impact strength. It holds as far as the model does, and only where that property is what gave.
 * @throws InputError the part or its load is not known, nothing was predicted, or another thing gives first
 */
export function valueFromPart(
  campaign: Campaign,
  { arm, outcome, summary }: ArmResult,
  { grade, rules, library, brief }: PredictionInputs,
): ValueFromPart {
  if (!brief || campaign.loadCaseId === undefined || !summary)
    throw new InputError('partId', campaign.partId, 'a campaign of a part that is there, with one of its loads');
  const predicted = predictPart(brief, campaign.loadCaseId, library, grade, arm.orientation, rules);
  if (!predicted.known)
    throw new InputError(
      'predicted',
      inWords(joined(predicted.gaps, '; ')),
      'a load or energy at break that can be predicted',
    );
  const blow = outcome.property === 'charpyNotched';
  if (blow !== (predicted.unit === 'J') || !(blow ? BLOW : LOAD).includes(predicted.checkId ?? ''))
    throw new InputError(
      'place',
      inWords(predicted.place),
      `a part that breaks where its ${blow ? 'impact strength' : 'strength'} gives: this one tells something else`,
    );
  const asMean = { ...completeRules(rules), strengthBasis: 'mean' as const };
  const material = prepareMaterial(grade, brief.moisture, asMean, false, printStateOf(brief));
  const known = material.property(blow ? 'charpyNotched' : 'tensileStrength', predicted.across ? 'across' : 'in-plane');
  if (!known.known) throw new InputError('property', inWords(joined(known.gaps, '; ')), 'a value to start from');
  if (!Number.isFinite(known.value))
    throw new InputError('property', 'notched bars of it do not break', 'a grade whose notched bars break');
  const perReading = known.value / predicted.value;
  return {
    mean: summary.mean * perReading,
    sd: summary.sd === null ? null : summary.sd * perReading,
    orientation: predicted.across ? 'ZX' : arm.orientation === 'ZX' ? 'XY' : arm.orientation,
    note: `Back-calculated through the model of “${brief.title}”: it broke at ${summary.mean.toPrecision(4)} where ${predicted.value.toPrecision(4)} was predicted (${inWords(predicted.place)}). The model’s own error is in it.`,
  };
}

const LOAD = ['strength-in-plane', 'strength-across-layers'];
const BLOW = ['impact-unbroken'];
