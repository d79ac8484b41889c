import { featureBrief } from '@anvilstone/core/shapes';
import type { Brief, Feature } from '@anvilstone/schema';
import { createContext } from 'react';

/** The model that the fields edit, where that is a feature and not the part itself. */
export interface BriefLens {
  featureId: string;
  /** Where the server says what is wrong with it. */
  pointer: string;
}
export const BriefLensContext = createContext<BriefLens | undefined>(undefined);

/** The brief as the fields of a feature see it; the whole brief where there is no such feature. */
export function seenThrough(brief: Brief, featureId: string | null): { brief: Brief; lens: BriefLens | undefined } {
  const index = (brief.features ?? []).findIndex(({ id }) => id === featureId);
  const feature = brief.features?.[index];
  if (!feature) return { brief, lens: undefined };
  return {
    brief: featureBrief(brief, feature),
    lens: { featureId: feature.id, pointer: `/features/${index}` },
  };
}

/** What was edited of a feature, put back into the whole brief; ids that stand elsewhere in it are changed. */
export function putBack(whole: Brief, { featureId }: BriefLens, { part, loadCases, combinations, asks }: Brief): Brief {
  const others = [whole, ...(whole.features ?? []).filter(({ id }) => id !== featureId)];
  const taken = new Set(others.flatMap((one) => [...one.loadCases, ...(one.combinations ?? [])].map(({ id }) => id)));
  const own = (id: string) => (taken.has(id) ? `${featureId}-${id}` : id);
  const edited = ({ combinations: _before, ...feature }: Feature): Feature => ({
    ...feature,
    part,
    loadCases: loadCases.map((load) => ({ ...load, id: own(load.id) })),
    ...(combinations
      ? {
          combinations: combinations.map((one) => ({ ...one, id: own(one.id), loadIds: one.loadIds.map(own) })),
        }
      : {}),
  });
  return {
    ...whole,
    asks,
    features: whole.features!.map((feature) => (feature.id === featureId ? edited(feature) : feature)),
  };
}
