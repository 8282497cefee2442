import { addWork, nextWork, subWork, type Calendar } from './calendar.ts';

/** A piece of work. Instants are hours since midnight of day 0. */
export interface Work {
  readonly id: string;
  readonly hours: number;
  /** Not before this: its parts come then. */
  readonly ready: number;
  /** Work that is done before it, and how many hours that then dries or cures. */
  readonly after: readonly { readonly id: string; readonly dries: number }[];
}

/** When a piece of work is done, and by whom. */
export interface Slot {
  readonly id: string;
  readonly start: number;
  readonly end: number;
  readonly person: number;
}

/** Work that waits for itself, in its order. */
export interface Cycle {
  readonly code: 'cycle';
  readonly path: readonly string[];
}

/** A path that comes back to itself; undefined where there is none. */
export function cycleIn(work: readonly Work[]): Cycle | undefined {
  const byId = new Map(work.map((w) => [w.id, w]));
  const done = new Set<string>();
  const walk = (id: string, path: readonly string[]): readonly string[] | undefined => {
    const seen = path.indexOf(id);
    if (seen >= 0) return [...path.slice(seen), id];
    if (done.has(id)) return undefined;
    for (const { id: before } of byId.get(id)?.after ?? []) {
      const found = walk(before, [...path, id]);
      if (found !== undefined) return found;
    }
    done.add(id);
    return undefined;
  };
  for (const { id } of work) {
    const path = walk(id, []);
    if (path !== undefined) return { code: 'cycle', path };
  }
  return undefined;
}

/** Work in an order in which nothing comes before what it waits for. @throws TypeError where work waits for itself. */
function inOrder(work: readonly Work[]): readonly Work[] {
  const cycle = cycleIn(work);
  if (cycle !== undefined) throw new TypeError(`work waits for itself: ${cycle.path.join(', ')}`);
  const ids = new Set(work.map((w) => w.id));
  const placed = new Map<string, Work>();
  while (placed.size < work.length)
    for (const w of work)
      if (!placed.has(w.id) && w.after.every(({ id }) => placed.has(id) || !ids.has(id))) placed.set(w.id, w);
  return [...placed.values()];
}

/** The earliest that something may begin: its parts are there, what comes before is done and dry. */
const earliest = ({ ready, after }: Work, ends: ReadonlyMap<string, number>): number =>
  Math.max(ready, ...after.map(({ id, dries }) => (ends.get(id) ?? 0) + (ends.has(id) ? dries : 0)));

const soonest = (people: readonly Calendar[], from: number, hours: number): number =>
  Math.min(...people.map((p) => addWork(p, from, hours)));

/** When each piece could end if there were hands enough: no schedule is earlier. Forward pass of the critical path method. */
export function forwardPass(work: readonly Work[], people: readonly Calendar[]): ReadonlyMap<string, number> {
  const ends = new Map<string, number>();
  for (const w of inOrder(work)) ends.set(w.id, soonest(people, earliest(w, ends), w.hours));
  return ends;
}

/** When each piece has to begin, with hands enough, for all to be done by an instant. Backward pass of the critical path method. */
export function backwardPass(
  work: readonly Work[],
  people: readonly Calendar[],
  by: number,
): ReadonlyMap<string, number> {
  const starts = new Map<string, number>();
  // When each has to be done for what follows it.
  const ends = new Map<string, number>();
  for (const w of inOrder(work).toReversed()) {
    const end = ends.get(w.id) ?? by;
    const start = Math.max(...people.map((p) => subWork(p, end, w.hours)));
    starts.set(w.id, start);
    for (const { id, dries } of w.after) ends.set(id, Math.min(ends.get(id) ?? by, start - dries));
  }
  return starts;
}

/** Who is free when. */
interface Bench {
  readonly free: number[];
  readonly ends: Map<string, number>;
  readonly slots: Slot[];
}
const emptyBench = (people: readonly Calendar[]): Bench => ({
  free: people.map(() => 0),
  ends: new Map(),
  slots: [],
});

/** Gives a piece to whoever has it done first. */
function give(bench: Bench, people: readonly Calendar[], w: Work): void {
  const from = earliest(w, bench.ends);
  const offers = people.map((p, person) => {
    const start = nextWork(p, Math.max(from, bench.free[person] ?? 0));
    return { person, start, end: addWork(p, start, w.hours) };
  });
  const best = offers.reduce((a, b) => (b.end < a.end ? b : a));
  bench.free[best.person] = best.end;
  bench.ends.set(w.id, best.end);
  bench.slots.push({ id: w.id, ...best });
}

/** One piece after the other in the order of a list, as soon as what it waits for is done. */
function serial(work: readonly Work[], people: readonly Calendar[]): readonly Slot[] {
  const bench = emptyBench(people);
  const left = [...work];
  const ids = new Set(work.map((w) => w.id));
  while (left.length > 0) {
    const i = left.findIndex((w) => w.after.every(({ id }) => bench.ends.has(id) || !ids.has(id)));
    const [next] = left.splice(i, 1);
    if (next !== undefined) give(bench, people, next);
  }
  return bench.slots;
}

/** Whoever is free takes the first piece of a list that can be begun by then. */
function parallel(work: readonly Work[], people: readonly Calendar[]): readonly Slot[] {
  const bench = emptyBench(people);
  const left = [...work];
  const ids = new Set(work.map((w) => w.id));
  while (left.length > 0) {
    const open = left.filter((w) => w.after.every(({ id }) => bench.ends.has(id) || !ids.has(id)));
    const starts = open.map((w) =>
      Math.min(...people.map((p, i) => nextWork(p, Math.max(earliest(w, bench.ends), bench.free[i] ?? 0)))),
    );
    const first = Math.min(...starts);
    const next = open[starts.findIndex((s) => s <= first)];
    if (next === undefined) break;
    left.splice(left.indexOf(next), 1);
    give(bench, people, next);
  }
  return bench.slots;
}

const lastEnd = (slots: readonly Slot[]): number => Math.max(0, ...slots.map((s) => s.end));
const better = (a: readonly Slot[], b: readonly Slot[]): readonly Slot[] => (lastEnd(b) < lastEnd(a) ? b : a);

/** Up to so many pieces all orders are tried; 7 make 5040. */
const MOST_TRIED = 7;

/** Every order of some pieces. */
function* orders<T>(list: readonly T[]): Generator<readonly T[]> {
  if (list.length <= 1) yield list;
  for (const [i, first] of list.entries())
    for (const rest of orders([...list.slice(0, i), ...list.slice(i + 1)])) yield [first, ...rest];
}

/** Work with the most pressing first: that which has to begin first for all to end as soon as possible. */
function pressing(work: readonly Work[], people: readonly Calendar[]): readonly Work[] {
  const by = Math.max(0, ...forwardPass(work, people).values());
  const latest = backwardPass(work, people, by);
  return work.toSorted((a, b) => (latest.get(a.id) ?? 0) - (latest.get(b.id) ?? 0));
}

/** Swaps neighbours of a list for as long as that ends sooner. */
function swapped(
  list: readonly Work[],
  people: readonly Calendar[],
  begun: readonly Slot[],
): readonly Slot[] {
  let [order, best] = [list, begun];
  for (let i = 0; i + 1 < order.length; i += 1) {
    const [a, b] = [order[i], order[i + 1]];
    if (a === undefined || b === undefined) continue;
    const tried = [...order.slice(0, i), b, a, ...order.slice(i + 2)];
    const slots = better(serial(tried, people), parallel(tried, people));
    if (lastEnd(slots) < lastEnd(best)) [order, best] = [tried, slots];
  }
  return best;
}

/**
 * A schedule of work for one person or several: the better of a serial and a parallel list schedule by latest start, then with
 * neighbours swapped, or the best of all orders where there are few. One person at a time does a piece, and nobody two.
 * It is no proof that none is earlier; {@link forwardPass} is the bound.
 * @param effort `quick` leaves out what takes long: for many schedules in a row
 * @throws TypeError where work waits for itself, or nobody works. Source: list scheduling, R. L. Graham 1966, from memory.
 */
export function scheduled(
  work: readonly Work[],
  people: readonly Calendar[],
  effort: 'quick' | 'full' = 'full',
): readonly Slot[] {
  const list = pressing(work, people);
  let best = better(serial(list, people), parallel(list, people));
  if (effort === 'quick' || lastEnd(best) <= Math.max(0, ...forwardPass(work, people).values())) return best;
  if (work.length > MOST_TRIED) return swapped(list, people, best);
  for (const order of orders(list))
    best = better(best, better(serial(order, people), parallel(order, people)));
  return best;
}

/** Why a piece of work begins when it does. */
export type Cause =
  | { readonly kind: 'parts' }
  | { readonly kind: 'after'; readonly id: string }
  | { readonly kind: 'hands'; readonly id: string }
  | { readonly kind: 'begin' };

/** What decides the end of a schedule, the first thing first: the chain of causes back from the last piece. */
export function critical(
  work: readonly Work[],
  people: readonly Calendar[],
  slots: readonly Slot[],
  last: string,
): readonly { readonly id: string; readonly cause: Cause }[] {
  const byId = new Map(work.map((w) => [w.id, w]));
  const slotOf = new Map(slots.map((s) => [s.id, s]));
  const chain: { id: string; cause: Cause }[] = [];
  for (let id: string | undefined = last; id !== undefined;) {
    const [w, slot] = [byId.get(id), slotOf.get(id)];
    if (w === undefined || slot === undefined) break;
    const calendar = people[slot.person];
    const before = slots
      .filter((s) => s.person === slot.person && s.end <= slot.start)
      .reduce<Slot | undefined>((a, b) => (a === undefined || b.end > a.end ? b : a), undefined);
    const waits: { readonly at: number; readonly cause: Cause }[] = [
      { at: w.ready, cause: w.ready > 0 ? { kind: 'parts' } : { kind: 'begin' } },
      ...w.after.flatMap(({ id: first, dries }) => {
        const done = slotOf.get(first);
        return done === undefined
          ? []
          : [{ at: done.end + dries, cause: { kind: 'after' as const, id: first } }];
      }),
      ...(before === undefined ? [] : [{ at: before.end, cause: { kind: 'hands' as const, id: before.id } }]),
    ];
    // The latest of what it waited for; where several end at the same sitting, parts are named before work.
    const at = (t: number): number => (calendar === undefined ? t : nextWork(calendar, t));
    const decides = waits.reduce((a, b) => (at(b.at) > at(a.at) ? b : a));
    chain.unshift({ id, cause: decides.cause });
    id = 'id' in decides.cause ? decides.cause.id : undefined;
  }
  return chain;
}
