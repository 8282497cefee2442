import {
  BENCH_GROUPS,
  BENCH_GROUP_NAMES,
  type BenchStep,
  type RunView,
  type StepState,
} from '@apple-cart/core';
import { useState } from 'react';
import { useSettings } from '../../state/settings-store.ts';
import { atWords } from './at-words.ts';
import { BenchMark, STEP_WORD } from './bench-mark.tsx';
import { askedWords, foundWords } from './expected.ts';

type Filter = 'all' | 'repeat' | 'waived' | 'failed' | 'open';
const FILTERS: readonly {
  readonly id: Filter;
  readonly word: string;
  readonly of: (s: BenchStep) => boolean;
}[] = [
  { id: 'all', word: 'all', of: () => true },
  { id: 'open', word: 'open', of: (s) => s.state === 'open' || s.state === 'failed' },
  { id: 'repeat', word: 'repeat', of: (s) => s.state === 'repeat' },
  { id: 'waived', word: 'waived', of: (s) => s.state === 'waived' },
  { id: 'failed', word: 'failed once', of: (s) => s.failedOnce },
];
const TINT: Readonly<Partial<Record<StepState, string>>> = { repeat: 'bg-look-tint', failed: 'bg-stop-tint' };

function Row({ step, onGo }: { step: BenchStep; onGo: ((number: number) => void) | undefined }) {
  const system = useSettings((state) => state.units);
  const { point, last, state } = step;
  return (
    <tr
      className={`border-b border-hair align-top ${TINT[state] ?? ''}`}
      data-step={point.key}
      data-state={state}
    >
      <td className="num py-1.5 pr-2 text-right text-[12.5px]">{step.number}</td>
      <th scope="row" className="py-1.5 text-left font-normal">
        {onGo === undefined ? (
          point.title
        ) : (
          <button
            type="button"
            className="min-h-6 text-left underline decoration-dotted max-bench:min-h-11"
            onClick={() => {
              onGo(step.number);
            }}
          >
            {point.title}
          </button>
        )}
        {step.repeat !== '' && <span className="block text-[12.5px] text-look">{step.repeat}</span>}
        {last?.entry.says === 'waive' && (
          <span className="block text-[12.5px] text-ink2">{last.entry.words}</span>
        )}
      </th>
      <td className="num py-1.5 pr-2 text-right whitespace-nowrap">{askedWords(point.evidence, system)}</td>
      <td className="num py-1.5 pr-2 text-right whitespace-nowrap">
        {last === undefined ? '' : foundWords(last.entry.against.evidence, last.entry, system)}
        {last?.entry.simulated === true && (
          <span className="block font-text text-[11.5px] text-ink2">simulated</span>
        )}
      </td>
      <td className="py-1.5 whitespace-nowrap">
        <span className="flex items-center gap-1.5">
          <BenchMark state={state} /> {STEP_WORD[state]}
        </span>
      </td>
      <td className="py-1.5 pl-2">
        {last?.entry.who ?? ''}
        <span className="block text-[12px] text-ink2">
          {last === undefined ? '' : atWords(last.at, 'short')}
        </span>
      </td>
    </tr>
  );
}

/** Every hold point with what was expected and found; filters are the legend of the marks. */
export function RunTable({ view, onGo }: { view: RunView; onGo?: (number: number) => void }) {
  const [filter, setFilter] = useState<Filter>('all');
  const chosen = FILTERS.find((f) => f.id === filter) ?? FILTERS[0];
  const shown = view.steps.filter((s) => chosen?.of(s) === true);
  return (
    <>
      {onGo !== undefined && (
        <div className="no-print flex flex-wrap gap-1.5 pb-2">
          {FILTERS.map(({ id, word, of }) => (
            <button
              key={id}
              type="button"
              aria-pressed={filter === id}
              className="min-h-7 border-[1.5px] border-rule px-2.5 text-[13px] aria-pressed:border-ink aria-pressed:bg-field aria-pressed:font-semibold max-bench:min-h-11"
              onClick={() => {
                setFilter(id);
              }}
            >
              {word} {view.steps.filter(of).length}
            </button>
          ))}
        </div>
      )}
      <div className="overflow-x-auto" tabIndex={0} role="region" aria-label="Hold points">
        <table className="w-full min-w-[560px] border-collapse text-[13.5px]" data-testid="run-table">
          <thead>
            <tr className="border-b-[1.5px] border-ink text-left text-[12.5px]">
              <td />
              <th className="py-1 font-semibold">Hold point</th>
              <th className="py-1 pr-2 text-right font-semibold">Expected</th>
              <th className="py-1 pr-2 text-right font-semibold">Found</th>
              <th className="py-1 font-semibold">State</th>
              <th className="py-1 pl-2 font-semibold">Who</th>
            </tr>
          </thead>
          {BENCH_GROUPS.map((group) => {
            const steps = shown.filter((s) => s.point.group === group);
            return steps.length === 0 ? null : (
              <tbody key={group}>
                <tr className="border-b border-ink">
                  <th colSpan={6} className="pt-2 pb-0.5 text-left font-semibold">
                    {BENCH_GROUP_NAMES[group]}
                  </th>
                </tr>
                {steps.map((step) => (
                  <Row key={step.point.key} step={step} onGo={onGo} />
                ))}
              </tbody>
            );
          })}
        </table>
      </div>
    </>
  );
}
