import type { BenchEntry, BenchStep, HoldPoint, Instrument } from '@apple-cart/core';
import { ChevronLeft, Gauge, ChevronRight, Lock } from 'lucide-react';
import type { Typed } from '../../state/bench-typed.ts';
import { useSettings } from '../../state/settings-store.ts';
import { atWords } from './at-words.ts';
import { askedWords, foundWords } from './expected.ts';
import { typedFrom } from './findings-fields.tsx';
import type { Bench } from '../parts/use-bench.ts';
import { useMeter } from '../parts/use-meter.ts';
import { TextButton } from '../../ui/text-button.tsx';

export const BIG = 'min-h-12 w-full border-[1.5px] px-4 text-[17px] font-bold disabled:opacity-45';

/** What was said of a step before, the last first. */
export function Said({ step, onRight }: { step: BenchStep; onRight: (entry: BenchEntry) => void }) {
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
export const MEASURED: ReadonlySet<Instrument> = new Set<Instrument>([
  'meter, volts',
  'meter, ohms',
  'meter, amps',
  'battery monitor',
  'display',
  'wheel counter',
]);

/** A reading from the meter, live until it is held. */
export function TakeReading({
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
export function Reason({
  says,
  words,
  onWords,
  onKeep,
  onBack,
}: {
  says: 'fail' | 'waive';
  words: string;
  onWords: (words: string) => void;
  onKeep: (words: string) => void;
  onBack: () => void;
}) {
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
            onWords(event.target.value);
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

const nextWords = (step: BenchStep | undefined, system: 'metric' | 'imperial'): string =>
  step === undefined
    ? 'the last'
    : `${String(step.number)}, ${step.point.title}, ${askedWords(step.point.evidence, system)}`;

/** How many steps wait for this one, and which is next. */
export function Waiting({ step, steps }: { step: BenchStep; steps: readonly BenchStep[] }) {
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

export function StepLink({
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
