import { CircleHelp } from 'lucide-react';
import { Suspense, lazy, useCallback, useState } from 'react';
import { STAGE_IDS } from '@apple-cart/core';
import { SCREENS } from '../screens/registry.ts';
import { Dialog } from '../ui/dialog.tsx';
import { SOURCE_WORD, SourceMark } from '../ui/source-mark.tsx';
import { STATE_WORD, StateMark } from '../ui/state-mark.tsx';
import { isTyping, useWindowKey } from '../ui/use-window-key.ts';

const ShareLine = lazy(() => import('./share-line.tsx').then((m) => ({ default: m.ShareLine })));
const BackupLine = lazy(() => import('./backup-line.tsx').then((m) => ({ default: m.BackupLine })));

/** Each stage with its letter: "B brief, D donor". */
const STAGE_KEYS = `go to a stage: ${STAGE_IDS.map((id) => `${SCREENS[id].key.toUpperCase()} ${SCREENS[id].name.toLowerCase()}`).join(', ')}`;

const KEYS = [
  ['Ctrl+K', 'find a field, a stage or an action'],
  ['Ctrl+Z, Ctrl+Y', 'undo and redo, over the whole build'],
  ['Up, Down', 'nudge the number in the field; with Shift, ten steps'],
  ['Enter, Escape', 'finish or drop what is typed in a field'],
  ['G, then a letter', STAGE_KEYS],
  ['Alt+1 to Alt+9', 'go to one of the first nine stages'],
  ['?', 'this page'],
] as const;

/** Marks, keys and caution on one page. */
export function HelpButton() {
  const [open, setOpen] = useState(false);
  useWindowKey(
    useCallback((event: KeyboardEvent) => {
      if (event.key === '?' && !isTyping(event.target) && !event.ctrlKey) setOpen(true);
    }, []),
  );
  return (
    <>
      <button
        type="button"
        aria-label="Help"
        onClick={() => {
          setOpen(true);
        }}
        className="grid h-full w-11 min-w-9 place-items-center border-r border-rule hover:bg-press"
      >
        <CircleHelp size={18} strokeWidth={1.6} aria-hidden />
      </button>
      <Dialog
        open={open}
        onClose={() => {
          setOpen(false);
        }}
        title="How the card works"
        description="Change a number and everything follows. Open any figure in the tray to see its working. There is no Save: every change is kept at once."
      >
        <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Keys</h3>
        <dl className="mb-4">
          {KEYS.map(([key, what]) => (
            <div key={key} className="flex gap-4 border-b border-hair py-1.5">
              <dt className="num w-36 shrink-0 text-[13px]">{key}</dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
        <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Numbers</h3>
        <p className="border-b border-hair py-1.5">
          Type them with or without a unit: <span className="num">26 in</span>,{' '}
          <span className="num">48 lb</span>, <span className="num">15 mph</span>,{' '}
          <span className="num">3/32 in</span>.
        </p>
        <div className="mb-4 flex flex-wrap gap-x-5 gap-y-1 border-b border-hair py-1.5">
          {(['measured', 'label', 'assumed', 'unknown', 'worked'] as const).map((source) => (
            <span key={source} className="flex items-center gap-1.5">
              <SourceMark source={source} /> {SOURCE_WORD[source]}
            </span>
          ))}
        </div>
        <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">States</h3>
        <div className="mb-4 flex flex-wrap gap-x-5 gap-y-1 border-b border-hair py-1.5">
          {(['fine', 'look', 'stop', 'unknown'] as const).map((state) => (
            <span key={state} className="flex items-center gap-1.5">
              <StateMark state={state} labelled={false} /> {STATE_WORD[state]}
            </span>
          ))}
        </div>
        <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">Backups</h3>
        <div className="mb-4 border-b border-hair">
          <Suspense>
            <BackupLine />
          </Suspense>
        </div>
        <h3 className="head border-b-[1.5px] border-ink pb-1 text-[14px]">A tablet at the bicycle</h3>
        <div className="mb-4 border-b border-hair">
          <Suspense>
            <ShareLine />
          </Suspense>
        </div>
        <p className="text-[13px] text-ink2">
          Lithium packs, mains chargers, spinning wheels and brakes can hurt. Data sheets, local codes and
          licensed practice decide; the law pages are a planning aid, not legal advice.
        </p>
      </Dialog>
    </>
  );
}
