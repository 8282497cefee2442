import type { PartType } from '../document/part-types.ts';
import type { Part, PartOf } from './part.ts';

/** The parts of one type. */
export const ofType = <T extends PartType>(parts: readonly Part[], type: T): readonly PartOf<T>[] =>
  parts.filter((p): p is PartOf<T> => p.type === type);
