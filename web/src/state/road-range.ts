import { create } from 'zustand';
import type { State } from '@apple-cart/core';

/** What is said of the range on the chosen road of the build in hand. */
export interface RoadRange {
  readonly words: string;
  readonly state: State;
}

/** It is ridden once, for the tray; whoever else speaks of the range says the same. Nothing where no road is chosen, or before it is ridden. */
export const useRoadRange = create<{ readonly range: RoadRange | undefined }>()(() => ({ range: undefined }));
