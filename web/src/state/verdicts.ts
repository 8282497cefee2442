import { evaluate, measureNext, sensitivities, type BuildDocument, type Verdict } from '@apple-cart/core';

/** Documents are never changed in place, so a verdict is worked out once per document and then remembered. */
const verdicts = new WeakMap<BuildDocument, Verdict>();

export function verdictOf(document: BuildDocument): Verdict {
  const known = verdicts.get(document);
  if (known !== undefined) return known;
  const verdict = evaluate(document);
  verdicts.set(document, verdict);
  return verdict;
}

/** The same for a list that is worked out only where it is shown. */
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
