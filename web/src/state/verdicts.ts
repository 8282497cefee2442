import {
  evaluate,
  sensitivities,
  type BuildDocument,
  type Sensitivity,
  type Verdict,
} from '@apple-cart/core';

/** Documents are never changed in place, so a verdict is worked out once per document and then remembered. */
const verdicts = new WeakMap<BuildDocument, Verdict>();
const moved = new WeakMap<BuildDocument, readonly Sensitivity[]>();

export function verdictOf(document: BuildDocument): Verdict {
  const known = verdicts.get(document);
  if (known !== undefined) return known;
  const verdict = evaluate(document);
  verdicts.set(document, verdict);
  return verdict;
}

export function sensitivitiesOf(document: BuildDocument): readonly Sensitivity[] {
  const known = moved.get(document);
  if (known !== undefined) return known;
  const list = sensitivities(document);
  moved.set(document, list);
  return list;
}
