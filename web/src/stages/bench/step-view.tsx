import {
  BENCH_GROUP_NAMES,
  NOTHING_FOUND,
  SYMPTOM_WORDS,
  judgeEvidence,
  phraseText,
  symptomOfPoint,
  type BenchEntry,
  type BenchStep,
  type HoldPoint,
  type Instrument,
} from '@apple-cart/core';
import { ChevronLeft, Gauge, ChevronRight, Lock, TriangleAlert } from 'lucide-react';
import { useLayoutEffect, useRef, useState, type RefObject } from 'react';
import { Link } from 'react-router';
import { beginFault } from '../../state/bench-notes.ts';
import { useBuild } from '../../state/build-store.ts';
import { NOTHING_TYPED, type Typed } from '../../state/bench-typed.ts';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { useSettings } from '../../state/settings-store.ts';
import { atWords } from './at-words.ts';
import { BenchMark, STEP_WORD } from './bench-mark.tsx';
import { askedWords, foundWords } from './expected.ts';
import { FindingsFields, findingsOf, typedFrom, typedOf } from './findings-fields.tsx';
import { MeterPicture } from './meter-picture.tsx';
import { Photographs } from './photographs.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import type { Bench } from '../parts/use-bench.ts';
import { useMeter } from '../parts/use-meter.ts';
import { TextButton } from '../../ui/text-button.tsx';
import { WhoField } from '../parts/who-field.tsx';

const BIG = 'min-h-12 w-full border-[1.5px] px-4 text-[17px] font-bold disabled:opacity-45';

interface StepProps {
  readonly bench: Bench;
  readonly step: BenchStep;
  readonly typed: Typed;
  readonly onTyped: (next: Typed) => void;
  readonly onGo: (number: number) => void;
}

/** From a point that has failed to what is behind it. */
function FindCause({ point }: { point: BenchStep['point'] }) {
  const build = useBuild((state) => state.id) ?? '';
  const symptom = symptomOfPoint(point.key);
  if (symptom === undefined) return null;
  return (
    <Link
      className="mt-2 flex min-h-12 items-center border-[1.5px] border-ink bg-field px-4 text-[16px] font-semibold hover:bg-press"
      to="../road?view=faults"
      relative="path"
      onClick={() => {
        beginFault(build, symptom, `${point.title}: failed on the bench`);
      }}
    >
      Find the cause: {SYMPTOM_WORDS[symptom].name.toLowerCase()}
    </Link>
  );
}

/** Whoever comes to a step, or goes on to another, stands at its title: it is read before it is passed, also where the screen is short. */
function useAtTitle(key: string): RefObject<HTMLHeadingElement | null> {
  const title = useRef<HTMLHeadingElement>(null);
  const shown = useRef(key);
  useLayoutEffect(() => {
    title.current?.scrollIntoView({ block: 'nearest' });
    if (shown.current === key) return;
    shown.current = key;
    title.current?.focus({ preventScroll: true });
  }, [key]);
  return title;
}

/** The point at the bicycle: what it is, what can hurt, how. */
export function StepText({ step, steps }: { step: BenchStep; steps: number }) {
  const system = useSettings((state) => state.units);
  const { point } = step;
  const title = useAtTitle(point.key);
  return (
    <section aria-label="Hold point">
      <p className="flex flex-wrap justify-between gap-x-3 pt-3 text-[14px]">
        <span>
          <b className="font-semibold">
            Step {step.number} of {steps}
          </b>{' '}
          {BENCH_GROUP_NAMES[point.group]}
        </span>
        <span className="flex items-center gap-1.5">
          <BenchMark state={step.state} /> {STEP_WORD[step.state]}
        </span>
      </p>
      <h2
        ref={title}
        tabIndex={-1}
        className="head scroll-mt-20 max-tablet:scroll-mt-32 pt-1 pb-2 text-[30px] leading-tight font-extrabold outline-none"
        data-testid="step-title"
      >
        {point.title}
      </h2>
      {point.caution !== '' && (
        <p className="flex items-start gap-3 border-2 border-look-edge bg-look-tint px-3 py-2.5 text-[16px] leading-snug">
          <TriangleAlert size={22} strokeWidth={1.8} className="mt-0.5 shrink-0 text-look" aria-hidden />
          <span>{point.caution}</span>
        </p>
      )}
      {step.repeat !== '' && (
        <p className="border-b border-hair py-2 text-[15px] font-semibold text-look">
          To repeat: {step.repeat}.
        </p>
      )}
      <div className="flex flex-wrap items-start gap-x-5">
        <div className="min-w-[260px] flex-1">
          <p className="pt-3 text-[14px] font-semibold">How</p>
          <p className="text-[18px] leading-snug">{point.how}</p>
          {point.otherwise !== '' && (
            <p className="pt-2 text-[14.5px] leading-snug text-ink2">{point.otherwise}</p>
          )}
        </div>
        <MeterPicture point={point} />
      </div>
      {step.state === 'failed' && <FindCause point={point} />}
      <p className="pt-2 text-[13px] text-ink2 first-letter:uppercase">
        {phraseText(point.why, system)}
        {point.why.length > 0 && '; '}
        {point.origin}. With: {point.instrument}.
      </p>
    </section>
  );
}

/** What was said of a step before, the last first. */
function Said({ step, onRight }: { step: BenchStep; onRight: (entry: BenchEntry) => void }) {
  const system = useSettings((state) => state.units);
  if (step.said.length === 0) return null;
  return (
    <section aria-label="Said before" className="pt-3">
      <h3 className="border-b-[1.5px] border-ink pb-0.5 text-[13px] font-semibold">Written down</h3>
      <ul data-testid="said">
        {step.said.toReversed().map(({ key, at, entry }) => (
          <li key={key} className="border-b border-hair py-1.5 text-[14px] leading-snug">
            <b className="font-semibold">{WORDS[entry.says]}</b>{' '}
            {foundWords(entry.against.evidence, entry, system)}
            {entry.simulated && ' (simulated meter)'}
            {entry.words !== '' && entry.against.evidence.kind !== 'words' && `: ${entry.words}`}
            <span className="block text-[12.5px] text-ink2">
              {entry.who}, {at === '' ? 'kept here, not yet on the server' : atWords(at)}
              {key === step.last?.key && (
                <TextButton
                  onClick={() => {
                    onRight(entry);
                  }}
                >
                  Put it right
                </TextButton>
              )}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

const WORDS: Readonly<Record<BenchEntry['says'], string>> = {
  pass: 'Passed',
  fail: 'Failed',
  waive: 'Waived',
  note: 'Noted',
};

/** Instruments that have a simulated stand-in; a wrench and a feeler gauge have none. */
const MEASURED: ReadonlySet<Instrument> = new Set<Instrument>([
  'meter, volts',
  'meter, ohms',
  'meter, amps',
  'battery monitor',
  'display',
  'wheel counter',
]);

/** A reading from the meter, live until it is held. */
function TakeReading({
  bench,
  point,
  onTyped,
}: {
  bench: Bench;
  point: HoldPoint;
  onTyped: (next: Typed) => void;
}) {
  const system = useSettings((state) => state.units);
  const meter = useMeter(bench.build, point.key, (readings) => {
    if (point.evidence.kind === 'readings') onTyped(typedFrom(readings, point.evidence.unit, system));
  });
  return (
    <div>
      <button
        type="button"
        aria-pressed={meter.live}
        className={`${BIG} flex items-center justify-center gap-2 border-ink bg-field text-[15px]! aria-pressed:bg-press`}
        onClick={meter.live ? meter.stop : meter.start}
      >
        <Gauge size={18} strokeWidth={1.6} aria-hidden />
        {meter.live ? 'Hold the reading' : 'Take it from the meter'}
      </button>
      <p className="pt-1 text-[12.5px] text-ink2" role="status">
        {meter.trouble === '' ? 'The meter is simulated.' : meter.trouble}
      </p>
    </div>
  );
}

/** Asks for a reason before a fail or a waiver is written. */
function Reason({
  says,
  onKeep,
  onBack,
}: {
  says: 'fail' | 'waive';
  onKeep: (words: string) => void;
  onBack: () => void;
}) {
  const [words, setWords] = useState('');
  return (
    <form
      className="border-2 border-ink bg-field p-3"
      onSubmit={(event) => {
        event.preventDefault();
        if (words.trim() !== '') onKeep(words.trim());
      }}
    >
      <label className="block text-[15px] font-semibold">
        {says === 'fail' ? 'What is wrong, and what was done?' : 'Why is it waived?'}
        <textarea
          autoFocus
          className="mt-1 block h-20 w-full border border-ink3 bg-sheet p-2 text-[16px] font-normal"
          value={words}
          maxLength={1000}
          onChange={(event) => {
            setWords(event.target.value);
          }}
        />
      </label>
      <div className="grid grid-cols-2 gap-2 pt-2">
        <button type="submit" disabled={words.trim() === ''} className={`${BIG} border-ink bg-field`}>
          {says === 'fail' ? 'Keep as failed' : 'Keep as waived'}
        </button>
        <button type="button" className={`${BIG} border-rule font-normal`} onClick={onBack}>
          Back
        </button>
      </div>
    </form>
  );
}

/** Another run was begun since. */
const isEarlier = ({ run, runs }: Bench): boolean => run?.key !== runs[0]?.key;

/** Why a step cannot be passed as it is typed; empty where it can. */
function notYet(
  bench: Bench,
  step: BenchStep,
  who: string,
  judged: ReturnType<typeof judgeEvidence>,
): string {
  if (bench.run === undefined) return 'no run';
  if (isEarlier(bench)) return 'an earlier run: it stays as it was';
  if (step.state === 'gone') return 'the plan no longer asks for it';
  if (step.waitsFor !== undefined) return `waits for step ${String(step.waitsFor)}`;
  if (who.trim() === '') return 'who says it?';
  if (judged.kind === 'outside')
    return judged.apart && judged.which.length === 0 ? 'too far apart' : 'outside the band';
  return judged.kind === 'open' ? `${String(judged.missing)} not said yet` : '';
}

/** Pass, fail, waive: large enough for gloves. */
function Buttons({
  why,
  silent,
  guards,
  onPass,
  onAsk,
}: {
  /** Why it cannot be passed yet. */
  why: string;
  /** Nothing can be said: it is locked, or nobody says it. */
  silent: boolean;
  guards: boolean;
  onPass: () => void;
  onAsk: (says: 'fail' | 'waive') => void;
}) {
  return (
    <div className="grid grid-cols-[2fr_1fr_1fr] gap-2 max-tablet:grid-cols-2">
      <button
        type="button"
        disabled={why !== ''}
        data-testid="pass"
        className={`${BIG} min-h-[60px] border-fine bg-fine text-on-ink max-tablet:col-span-2`}
        onClick={onPass}
      >
        Pass
        {why !== '' && <span className="block text-[13px] font-normal">{why}</span>}
      </button>
      <button
        type="button"
        disabled={silent}
        data-testid="fail"
        className={`${BIG} border-stop bg-field text-stop`}
        onClick={() => {
          onAsk('fail');
        }}
      >
        Fail
      </button>
      {guards ? (
        <p className="self-center text-[13px] leading-tight text-ink2">
          It guards a person: not to be waived.
        </p>
      ) : (
        <button
          type="button"
          disabled={silent}
          data-testid="waive"
          className={`${BIG} border-rule bg-transparent font-normal text-ink2`}
          onClick={() => {
            onAsk('waive');
          }}
        >
          Waive
          <span className="block text-[12.5px]">with a reason</span>
        </button>
      )}
    </div>
  );
}

/** Fields that are marked: those outside, or the first where all are only too far apart. */
function outsideOf(judged: ReturnType<typeof judgeEvidence>): readonly number[] {
  if (judged.kind !== 'outside') return [];
  return judged.which.length === 0 ? [0] : judged.which;
}

/** Readings, and pass, fail or waive. */
export function StepAnswer({ bench, step, typed, onTyped, onGo }: StepProps) {
  const system = useSettings((state) => state.units);
  const { who, remember } = usePeople();
  const [asking, setAsking] = useState<'fail' | 'waive'>();
  const [trouble, setTrouble] = useState('');
  const { point } = step;
  const found = { ...NOTHING_FOUND, ...findingsOf(point.evidence, typed, system) };
  const judged = judgeEvidence(point.evidence, found);
  const why = notYet(bench, step, who, judged);
  const locked =
    step.waitsFor !== undefined || step.state === 'gone' || bench.run === undefined || isEarlier(bench);
  const { view } = bench;
  const write = (says: BenchEntry['says'], words: string): void => {
    const run = bench.run?.key;
    if (run === undefined) return;
    remember(who);
    const entry: BenchEntry = {
      step: point.key,
      says,
      readings: [...found.readings],
      ticks: [...found.ticks],
      words: point.evidence.kind === 'words' && says === 'pass' ? found.words : words,
      who: who.trim(),
      simulated: typed.simulated,
      against: {
        planVersion: bench.planVersion,
        evidence: point.evidence,
        part: point.part,
        guards: point.guards,
      },
      corrects: step.last?.key ?? null,
    };
    keepRecord(bench.build, 'bench-entry', run, entry).then(
      () => {
        setTrouble('');
        onTyped(NOTHING_TYPED);
        setAsking(undefined);
        if (says === 'pass' || says === 'waive') onGo(step.number + 1);
      },
      () => {
        setTrouble(
          'This browser could not keep it: its storage is full or switched off. What is typed stays here.',
        );
      },
    );
  };
  const pass = (): void => {
    if (why === '') write('pass', '');
  };
  return (
    <section aria-label="Answer" className="grid gap-3 pt-1">
      <FindingsFields
        evidence={point.evidence}
        typed={typed}
        outside={outsideOf(judged)}
        onType={onTyped}
        onJudge={pass}
      />
      {point.evidence.kind === 'readings' && MEASURED.has(point.instrument) && (
        <TakeReading bench={bench} point={point} onTyped={onTyped} />
      )}
      <Photographs bench={bench} point={point} />
      <WhoField />
      {asking === undefined ? (
        <Buttons
          why={why}
          silent={locked || who.trim() === ''}
          guards={point.guards}
          onPass={pass}
          onAsk={setAsking}
        />
      ) : (
        <Reason
          says={asking}
          onKeep={(words) => {
            write(asking, words);
          }}
          onBack={() => {
            setAsking(undefined);
          }}
        />
      )}
      {trouble !== '' && (
        <p role="alert" className="text-[15px] text-stop">
          {trouble}
        </p>
      )}
      <Waiting step={step} steps={view?.steps ?? []} />
      <nav aria-label="Steps" className="flex flex-wrap gap-x-6 text-[15px]">
        <StepLink step={view?.steps[step.number - 2]} back onGo={onGo} />
        <StepLink step={view?.steps[step.number]} onGo={onGo} />
      </nav>
      {/* Beneath the buttons: what comes and goes here moves nothing that a finger aims at. */}
      <OutboxNotice build={bench.build} broken={bench.records.broken} />
      <Said
        step={step}
        onRight={(entry) => {
          onTyped(typedOf(entry, point.evidence, system));
        }}
      />
    </section>
  );
}

const nextWords = (step: BenchStep | undefined, system: 'metric' | 'imperial'): string =>
  step === undefined
    ? 'the last'
    : `${String(step.number)}, ${step.point.title}, ${askedWords(step.point.evidence, system)}`;

/** How many steps wait for this one, and which is next. */
function Waiting({ step, steps }: { step: BenchStep; steps: readonly BenchStep[] }) {
  const system = useSettings((state) => state.units);
  const waiting = steps.filter((s) => s.waitsFor === step.number).length;
  if (waiting === 0) return null;
  return (
    <p className="flex items-center gap-2 border-t border-ink pt-2 text-[14.5px]">
      <Lock size={17} strokeWidth={1.6} aria-hidden />
      <span>
        <b className="font-semibold">
          {waiting} {waiting === 1 ? 'step waits' : 'steps wait'} for this one.
        </b>{' '}
        Next: {nextWords(steps[step.number], system)}
      </span>
    </p>
  );
}

function StepLink({
  step,
  back = false,
  onGo,
}: {
  step: BenchStep | undefined;
  back?: boolean;
  onGo: (number: number) => void;
}) {
  if (step === undefined) return null;
  const { number, point } = step;
  return (
    <button
      type="button"
      className="flex min-h-12 items-center gap-1.5 text-slate underline"
      onClick={() => {
        onGo(number);
      }}
    >
      {back && <ChevronLeft size={18} aria-hidden />}
      {number}, {point.title}
      {!back && <ChevronRight size={18} aria-hidden />}
    </button>
  );
}
