import { useBuild, type SaveState } from '../state/build-store.ts';

const WORDS: Readonly<Record<SaveState, string>> = {
  saved: 'kept',
  waiting: 'keeping…',
  saving: 'keeping…',
  offline: 'server away, kept here',
  conflict: 'changed elsewhere',
  refused: 'not accepted',
};

/**
 * Whether the last change has been kept; read out when it changes for the worse. It is as wide while a change is
 * being kept as after: the buttons beside it must not move under a hand that is about to press them.
 */
export function SaveNote() {
  const state = useBuild((s) => s.saveState);
  const refusal = useBuild((s) => s.refusal);
  const notKept = useBuild((s) => s.notKept);
  const bad = notKept !== undefined || state === 'offline' || state === 'conflict' || state === 'refused';
  return (
    <small
      role={bad ? 'alert' : 'status'}
      data-save-state={state}
      title={notKept ?? refusal}
      className={`text-[13px] ${bad ? 'font-semibold text-stop' : 'min-w-[60px] shrink-0 text-left text-ink2 max-tablet:sr-only'}`}
    >
      {notKept === undefined ? WORDS[state] : `not done: ${notKept}`}
    </small>
  );
}
