import { counted } from '../quantity/format.ts';
import { firstOf } from '../quantity/first-of.ts';
import type { State } from '../check/state.ts';
import type { RideFigure, RideFigureId, RideKind, RideTold } from './ride-record.ts';

/** What a figure says of the plan: it promised more than came, less, or what came. */
export type Leaning = 'hopeful' | 'fearful' | 'holds';

/** More of it is worse for the rider, or better. */
const WORSE: Readonly<Record<RideFigureId, 1 | -1>> = {
  energy: 1,
  'per-km': 1,
  minutes: 1,
  top: -1,
  winding: 1,
  'volts-after': -1,
};
/** Within this share of it a figure holds; a temperature within so many kelvin, volts within a hundredth. */
const HOLDS_SHARE = 0.03;
const HOLDS_K = 3;
const HOLDS_VOLTS = 0.01;

function holdsWithin({ id, plan }: RideFigure): number {
  if (id === 'winding') return HOLDS_K;
  return Math.abs(plan) * (id === 'volts-after' ? HOLDS_VOLTS : HOLDS_SHARE);
}

/** Which way the plan was off, if it was. */
export function leaningOf(figure: RideFigure): Leaning {
  const off = (figure.measured - figure.plan) * WORSE[figure.id];
  if (Math.abs(off) <= holdsWithin(figure)) return 'holds';
  return off > 0 ? 'hopeful' : 'fearful';
}

/**
 * Inside of its likely span, or as near as a meter tells it, it is fine, outside to be looked at, twice as far out not to be
 * believed: a winding that the controller holds back has hardly a span.
 */
export function figureState(figure: RideFigure): State {
  const { plan, measured, low, high } = figure;
  const span = Math.max(measured < plan ? plan - low : high - plan, holdsWithin(figure));
  const off = Math.abs(measured - plan);
  if (off <= span) return 'fine';
  return off <= 2 * span ? 'look' : 'stop';
}

/** What a kind of ride is about, the first that was read. */
const ABOUT: Readonly<Record<RideKind, readonly RideFigureId[]>> = {
  everyday: ['per-km', 'energy', 'volts-after', 'minutes'],
  range: ['per-km', 'energy', 'volts-after'],
  hill: ['minutes', 'energy', 'winding'],
  'top-speed': ['top'],
  heat: ['winding', 'minutes', 'energy'],
  'coast-down': [],
};
export const headlineOf = (kind: RideKind, told: Pick<RideTold, 'figures'>): RideFigure | undefined =>
  ABOUT[kind].map((id) => told.figures.find((f) => f.id === id)).find((f) => f !== undefined);

/** Why a ride says nothing of its plan: nobody noted the wind, or the plan was that of a usual motor or pack. */
export type Doubt = 'wind' | 'stand-in';
export function doubtOf({
  windKnown,
  standsIn,
}: Pick<RideTold, 'windKnown' | 'standsIn'>): Doubt | undefined {
  if (standsIn !== '') return 'stand-in';
  return windKnown ? undefined : 'wind';
}

/** How a ride stands: by what it is about; without a road, or where there is a doubt, nothing can be said. */
export function rideState(kind: RideKind, told: RideTold | undefined): State {
  const figure = told === undefined ? undefined : headlineOf(kind, told);
  if (told === undefined || figure === undefined || doubtOf(told) !== undefined) return 'unknown';
  return figureState(figure);
}

/** How the plan stands by all rides that can be held against it. */
export interface RoadStands {
  readonly rides: number;
  /** Rides of which the energy could be held against the plan. */
  readonly compared: number;
  /** How much more they took than the plan said, as a share; NaN without one. */
  readonly off: number;
  readonly state: State;
  readonly words: string;
}

/** @param rides kind and what the plan said of each, those withdrawn left out */
export function roadStands(
  rides: readonly { readonly kind: RideKind; readonly told: RideTold | undefined }[],
): RoadStands {
  const energies = rides.flatMap(({ told }) => {
    if (told === undefined || doubtOf(told) !== undefined) return [];
    const figure = told.figures.find((f) => f.id === 'energy');
    return figure === undefined || figure.plan <= 0 ? [] : [figure];
  });
  const [measured, plan] = [
    energies.reduce((sum, f) => sum + f.measured, 0),
    energies.reduce((sum, f) => sum + f.plan, 0),
  ];
  const off = plan > 0 ? measured / plan - 1 : NaN;
  const states = rides.map(({ kind, told }) => rideState(kind, told));
  const count = counted(rides.length, 'ride');
  const share = `${String(Math.round(Math.abs(100 * off)))} %`;
  const leaning = firstOf(
    [
      [Number.isNaN(off), 'no plan to hold them against'],
      [Math.abs(off) <= HOLDS_SHARE, 'the plan holds'],
    ],
    `${share} ${off > 0 ? 'hopeful' : 'fearful'}`,
  );
  const state = firstOf<State>(
    [
      [rides.length === 0 || states.every((s) => s === 'unknown'), 'unknown'],
      [states.filter((s) => s === 'stop').length * 2 > states.length, 'stop'],
      [states.includes('stop') || states.filter((s) => s === 'look').length * 3 > states.length, 'look'],
    ],
    'fine',
  );
  return {
    rides: rides.length,
    compared: energies.length,
    off,
    state,
    words: rides.length === 0 ? 'no rides yet' : `${count}, ${leaning}`,
  };
}
