import { measureNext, sensitivities, type BuildDocument } from '@apple-cart/core';

/** A list that is worked out once per document, and only where it is shown: it is no part of the first page. */
const remembered = <T extends object>(work: (document: BuildDocument) => T) => {
  const known = new WeakMap<BuildDocument, T>();
  return (document: BuildDocument): T => {
    const before = known.get(document);
    if (before !== undefined) return before;
    const result = work(document);
    known.set(document, result);
    return result;
  };
};

export const sensitivitiesOf = remembered(sensitivities);
export const measureNextOf = remembered(measureNext);
