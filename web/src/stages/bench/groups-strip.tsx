import {
  BENCH_GROUPS,
  BENCH_GROUP_NAMES,
  type BenchGroup,
  type BenchStep,
  type RunView,
} from '@apple-cart/core';
import { BenchMark, STEP_WORD } from './bench-mark.tsx';

/** What a group is at, in a word. */
function groupWords(steps: readonly BenchStep[]): string {
  const states = ['failed', 'repeat', 'open', 'waived'] as const;
  const worst = states.find((s) => steps.some((one) => one.state === s));
  return worst === undefined ? 'passed' : STEP_WORD[worst];
}

/** The groups of the job with a mark for each step; a press goes to the first that is open in it. */
export function GroupsStrip({
  view,
  inHand,
  onPick,
}: {
  view: RunView;
  inHand: BenchStep | undefined;
  onPick: (step: BenchStep) => void;
}) {
  const stepsOf = (group: BenchGroup): readonly BenchStep[] =>
    view.steps.filter((s) => s.point.group === group);
  return (
    <nav
      aria-label="Groups of hold points"
      className="grid grid-cols-6 border-y border-ink max-tablet:grid-cols-3 bench:grid-cols-3"
    >
      {BENCH_GROUPS.map((group) => {
        const steps = stepsOf(group);
        const here = inHand?.point.group === group;
        const first = steps.find((s) => s.state !== 'passed' && s.state !== 'waived') ?? steps[0];
        return (
          <button
            key={group}
            type="button"
            disabled={first === undefined}
            aria-current={here}
            aria-label={`${BENCH_GROUP_NAMES[group]}: ${steps.length === 0 ? 'nothing' : groupWords(steps)}`}
            onClick={() => {
              if (first !== undefined) onPick(first);
            }}
            className="min-h-12 border-r border-b border-hair px-2 py-1 text-left text-[12.5px] leading-tight hover:bg-press aria-[current=true]:border-b-4 aria-[current=true]:border-b-ink aria-[current=true]:font-bold"
          >
            <span className="block leading-[1.15]">{BENCH_GROUP_NAMES[group]}</span>
            <span className="mt-1 flex flex-wrap gap-[3px]">
              {steps.map((s) => (
                <BenchMark key={s.point.key} state={s.state} inHand={s.number === inHand?.number} size={11} />
              ))}
            </span>
          </button>
        );
      })}
    </nav>
  );
}
