import type { BuildDocument } from '../../document/document.ts';

/** Somebody has looked at a plug or measured a cable; before that everything is as is usual, and no finding. */
export const isBegun = ({ harness: { ports, cables } }: BuildDocument): boolean =>
  Object.keys(ports).length > 0 || Object.keys(cables).length > 0;
