import { asRound, type RoundsRidden, type Route, type State } from '@apple-cart/core';
import type { RoadRange } from '../../state/road-range.ts';
import type { useQuantity } from '../../state/use-quantity.ts';

/** A road as the range is ridden on it. */
export interface RangeRoad {
  readonly road: Route;
  /** Ridden there and back only because its ends lie apart in height. */
  readonly turned: boolean;
}

const rounds = new WeakMap<Route, RangeRoad>();

/** The road made a round; the same answer for the same road, so that a study is not asked anew. */
export function rangeRoad(road: Route): RangeRoad {
  const before = rounds.get(road);
  if (before !== undefined) return before;
  const round = asRound(road);
  const made = { road: round, turned: round !== road };
  rounds.set(road, made);
  return made;
}

/** Less than this many times what is wanted is only just enough. */
const JUST = 1.15;

export interface KeptOn {
  /** What may be planned, the reserve kept back, km. */
  readonly km: number;
  /** Something is harmed on the way. */
  readonly hot: boolean;
  readonly state: State;
  /** Of the road. */
  readonly name: string;
}

/** What may be planned on a road, against what is wanted. */
export function keptOn(road: Route, { whole, once, reserve }: RoundsRidden, wantedKm: number): KeptOn {
  const km = (whole.metres * (1 - reserve)) / 1000;
  const hot = once.damageAfter !== undefined;
  const enough: State = km < JUST * wantedKm ? 'look' : 'fine';
  const state: State = km < wantedKm || hot ? 'stop' : enough;
  return { km, hot, state, name: road.name };
}

/** What tray, work order and card say of it. */
export function roadRange(
  { km, hot, state, name }: KeptOn,
  wantedKm: number,
  shown: ReturnType<typeof useQuantity>,
): RoadRange {
  const { text, unit } = shown(km, 'km', 0);
  // Far enough, and yet not to be ridden so: what stops it is told, not how far it would go.
  const far = hot && km >= wantedKm ? 'too hot' : `${text} ${unit}`;
  return { words: `${far} on ${name}`, state };
}
