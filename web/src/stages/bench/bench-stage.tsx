import { BENCH_GROUPS, BENCH_GROUP_NAMES, type BenchStep } from '@apple-cart/core';
import { useEffect } from 'react';
import { Link, useSearchParams } from 'react-router';
import { BENCH_VIEWS, type BenchView } from '../../screens/bench-views.ts';
import { NOTHING_TYPED, typedKey, useBenchTyped, type Typed } from '../../state/bench-typed.ts';
import { FieldGroup } from '../../fields/field-group.tsx';
import { PanelHead } from '../../ui/panel.tsx';
import { Stage } from '../parts/stage.tsx';
import { ViewLinks } from '../parts/view-links.tsx';
import { atWords } from './at-words.ts';
import { BeginRun } from './begin-run.tsx';
import { benchStands } from './bench-stands.ts';
import { BenchMark } from './bench-mark.tsx';
import { GroupsStrip } from './groups-strip.tsx';
import { HandoverInputs, HandoverPicture } from './handover-view.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import { RunTable } from './run-table.tsx';
import { StepText } from './step-text.tsx';
import { StepAnswer } from './step-view.tsx';
import { ToolsInputs, ToolsPicture } from './tools-view.tsx';
import { useBench, type Bench } from '../parts/use-bench.ts';

/** The steps of a run by group, and what asks to be repeated. */
function AlongTheJob({ bench, onGo }: { bench: Bench; onGo: (number: number) => void }) {
  const { view } = bench;
  if (view === undefined) return null;
  const repeat = view.steps.filter((s) => s.state === 'repeat');
  return (
    <>
      <FieldGroup title="Along the job" note={`${String(view.steps.length)} hold points`}>
        <ul>
          {BENCH_GROUPS.map((group) => {
            const steps = view.steps.filter((s) => s.point.group === group);
            return steps.length === 0 ? null : (
              <li key={group} className="flex items-center gap-2 border-b border-hair py-1 text-[13.5px]">
                <span className="w-36 first-letter:uppercase">{BENCH_GROUP_NAMES[group]}</span>
                <span className="flex flex-1 flex-wrap gap-1">
                  {steps.map((s) => (
                    <BenchMark key={s.point.key} state={s.state} />
                  ))}
                </span>
                <span className="text-[12.5px] text-ink2">
                  {steps.filter((s) => s.state === 'passed' || s.state === 'waived').length} of {steps.length}
                </span>
              </li>
            );
          })}
        </ul>
      </FieldGroup>
      {repeat.length > 0 && (
        <FieldGroup title="Changed since" note="the plan has moved">
          {repeat.map((s) => (
            <button
              key={s.point.key}
              type="button"
              className="block min-h-8 w-full border-b border-hair py-1.5 text-left text-[13.5px] leading-snug max-bench:min-h-11"
              onClick={() => {
                onGo(s.number);
              }}
            >
              <b className="font-semibold underline">
                {s.number}, {s.point.title}
              </b>
              <span className="block text-ink2">{s.repeat}</span>
            </button>
          ))}
          <p className="py-1.5 text-[12.5px] text-ink2">
            A check comes back if its part is another one, or its reading lies outside the new band. A signed
            sheet stays as it was.
          </p>
        </FieldGroup>
      )}
    </>
  );
}

/** The runs that were begun, where there are several: an earlier one is looked at, and stays as it was. */
function Runs({ bench: { runs, run } }: { bench: Bench }) {
  if (runs.length < 2) return null;
  return (
    <FieldGroup title="Runs" note="the last first">
      {runs.map(({ key, at, data }, i) => (
        <Link
          key={key}
          to={`?${new URLSearchParams({ view: 'run', ...(i === 0 ? {} : { run: key }) }).toString()}`}
          replace
          aria-current={key === run?.key ? 'true' : undefined}
          className="flex min-h-8 items-center justify-between border-b border-hair text-[13.5px] underline aria-[current=true]:font-bold aria-[current=true]:no-underline max-bench:min-h-11"
        >
          {data.name}, {data.who}{' '}
          <span className="text-ink2">{at === '' ? 'not sent yet' : atWords(at)}</span>
        </Link>
      ))}
    </FieldGroup>
  );
}

/** The screen stays awake while a step is shown, where the browser can do that. */
function useAwake(on: boolean): void {
  useEffect(() => {
    if (!on) return undefined;
    let lock: WakeLockSentinel | undefined;
    const { wakeLock } = navigator as { readonly wakeLock?: WakeLock };
    const hold = (): void => {
      if (document.visibilityState === 'visible')
        wakeLock?.request('screen').then(
          (held) => {
            lock = held;
          },
          () => undefined,
        );
    };
    hold();
    document.addEventListener('visibilitychange', hold);
    return () => {
      document.removeEventListener('visibilitychange', hold);
      void lock?.release();
    };
  }, [on]);
}

/** The step that the address names, else the next that may be done, else the last. */
function stepInHand(bench: Bench, asked: string | null): BenchStep | undefined {
  const { view } = bench;
  return view?.steps.find((s) => s.point.key === asked) ?? view?.next ?? view?.steps.at(-1);
}

interface Shown {
  readonly bench: Bench;
  readonly view: BenchView;
  readonly step: BenchStep | undefined;
  readonly typed: Typed;
  readonly onTyped: (next: Typed) => void;
  readonly goStep: (number: number) => void;
}

function Inputs({ bench, view, step, goStep }: Shown) {
  if (view === 'tools') return <ToolsInputs points={bench.points} />;
  if (bench.view === undefined)
    return bench.records.ready ? (
      <BeginRun bench={bench} />
    ) : (
      <p role="status">{bench.records.error ?? 'Fetching the records.'}</p>
    );
  if (view === 'handover') return <HandoverInputs bench={bench} />;
  if (view === 'run')
    return (
      <>
        <Runs bench={bench} />
        <AlongTheJob bench={bench} onGo={goStep} />
        {bench.signs.length > 0 && <BeginRun bench={bench} again />}
      </>
    );
  if (step === undefined) return null;
  return (
    <>
      <GroupsStrip
        view={bench.view}
        inHand={step}
        onPick={(s) => {
          goStep(s.number);
        }}
      />
      <StepText step={step} steps={bench.view.steps.length} />
    </>
  );
}

function Picture({ bench, view, step, typed, onTyped, goStep }: Shown) {
  if (view === 'tools') return <ToolsPicture points={bench.points} />;
  if (bench.view === undefined) return <PointsAhead bench={bench} />;
  if (view === 'handover') return <HandoverPicture bench={bench} />;
  const { done, repeat, open, failed } = bench.view;
  if (view === 'run')
    return (
      <section aria-label="The run">
        <PanelHead
          title={`${String(done)} hold, ${String(repeat)} to repeat, ${String(open + failed)} open`}
        />
        <RunTable view={bench.view} onGo={goStep} />
      </section>
    );
  return step === undefined ? null : (
    <StepAnswer
      key={step.point.key}
      bench={bench}
      step={step}
      typed={typed}
      onTyped={onTyped}
      onGo={goStep}
    />
  );
}

/** What was tested, by whom, with which reading: at the bicycle, as a table, and signed. */
export function BenchStage() {
  const bench = useBench();
  const [params, setParams] = useSearchParams();
  const view = BENCH_VIEWS.find((v) => v.id === params.get('view'))?.id ?? 'step';
  const step = stepInHand(bench, params.get('step'));
  useAwake(view === 'step' && step !== undefined);
  const stands = benchStands(bench);
  const go = (to: string, at?: number): void => {
    const target = at === undefined ? undefined : bench.view?.steps.find((s) => s.number === at);
    const earlier = params.get('run');
    const next = new URLSearchParams({
      view: to,
      ...(earlier === null ? {} : { run: earlier }),
      ...(target === undefined ? {} : { step: target.point.key }),
    });
    setParams(next, { replace: true });
  };
  const goStep = (number: number): void => {
    go('step', number);
  };
  const stepKey = step?.point.key ?? '';
  const typed = useBenchTyped((state) => state.typed[typedKey(bench.build, stepKey)]);
  const type = useBenchTyped((state) => state.set);
  const shown: Shown = {
    bench,
    view,
    step,
    goStep,
    typed: typed === undefined ? NOTHING_TYPED : { ...NOTHING_TYPED, ...typed },
    onTyped: (next) => {
      type(bench.build, stepKey, next);
    },
  };
  return (
    <Stage
      id="bench"
      stamp={stands.stamp}
      views={
        <>
          <ViewLinks label="Views of the bench" views={BENCH_VIEWS} view={view} />
          {view !== 'step' && (
            <div className="mx-6 max-tablet:mx-3">
              <OutboxNotice build={bench.build} broken={bench.records.broken} />
            </div>
          )}
        </>
      }
      inputs={<Inputs {...shown} />}
      picture={<Picture {...shown} />}
    />
  );
}

/** The hold points before a run is begun. */
function PointsAhead({ bench }: { bench: Bench }) {
  return (
    <section aria-label="Hold points">
      <PanelHead
        title={`${String(bench.points.length)} hold points`}
        note="worked out from the build as it is now"
      />
      <ol className="text-[13.5px]">
        {bench.points.map((p, i) => (
          <li key={p.key} className="flex gap-2 border-b border-hair py-1">
            <span className="num w-7 text-right text-ink3">{i + 1}</span>
            <span className="w-32 shrink-0 text-ink2">{BENCH_GROUP_NAMES[p.group]}</span>
            {p.title}
          </li>
        ))}
      </ol>
    </section>
  );
}
