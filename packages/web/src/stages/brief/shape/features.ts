import { fitLoad, type AnyPartModel } from '@anvilstone/core/shapes';
import type { Brief, Feature } from '@anvilstone/schema';
import { newBrief } from '../../parts/new/newBrief.ts';

/** A new feature of a model, with a first load to correct; its axes lie as those of the part. */
export function withNewFeature(brief: Brief, model: AnyPartModel): { brief: Brief; id: string } {
  const { features = [] } = brief;
  const taken = new Set(features.map(({ id }) => id));
  let number = features.length + 1;
  while (taken.has(`feature-${number}`)) number += 1;
  const id = `feature-${number}`;
  const first = { ...newBrief.loadCases[0]!, id: `${id}-load-1`, name: 'Load' };
  const feature: Feature = {
    id,
    name: model.title,
    part: model.start,
    lengthAlong: 'length',
    depthAlong: 'depth',
    loadCases: [fitLoad(first, model.start)],
  };
  return { brief: { ...brief, features: [...features, feature] }, id };
}

export const withFeature = (brief: Brief, id: string, change: Partial<Feature>): Brief => ({
  ...brief,
  features: (brief.features ?? []).map((one) => (one.id === id ? { ...one, ...change } : one)),
});

export function withoutFeature(brief: Brief, id: string): Brief {
  const { features = [], ...rest } = brief;
  const left = features.filter((one) => one.id !== id);
  return left.length === 0 ? rest : { ...rest, features: left };
}
