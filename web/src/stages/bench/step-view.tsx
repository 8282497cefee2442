import { NOTHING_FOUND, judgeEvidence, type BenchEntry, type BenchStep } from '@apple-cart/core';
import { useState } from 'react';
import { NOTHING_TYPED, type Typed } from '../../state/bench-typed.ts';
import { usePeople } from '../../state/people.ts';
import { keepRecord } from '../../state/records.ts';
import { useSettings } from '../../state/settings-store.ts';
import { FindingsFields, findingsOf, typedOf } from './findings-fields.tsx';
import { Photographs } from './photographs.tsx';
import { OutboxNotice } from '../parts/outbox-notice.tsx';
import type { Bench } from '../parts/use-bench.ts';
import { WhoField } from '../parts/who-field.tsx';
import { BIG, MEASURED, Reason, Said, StepLink, TakeReading, Waiting } from './step-parts.tsx';

interface StepProps {
  readonly bench: Bench;
  readonly step: BenchStep;
  readonly typed: Typed;
  readonly onTyped: (next: Typed) => void;
  readonly onGo: (number: number) => void;
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
        <TakeReading
          bench={bench}
          point={point}
          onTyped={(next) => {
            onTyped({ ...next, asking: typed.asking, reason: typed.reason });
          }}
        />
      )}
      <Photographs bench={bench} point={point} />
      <WhoField />
      {typed.asking === '' ? (
        <Buttons
          why={why}
          silent={locked || who.trim() === ''}
          guards={point.guards}
          onPass={pass}
          onAsk={(asking) => {
            onTyped({ ...typed, asking });
          }}
        />
      ) : (
        <Reason
          says={typed.asking}
          words={typed.reason}
          onWords={(reason) => {
            onTyped({ ...typed, reason });
          }}
          onKeep={(words) => {
            if (typed.asking !== '') write(typed.asking, words);
          }}
          onBack={() => {
            onTyped({ ...typed, asking: '', reason: '' });
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
