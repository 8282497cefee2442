import { BENCH_GROUPS, type BenchGroup, type Evidence, type HoldPoint } from './hold-point.ts';
import { judgeEvidence } from './judge.ts';
import type { BenchEntry, BenchRun } from './entry.ts';

/** An entry with when it was kept. */
export interface EntryAt {
  readonly key: string;
  /** ISO 8601; empty while it has not reached the server. */
  readonly at: string;
  readonly entry: BenchEntry;
}

/** How a step of a run stands. */
export type StepState = 'open' | 'passed' | 'failed' | 'waived' | 'repeat' | 'gone';

/** A hold point of a run as it stands. */
export interface Step {
  /** From 1, in the order of the job. */
  readonly number: number;
  readonly point: HoldPoint;
  readonly state: StepState;
  /** Everything that was said of it, the oldest first. */
  readonly said: readonly EntryAt[];
  /** What counts: the last pass, fail or waiver. */
  readonly last: EntryAt | undefined;
  /** Why it has to be done again; empty where it has not. */
  readonly repeat: string;
  /** It once failed, whatever it is now. */
  readonly failedOnce: boolean;
  /** Number of the first step that it waits for; undefined where it may be done. */
  readonly waitsFor: number | undefined;
}

/** A run held against the plan as it is now. */
export interface RunView {
  readonly steps: readonly Step[];
  readonly done: number;
  readonly waived: number;
  readonly failed: number;
  readonly repeat: number;
  readonly open: number;
  /** The first step that may be done and is not. */
  readonly next: Step | undefined;
  /** Everything but what comes after 50 km holds: it may be signed. */
  readonly ready: boolean;
}

/**
 * The reading that a step of one value was passed with, in the unit of its point; undefined while it was not passed, was
 * waived, or has to be repeated.
 */
export function passedReading(
  view: RunView | undefined,
  key: string,
): { readonly value: number; readonly simulated: boolean } | undefined {
  const step = view?.steps.find(({ point }) => point.key === key);
  if (step?.state !== 'passed' || step.last?.entry.says !== 'pass') return undefined;
  const { readings, simulated } = step.last.entry;
  const value = readings[0] ?? undefined;
  return value === undefined ? undefined : { value, simulated };
}

const bandWords = ({ low, high }: { low: number | null; high: number | null }): string => {
  const told = (n: number): string => String(Math.round(n * 100) / 100);
  if (low !== null && high !== null) return `${told(low)} to ${told(high)}`;
  if (low !== null) return `at least ${told(low)}`;
  return high === null ? 'only recorded' : `at most ${told(high)}`;
};

/** Why an entry does not answer for a point as it is asked now; empty where it does. */
function repeatWhy(entry: BenchEntry, now: HoldPoint): string {
  const { evidence: before, part } = entry.against;
  if (part !== now.part) return `another part: ${part === '' ? 'none' : part} was there`;
  if (entry.says === 'waive') return '';
  return evidenceWhy(before, now.evidence, entry);
}

function evidenceWhy(before: Evidence, now: Evidence, entry: BenchEntry): string {
  if (before.kind !== now.kind) return 'something else is asked now';
  if (now.kind === 'ticks' && before.kind === 'ticks') {
    const added = now.items.filter((item) => !before.items.includes(item));
    return added.length === 0 ? '' : `asked as well now: ${added.join(', ')}`;
  }
  if (now.kind === 'readings' && before.kind === 'readings') {
    if (now.names.length !== before.names.length)
      return `${String(now.names.length)} readings now, ${String(before.names.length)} then`;
    if (judgeEvidence(now, entry).kind === 'outside')
      return `the reading is outside now: ${bandWords(now)}, it was ${bandWords(before)}`;
  }
  return '';
}

const SETTLES: readonly StepState[] = ['passed', 'waived', 'gone'];
const groupOf = (group: BenchGroup): number => BENCH_GROUPS.indexOf(group);

/** Steps that nothing else is done before: those that guard a person within their group, and all that lock behind it. */
const holdsBack = (before: HoldPoint, point: HoldPoint): boolean =>
  groupOf(before.group) < groupOf(point.group) ? before.locks : before.guards;

interface Bare extends Omit<Step, 'waitsFor'> {
  readonly waitsFor?: number;
}

function stepOf(
  frozen: HoldPoint | undefined,
  now: HoldPoint | undefined,
  said: readonly EntryAt[],
  number: number,
): Bare {
  const last = said.filter(({ entry }) => entry.says !== 'note').at(-1);
  const failedOnce = said.some(({ entry }) => entry.says === 'fail');
  const point = now ?? frozen;
  if (point === undefined) throw new TypeError('a step of nothing');
  const base = { number, point, said, last, failedOnce } as const;
  if (now === undefined) return { ...base, state: 'gone', repeat: '' };
  if (last === undefined) return { ...base, state: 'open', repeat: '' };
  if (last.entry.says === 'fail') return { ...base, state: 'failed', repeat: '' };
  const repeat = repeatWhy(last.entry, now);
  if (repeat !== '') return { ...base, state: 'repeat', repeat };
  return { ...base, state: last.entry.says === 'waive' ? 'waived' : 'passed', repeat: '' };
}

/**
 * A run with its entries, held against the points of the plan as it is now. What nobody has said anything of follows the plan; what
 * was passed comes back where its part is another one, or what was read lies outside of the new band. What the plan no longer asks
 * for stays, and holds nothing back.
 */
export function runView(run: BenchRun, entries: readonly EntryAt[], now: readonly HoldPoint[]): RunView {
  const frozen = new Map(run.steps.map((p) => [p.key, p]));
  const planned = new Map(now.map((p) => [p.key, p]));
  const gone = run.steps.filter((p) => !planned.has(p.key));
  const order = [...now, ...gone].toSorted((a, b) => groupOf(a.group) - groupOf(b.group));
  const bare = order.map(({ key }, i) =>
    stepOf(
      frozen.get(key),
      planned.get(key),
      entries.filter(({ entry }) => entry.step === key),
      i + 1,
    ),
  );
  const steps = bare.map((step): Step => {
    const held = bare.find(
      (b) => b.number < step.number && !SETTLES.includes(b.state) && holdsBack(b.point, step.point),
    );
    return { ...step, waitsFor: held?.number };
  });
  const count = (...states: readonly StepState[]): number =>
    steps.filter((s) => states.includes(s.state)).length;
  return {
    steps,
    done: count('passed', 'waived'),
    waived: count('waived'),
    failed: count('failed'),
    repeat: count('repeat'),
    open: count('open'),
    next: steps.find((s) => !SETTLES.includes(s.state) && s.waitsFor === undefined),
    ready: steps.every((s) => s.point.group === 'later' || SETTLES.includes(s.state)),
  };
}
