import { compliancesOf } from '../compliances.ts';
import { relievedLayerStresses } from '../reinforced.ts';
import type { CheckContext, PreparedLoad, PreparedPart } from '../check.ts';

const NONE: readonly CheckContext[] = [];
const known = new WeakMap<CheckContext, readonly CheckContext[]>();

/** The same grade, orientation and machine on every further model of the part. */
export function featureContexts(context: CheckContext): readonly CheckContext[] {
  const { part, material } = context;
  if (part.features.length === 0) return NONE;
  let contexts = known.get(context);
  if (!contexts) {
    contexts = part.features.map((feature) => ({
      ...context,
      part: feature,
      brief: feature.brief,
      body: feature.body,
      layerStresses: relievedLayerStresses(feature, material),
      compliances: compliancesOf(feature, material),
      heatLimits: {},
    }));
    known.set(context, contexts);
  }
  return contexts;
}

/** Every load of a part, and then those of its features: the order in which they scatter. */
export const everyLoad = ({ loads, features }: Pick<PreparedPart, 'loads' | 'features'>): readonly PreparedLoad[] =>
  features.length === 0 ? loads : [...loads, ...features.flatMap((feature) => feature.loads)];
