import type { PackDocument } from './pack.ts';

/** A pack has a protection board unless it is said to have none; lead-acid has none unless it is said to have one. */
export const hasBoard = ({ board, chemistry }: Pick<PackDocument, 'board' | 'chemistry'>): boolean =>
  board === 'yes' || (board === 'unknown' && chemistry !== 'lead-acid');
