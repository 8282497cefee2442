import { EFFORT, type ComplyChange } from './change.ts';

/** Two changes as one step. */
const joined = (a: ComplyChange, b: ComplyChange): ComplyChange => ({
  id: `${a.id}+${b.id}`,
  what: [...a.what, '; and with it: ', ...b.what],
  effort: EFFORT.indexOf(a.effort) > EFFORT.indexOf(b.effort) ? a.effort : b.effort,
  apply: (build) => b.apply(a.apply(build)),
});

/** A change that clears nothing by itself is shown with the next one that it helps: they are one step. */
export function inSteps(
  drafts: readonly ComplyChange[],
  clears: (drafts: readonly ComplyChange[]) => number,
): readonly ComplyChange[] {
  const out: ComplyChange[] = [];
  let pending: ComplyChange | undefined;
  for (const draft of drafts) {
    const one: ComplyChange = pending === undefined ? draft : joined(pending, draft);
    if (clears([one]) > 0) {
      out.push(one);
      pending = undefined;
    } else pending = one;
  }
  return pending === undefined ? out : [...out, pending];
}
