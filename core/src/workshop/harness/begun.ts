import type { BuildDocument } from '../../document/document.ts';

/** Somebody has looked at a plug or measured a cable; before that everything is as is usual, and no finding. */
export const isBegun = ({ harness: { ports, cables, leftOver } }: BuildDocument): boolean =>
  [ports, cables, leftOver].some((said) => Object.keys(said).length > 0);
