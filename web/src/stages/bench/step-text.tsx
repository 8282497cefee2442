import {
  BENCH_GROUP_NAMES,
  SYMPTOM_WORDS,
  phraseText,
  symptomOfPoint,
  type BenchStep,
} from '@apple-cart/core';
import { TriangleAlert } from 'lucide-react';
import { useLayoutEffect, useRef, type RefObject } from 'react';
import { Link } from 'react-router';
import { beginFault } from '../../state/bench-notes.ts';
import { useBuild } from '../../state/build-store.ts';
import { useSettings } from '../../state/settings-store.ts';
import { BenchMark, STEP_WORD } from './bench-mark.tsx';
import { MeterPicture } from './meter-picture.tsx';

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
