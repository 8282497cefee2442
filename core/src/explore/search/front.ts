import type { Goal } from './asked.ts';

/** Figures that goals are told by. */
export interface Goaled {
  readonly price: number;
  readonly massKg: number;
  readonly hillKmh: number | undefined;
  readonly rangeKm: number;
}

/** Goals as numbers of which less is better. */
export function lessIsBetter(
  goals: readonly Goal[],
  { price, massKg, hillKmh, rangeKm }: Goaled,
): readonly number[] {
  const of: Readonly<Record<Goal, number>> = {
    price,
    mass: massKg,
    hill: -(hillKmh ?? 0),
    range: -rangeKm,
  };
  return goals.map((g) => of[g]);
}

/** Nowhere worse, somewhere better. */
export const dominates = (a: readonly number[], b: readonly number[]): boolean =>
  a.every((x, i) => x <= (b[i] ?? Infinity)) && a.some((x, i) => x < (b[i] ?? Infinity));

/** The Pareto front of what was added so far: those that no other beats; equals all stay. */
export class Front<T extends Goaled> {
  readonly #goals: readonly Goal[];
  #kept: readonly { readonly one: T; readonly goals: readonly number[] }[] = [];

  constructor(goals: readonly Goal[]) {
    this.#goals = goals;
  }

  add(one: T): void {
    const goals = lessIsBetter(this.#goals, one);
    if (this.#kept.some((k) => dominates(k.goals, goals))) return;
    this.#kept = [...this.#kept.filter((k) => !dominates(goals, k.goals)), { one, goals }];
  }

  get all(): readonly T[] {
    return this.#kept.map(({ one }) => one);
  }
}
