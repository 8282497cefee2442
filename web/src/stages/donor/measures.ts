import {
  WALK,
  inUse,
  type BuildDocument,
  type Measure,
  type QuantityPath,
  type Station,
} from '@apple-cart/core';

const BY_PATH = new Map<QuantityPath, Measure>(
  WALK.flatMap((station) => station.measures.map((m): [QuantityPath, Measure] => [m.path, m])),
);

/** How a quantity is measured, where it is on the walk round the bicycle. */
export const measureOf = (path: QuantityPath): Measure | undefined => BY_PATH.get(path);

/** The walk, with only what this build asks for. */
export const walkFor = (build: BuildDocument): readonly Station[] =>
  WALK.map((station) => ({
    ...station,
    measures: station.measures.filter((m) => inUse(build, m.path)),
  })).filter((station) => station.measures.length > 0);
