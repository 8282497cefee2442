/** Orders in which the three sensor wires can be joined, the phases staying as they are. */
export const HALL_ORDERS = ['ABC', 'BCA', 'CAB', 'ACB', 'BAC', 'CBA'] as const;
export type HallOrder = (typeof HALL_ORDERS)[number];

/** What a trial at low current, wheel up, looked like. */
export const TRIAL_OUTCOMES = ['smooth', 'rough', 'locked', 'silent'] as const;
export type TrialOutcome = (typeof TRIAL_OUTCOMES)[number];

export interface HallTrial {
  readonly order: HallOrder;
  readonly outcome: TrialOutcome;
  /** Which way it turned. */
  readonly backwards: boolean;
  /** Battery amps at the same throttle, where a meter was on; null is not read. */
  readonly amps: number | null;
}

/** The first three are turns of one another, and so are the last three. */
const parityOf = (order: HallOrder): 0 | 1 => (HALL_ORDERS.indexOf(order) < 3 ? 0 : 1);

/** What is left after the trials, and what to do next. */
export type HallAdvice =
  | {
      readonly kind: 'try';
      readonly order: HallOrder;
      readonly left: readonly HallOrder[];
      readonly most: number;
    }
  | {
      readonly kind: 'right';
      readonly order: HallOrder;
      readonly backwards: boolean;
      readonly reverse: readonly Reversal[];
    }
  /** Sensors 60 electrical degrees apart: on a controller for 120 no order runs well as they are. */
  | { readonly kind: 'sixty' }
  | { readonly kind: 'silent'; readonly order: HallOrder }
  | { readonly kind: 'none'; readonly trials: number };

/** A way to turn the direction round: two phases and two sensor wires are swapped, both. */
export interface Reversal {
  readonly phases: readonly ['A' | 'B' | 'C', 'A' | 'B' | 'C'];
  readonly order: HallOrder;
}

/** Two phases by name. */
const PHASE_SWAPS = [
  ['A', 'B'],
  ['A', 'C'],
  ['B', 'C'],
] as const;

/** A hall order with two of its places swapped. */
function swappedPlaces(order: HallOrder, [i, j]: readonly [number, number]): HallOrder {
  const letters = Array.from(order);
  const [a, b] = [letters[i] ?? '', letters[j] ?? ''];
  [letters[i], letters[j]] = [b, a];
  return HALL_ORDERS.find((o) => o === letters.join('')) ?? order;
}

/** Sensor places that go with a swap of two phases, the likeliest first. Derived with a simulated six-step motor; other labellings shift it. */
const PLACES_WITH: Readonly<Record<string, readonly (readonly [number, number])[]>> = {
  AB: [
    [0, 2],
    [1, 2],
    [0, 1],
  ],
  AC: [
    [1, 2],
    [0, 1],
    [0, 2],
  ],
  BC: [
    [0, 1],
    [0, 2],
    [1, 2],
  ],
};

/** How a right wiring is reversed: swap two phases, then one of these sensor orders runs well, the likeliest first. */
export const reversals = (order: HallOrder): readonly Reversal[] =>
  (PLACES_WITH['AB'] ?? []).map((places) => ({
    phases: PHASE_SWAPS[0],
    order: swappedPlaces(order, places),
  }));

/**
 * What the trials say. A right order runs smooth on little current. One that runs rough and hungry is of the right parity: its two
 * turns are left. One that locks or twitches is of the wrong parity: the three others are left. At most four trials find it.
 * Source: simulated six-step motor, all 36 joins; exactly one order is right for phases as they are.
 * @param alike the three were seen all high or all low at some angle of the wheel: never so at 120 degrees
 */
export function hallAdvice(trials: readonly HallTrial[], alike = false): HallAdvice {
  if (alike) return { kind: 'sixty' };
  let left: readonly HallOrder[] = HALL_ORDERS;
  for (const { order, outcome, backwards } of trials) {
    if (outcome === 'smooth') return { kind: 'right', order, backwards, reverse: reversals(order) };
    if (outcome === 'silent') return { kind: 'silent', order };
    const parity = outcome === 'rough' ? parityOf(order) : 1 - parityOf(order);
    left = left.filter((o) => o !== order && parityOf(o) === parity);
  }
  const [next] = left;
  return next === undefined
    ? { kind: 'none', trials: trials.length }
    : { kind: 'try', order: next, left, most: left.length === HALL_ORDERS.length ? 4 : left.length };
}
