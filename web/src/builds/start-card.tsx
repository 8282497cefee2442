import { ArrowRight, Plus } from 'lucide-react';
import { Suspense, lazy, useState } from 'react';
import { useNavigate } from 'react-router';
import { DOORS, type Door } from '../start/doors.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { Button } from '../ui/button.tsx';
import { loadStartDialog } from './load-start-dialog.ts';
import type { Start } from './start-dialog.tsx';

/** Fetched when it is opened, or ahead of that: the first page has no form. */
const StartDialog = lazy(loadStartDialog);
const loadBegin = () => import('../start/begin.ts');

const PLAIN: Start = { title: 'Start a build', under: '', stage: 'brief' };

/** The first card: how to begin. */
export function StartCard() {
  const [start, setStart] = useState<Start>();
  const [trouble, attempt] = useAttempt();
  const navigate = useNavigate();
  const begin = async (door: Door['id']): Promise<void> => {
    const { beginBuild } = await loadBegin();
    const id = await beginBuild();
    void navigate(`/builds/${id}/start?from=${door}`, { state: { isNew: true } });
  };
  return (
    <section className="bg-ink p-[1.5px] [clip-path:polygon(0_0,calc(100%-20px)_0,100%_20px,100%_100%,0_100%)]">
      <div className="flex h-full flex-col bg-field px-4 pt-3 pb-4 [clip-path:polygon(0_0,calc(100%-20px)_0,100%_20px,100%_100%,0_100%)]">
        <h2 className="head text-[20px]">Start a build</h2>
        <p className="py-1.5 text-[15px]">
          One card takes a bicycle from “which motor?” to class, hill and range.
        </p>
        <div className="mb-4 border-t-[1.5px] border-ink">
          {DOORS.map((one) => (
            <button
              key={one.id}
              type="button"
              onClick={() => void attempt(() => begin(one.id))}
              className="flex w-full items-center justify-between border-b border-rule py-2 text-left hover:bg-press"
            >
              <span>
                <b className="head block text-[15px]">{one.title}</b>
                <span className="text-[12.5px] text-ink2">{one.under}</span>
              </span>
              <ArrowRight size={18} strokeWidth={1.6} aria-hidden />
            </button>
          ))}
        </div>
        {trouble !== undefined && (
          <p role="alert" className="pb-2 text-[13px] text-stop">
            {trouble}
          </p>
        )}
        <Button
          kind="go"
          className="mt-auto h-12! text-[16px]!"
          onClick={() => {
            setStart(PLAIN);
          }}
        >
          <Plus size={18} strokeWidth={1.8} aria-hidden /> Start a build
        </Button>
      </div>
      {start !== undefined && (
        <Suspense>
          <StartDialog
            start={start}
            onClose={() => {
              setStart(undefined);
            }}
          />
        </Suspense>
      )}
    </section>
  );
}
