import type { BuildDocument } from '../document/document.ts';
import type { Part } from './part.ts';

/** What a part costs in a build's currency; null where there is none, nobody knows, or it is priced in another. */
export const priceIn = ({ money }: BuildDocument, part: Part | undefined): number | null =>
  part === undefined || part.currency !== money.currency ? null : part.price;
