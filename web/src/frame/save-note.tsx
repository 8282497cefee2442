import { useBuild } from '../state/build-store.ts';
import { saveWords } from '../state/save-words.ts';

/**
 * Whether the last change has been kept; read out when it changes for the worse. It is as wide while a change is
 * being kept as after: the buttons beside it must not move under a hand that is about to press them.
 */
export function SaveNote() {
  const saveState = useBuild((s) => s.saveState);
  const refusal = useBuild((s) => s.refusal);
  const held = useBuild((s) => s.held);
  const errandsWait = useBuild((s) => s.errandsWait);
  const notKept = useBuild((s) => s.notKept);
  const said = saveWords({ saveState, refusal, held, errandsWait });
  const bad = notKept !== undefined || said.bad;
  return (
    <small
      role={bad ? 'alert' : 'status'}
      data-save-state={saveState}
      title={notKept ?? said.why}
      className={`text-[13px] ${bad ? 'font-semibold text-stop' : 'min-w-[60px] shrink-0 text-left text-ink2 max-tablet:sr-only'}`}
    >
      {notKept === undefined ? said.words : `not done: ${notKept}`}
    </small>
  );
}
