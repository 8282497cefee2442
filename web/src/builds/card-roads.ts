import { create } from 'zustand';
import type { BuildDocument } from '@apple-cart/core';
import type { RoadRange } from '../state/road-range.ts';

/** What was found on the roads that builds of the page have chosen, by the document that was ridden. */
export const useCardRoads = create<{ readonly ranges: ReadonlyMap<BuildDocument, RoadRange> }>()(() => ({
  ranges: new Map(),
}));

export function tellCardRoad(document: BuildDocument, range: RoadRange): void {
  useCardRoads.setState(({ ranges }) => ({ ranges: new Map(ranges).set(document, range) }));
}
