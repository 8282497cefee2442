/** Views of the range stage, in the order of the questions. */
export const RANGE_VIEWS = [
  { id: 'speed', name: 'At a steady speed' },
  { id: 'levels', name: 'By level of help' },
  { id: 'road', name: 'On the road' },
  { id: 'band', name: 'How sure?' },
  { id: 'home', name: 'Get home' },
  { id: 'energy', name: 'Where it goes' },
] as const;
export type RangeView = (typeof RANGE_VIEWS)[number]['id'];

/** The view of the range stage on which its own quantities are entered. */
export const RANGE_FIELDS: RangeView = 'road';
