import type { BuildDocument } from './document.ts';

/** What tells one pack from another in a sentence: nothing where there is only one. */
export const ofPack = ({ packs }: BuildDocument, index: number): string =>
  packs.length > 1 ? `, pack ${String(index + 1)}` : '';

/** The id of what is asked of one pack: the first keeps the plain one. */
export const idOfPack = (id: string, index: number): string =>
  index === 0 ? id : `${id}-${String(index + 1)}`;

/** A part of a pack by its number, where there are several: "Protection 2". */
export const numbered = ({ packs }: BuildDocument, name: string, index: number): string =>
  packs.length > 1 ? `${name} ${String(index + 1)}` : name;
