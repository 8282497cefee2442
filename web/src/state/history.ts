/** Undo and redo over whole documents. Pure: the store keeps one of these per open build. */
export interface History<T> {
  readonly past: readonly Step<T>[];
  readonly future: readonly Step<T>[];
}

interface Step<T> {
  readonly document: T;
  /** What the change was, for the menu: "Undo chainring". */
  readonly label: string;
  /** Changes of one key close together are one step: typing "14" is not two. */
  readonly key: string;
  readonly at: number;
}

export const emptyHistory = { past: [], future: [] } as const;

const MERGE_MS = 1500;
const DEPTH = 200;

/** Records that `before` was replaced. */
export function record<T>(
  history: History<T>,
  before: T,
  label: string,
  key: string,
  at: number,
): History<T> {
  const last = history.past.at(-1);
  if (
    last !== undefined &&
    last.key === key &&
    key !== '' &&
    at - last.at < MERGE_MS &&
    history.future.length === 0
  ) {
    return { past: [...history.past.slice(0, -1), { ...last, at }], future: [] };
  }
  return { past: [...history.past, { document: before, label, key, at }].slice(-DEPTH), future: [] };
}

/** One step back from `current`; undefined at the beginning. */
export function undo<T>(
  history: History<T>,
  current: T,
): { readonly history: History<T>; readonly document: T } | undefined {
  const step = history.past.at(-1);
  if (step === undefined) return undefined;
  return {
    document: step.document,
    history: {
      past: history.past.slice(0, -1),
      future: [...history.future, { ...step, document: current, key: '' }],
    },
  };
}

/** One step forward again; undefined at the end. */
export function redo<T>(
  history: History<T>,
  current: T,
): { readonly history: History<T>; readonly document: T } | undefined {
  const step = history.future.at(-1);
  if (step === undefined) return undefined;
  return {
    document: step.document,
    history: {
      past: [...history.past, { ...step, document: current, key: '' }],
      future: history.future.slice(0, -1),
    },
  };
}
