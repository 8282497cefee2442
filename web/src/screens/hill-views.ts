import type { QuantityPath } from '@apple-cart/core';

/** Views of the hill stage, in the order of the questions. */
export const HILL_VIEWS = [
  { id: 'grade', name: 'Speed on a grade' },
  { id: 'ride', name: 'Ride it' },
  { id: 'heat', name: 'Heat' },
  { id: 'gears', name: 'Which gear?' },
  { id: 'map', name: 'Map of limits' },
] as const;
export type HillView = (typeof HILL_VIEWS)[number]['id'];

/** The view of the hill stage on which a quantity is entered. */
export const hillViewOf = (path: QuantityPath): HillView => (path.startsWith('drive.') ? 'heat' : 'grade');
