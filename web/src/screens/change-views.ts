/** Views of the changes, in the order of the questions. */
export const CHANGE_VIEWS = [
  { id: 'gain', name: 'What would it gain?' },
  { id: 'search', name: 'Search the shelf' },
  { id: 'compare', name: 'Side by side' },
  { id: 'moves', name: 'What moves it most' },
  { id: 'history', name: 'What was changed' },
] as const;
export type ChangeView = (typeof CHANGE_VIEWS)[number]['id'];
