import { create } from 'zustand';
import { worstState, type StageVerdict, type State } from '@apple-cart/core';

/** What is said of the range on the chosen road of the build in hand. */
export interface RoadRange {
  readonly words: string;
  readonly state: State;
}

/** It is ridden once, for the tray; whoever else speaks of the range says the same. Nothing where no road is chosen, or before it is ridden. */
export const useRoadRange = create<{ readonly range: RoadRange | undefined }>()(() => ({ range: undefined }));

/** The row of the range where the road that was chosen says worse of it than a level one; undefined where it does not. */
export function rangeRow(
  stages: readonly StageVerdict[],
  road: RoadRange | undefined,
): StageVerdict | undefined {
  const range = stages.find(({ id }) => id === 'range');
  if (road === undefined || range === undefined || worstState([range.state, road.state]) === range.state)
    return undefined;
  return { ...range, state: road.state, words: road.words };
}
