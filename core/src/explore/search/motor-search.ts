import { knownBuild } from '../../document/known.ts';
import type { Machine } from '../../machine/machine.ts';
import type { Candidate, Place } from './candidate.ts';
import {
  beyondPower,
  hillKmhOf,
  holds,
  mostRangeKm,
  rangeKmOf,
  ready,
  type Asked,
  type Ready,
} from './coarse.ts';
import { chosenBuild, type Geared, type Grid, type MotorChoice, type Pair } from './grid.ts';
import { patched, regeared, towedRolling, type Regeared } from './patch.ts';
import type { Reason, Tally } from './tally.ts';

/** So many refused ones of each reason are drawn. */
const DRAWN = 24;

/** Remembers some of the refused ones, evenly over all that come. */
export class Drawn {
  readonly #kept = new Map<Reason, { place: Place; seen: number; price: number }[]>();
  readonly #seen = new Map<Reason, number>();

  add(reason: Reason, place: Place, price: number): void {
    const seen = (this.#seen.get(reason) ?? 0) + 1;
    this.#seen.set(reason, seen);
    const kept = this.#kept.get(reason) ?? [];
    this.#kept.set(reason, kept);
    // A stride that doubles keeps them spread over the whole without a drawing of lots.
    if (kept.length < DRAWN) kept.push({ place, seen, price });
    else if (seen % (kept.length * 8) === 0)
      kept[((seen / (kept.length * 8)) % DRAWN) | 0] = { place, seen, price };
  }

  *all(): Generator<{ readonly reason: Reason; readonly place: Place; readonly price: number }> {
    for (const [reason, kept] of this.#kept)
      for (const { place, price } of kept) yield { reason, place, price };
  }
}

/** One motor of the grid with every tyre, ring and cogs, pack and controller. */
export class MotorSearch {
  readonly #grid: Grid;
  readonly #asked: Asked;
  readonly #tally: Tally;
  readonly #drawn: Drawn;
  readonly #motor: MotorChoice;
  readonly #index: number;
  readonly #towed: number;
  readonly #pairs: readonly { readonly pair: Pair; readonly index: number; readonly ready: Ready }[];
  /** Machines by tyre, ring and cogs, put together once for all motors. */
  readonly #geared: Map<Geared, Machine>;

  constructor(
    grid: Grid,
    asked: Asked,
    index: number,
    tally: Tally,
    drawn: Drawn,
    geared: Map<Geared, Machine>,
  ) {
    const motor = grid.motors[index];
    if (motor === undefined) throw new TypeError(`no motor ${String(index)} in the grid`);
    this.#grid = grid;
    this.#asked = asked;
    this.#tally = tally;
    this.#drawn = drawn;
    this.#geared = geared;
    this.#motor = motor;
    this.#index = index;
    this.#towed = towedRolling(grid.build, knownBuild(grid.build));
    const [first] = motor.geared;
    this.#pairs =
      first === undefined || !motor.letIn
        ? []
        : grid.pairs
            .map((pair, i) => ({ pair, index: i }))
            .filter(({ pair }) => pair.why === undefined)
            .sort((a, b) => a.pair.price - b.pair.price)
            .map(({ pair, index: i }) => ({
              pair,
              index: i,
              ready: ready(chosenBuild(grid, motor, first, pair)),
            }));
  }

  /** Counted at once for all that a rule refuses without looking at them. */
  refuseAlike(): void {
    const { pairs } = this.#grid;
    const all = this.#motor.geared.length;
    if (!this.#motor.letIn) {
      this.#refuse('law', all * pairs.length, { motor: this.#index, geared: 0, pair: 0 });
      return;
    }
    pairs.forEach(({ why }, pair) => {
      if (why !== undefined) this.#refuse(why, all, { motor: this.#index, geared: 0, pair });
    });
  }

  #refuse(reason: Reason, count: number, place: Place): void {
    this.#tally.looked += count;
    this.#tally.refused[reason] += count;
    this.#tally.byBounds += count;
    this.#drawn.add(reason, place, this.#priceOf(place));
  }

  #priceOf({ geared, pair }: Place): number {
    const g = this.#motor.geared[geared];
    const p = this.#grid.pairs[pair];
    return this.#grid.rest + this.#motor.price + (g?.price ?? 0) + (p?.price ?? 0);
  }

  #machineOf(geared: Geared): Machine {
    const known = this.#geared.get(geared);
    if (known !== undefined) return known;
    const [pair] = this.#pairs;
    if (pair === undefined) throw new TypeError('no pair goes together');
    const made = ready(chosenBuild(this.#grid, this.#motor, geared, pair.pair)).machine;
    this.#geared.set(geared, made);
    return made;
  }

  /** Every pair with one choice of tyre, ring and cogs. */
  look(at: number): readonly Candidate[] {
    const geared = this.#motor.geared[at];
    if (geared === undefined || this.#pairs.length === 0) return [];
    const base = this.#machineOf(geared);
    const [first] = this.#pairs;
    if (first === undefined) return [];
    const own = regeared(first.ready.machine, base);
    const { held } = this.#asked;
    const standing: Candidate[] = [];
    const most = held.price ?? Infinity;
    for (const [n, { pair, index, ready: of }] of this.#pairs.entries()) {
      const place = { motor: this.#index, geared: at, pair: index };
      const price = this.#grid.rest + this.#motor.price + geared.price + pair.price;
      // Sorted by price: the rest is dearer still.
      if (price > most || price === Infinity) {
        this.#refuse('price', this.#pairs.length - n, place);
        break;
      }
      const why = this.#refusal(base, own, of);
      if (typeof why === 'string') {
        this.#tally.looked += 1;
        this.#tally.refused[why] += 1;
        this.#drawn.add(why, place, price);
        continue;
      }
      this.#tally.looked += 1;
      this.#tally.stand += 1;
      standing.push({
        ...place,
        price,
        massKg: of.machine.machineMassKg,
        hillKmh: hillKmhOf({ machine: why.machine, supply: of.supply }, this.#asked.gradePct),
        rangeKm: why.rangeKm ?? (this.#wantsRange ? rangeKmOf(why.machine, of.charged, this.#asked) : NaN),
      });
    }
    return standing;
  }

  /** Why a combination is refused, the cheapest question first; else its machine. */
  #refusal(
    base: Machine,
    own: Regeared,
    of: Ready,
  ): Reason | { readonly machine: Machine; readonly rangeKm: number | undefined } {
    const { held, hillV, gradePct, reserve } = this.#asked;
    if (held.massKg !== null && of.machine.machineMassKg > held.massKg) {
      this.#tally.byBounds += 1;
      return 'mass';
    }
    const machine = patched(of.machine, base, own, this.#towed);
    if (hillV !== undefined) {
      if (beyondPower(machine, of.supply, hillV, gradePct)) {
        this.#tally.byBounds += 1;
        return 'hill';
      }
      if (!holds(machine, of.supply, hillV, gradePct)) return 'hill';
    }
    if (held.rangeKm === null) return { machine, rangeKm: undefined };
    if (mostRangeKm(machine, of.charged, reserve) < held.rangeKm) {
      this.#tally.byBounds += 1;
      return 'range';
    }
    const rangeKm = rangeKmOf(machine, of.charged, this.#asked);
    return rangeKm < held.rangeKm ? 'range' : { machine, rangeKm };
  }

  get #wantsRange(): boolean {
    return this.#grid.asked.goals.includes('range');
  }

  get count(): number {
    return this.#motor.geared.length;
  }

  /** The figures of a refused one; undefined where its pair was never put together. */
  figures(place: Place, price: number): Candidate | undefined {
    const geared = this.#motor.geared[place.geared];
    const pair = this.#grid.pairs[place.pair];
    if (geared === undefined || pair === undefined) return undefined;
    const { machine, supply, charged } = ready(chosenBuild(this.#grid, this.#motor, geared, pair));
    return {
      ...place,
      price,
      massKg: machine.machineMassKg,
      hillKmh: hillKmhOf({ machine, supply }, this.#asked.gradePct),
      rangeKm: rangeKmOf(machine, charged, this.#asked),
    };
  }
}
