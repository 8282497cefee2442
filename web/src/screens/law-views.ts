/** Views of the law stage, in the order of the questions. */
export const LAW_VIEWS = [
  { id: 'clauses', name: 'Clauses' },
  { id: 'fit', name: 'Make it fit' },
  { id: 'places', name: 'All places' },
  { id: 'curves', name: 'Curves' },
  { id: 'duties', name: 'Duties and traps' },
] as const;
export type LawView = (typeof LAW_VIEWS)[number]['id'];
