import {
  ORIENTATIONS,
  type Brief,
  type BuildOrientation,
  type Feature,
  type LoadCase,
  type PartAxisName,
} from '@anvilstone/schema';
import { BUILT_UP, dot, type Direction } from './direction.ts';
import { takesFill } from './models.ts';

const AXES: readonly PartAxisName[] = ['length', 'depth', 'width'];

/** The brief of a feature alone: its model and loads, with the same surroundings and the same infill where its model takes one. */
export function featureBrief(brief: Brief, { part, loadCases, combinations }: Feature): Brief {
  const { features: _all, combinations: _own, fibre: _strands, layup: _layup, filled, ...rest } = brief;
  return {
    ...rest,
    part,
    loadCases,
    ...(filled && takesFill(part) ? { filled } : {}),
    ...(combinations ? { combinations } : {}),
  };
}

/** The direction in which a part is built up, seen along the axes of a feature. */
export function upInFeature(
  { lengthAlong, depthAlong }: Pick<Feature, 'lengthAlong' | 'depthAlong'>,
  up: Direction,
): Direction {
  const widthAlong = AXES.find((axis) => axis !== lengthAlong && axis !== depthAlong)!;
  const along = (axis: PartAxisName) => up[AXES.indexOf(axis)]!;
  return [along(lengthAlong), along(depthAlong), along(widthAlong)];
}

/** Every load of a part and of its features. */
export const everyLoadCase = ({
  loadCases,
  features = [],
}: Pick<Brief, 'loadCases' | 'features'>): readonly LoadCase[] => [
  ...loadCases,
  ...features.flatMap((feature) => feature.loadCases),
];

/** The feature that a load, or a combination of loads, belongs to; undefined: the part itself. */
export const featureOfLoad = ({ features = [] }: Pick<Brief, 'features'>, loadId: string | null): Feature | undefined =>
  features.find(
    ({ loadCases, combinations = [] }) =>
      loadCases.some(({ id }) => id === loadId) || combinations.some(({ id }) => id === loadId),
  );

/** What an orientation of the part is called along the axes of a feature. */
export function orientationInFeature(
  feature: Pick<Feature, 'lengthAlong' | 'depthAlong'>,
  orientation: BuildOrientation,
): BuildOrientation {
  const up = upInFeature(feature, BUILT_UP[orientation]);
  return ORIENTATIONS.find((one) => dot(BUILT_UP[one], up) === 1)!;
}

/** A brief that asks for one load alone, on the model that it acts on, in one orientation of the part. */
export function briefWithLoad(brief: Brief, loadId: string, loadCase: LoadCase, orientation: BuildOrientation): Brief {
  const feature = featureOfLoad(brief, loadId);
  const { combinations: _together, features: _others, ...rest } = feature ? featureBrief(brief, feature) : brief;
  const built = feature ? orientationInFeature(feature, orientation) : orientation;
  return { ...rest, loadCases: [loadCase], asks: { orientations: [built] } };
}
