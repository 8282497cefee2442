import type { BuildDocument } from '../document/document.ts';
import { lastTrue } from '../quantity/numerics.ts';
import { routeLengthM } from '../route/profile.ts';
import type { Route } from '../route/route.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { ridePlan, traceSpacing } from './ride-plan.ts';

/** Where along the way a share of the charge is reached. */
interface ChargeMark {
  readonly chargePct: number;
  /** Undefined where the way ends before. */
  readonly atKm: number | undefined;
}

/** Whether a way out and back the same road works, and from where it is too late to turn. */
export interface GetHome {
  readonly marks: readonly ChargeMark[];
  /** Charge left at the end of the way, one way, %; undefined where it is not reached. */
  readonly leftPct: number | undefined;
  /** Furthest point from which the way back is made with the reserve in hand, km; the whole way where it is. */
  readonly turnKm: number;
  readonly wholeWay: boolean;
  /** Charge that the reserve is: the share kept of what can be ridden, above the charge at which that ends, %. */
  readonly keptPct: number;
  /** Charge there, and at home again, %. */
  readonly turnPct: number;
  readonly homePct: number;
  /** Furthest point from which home is reached on the last of the charge, km. */
  readonly lastKm: number;
}

const MARKS = [90, 80, 70, 60, 50, 40, 30, 20, 10] as const;
/** Found to this share of the way. */
const HALVINGS = 12;

/** The first part of a route, one way. */
function upTo(route: Route, metres: number): Route {
  const { profile } = route;
  const next = profile.findIndex((p) => p.distanceM >= metres);
  const [a, b] = [profile[next - 1], profile[next]];
  if (a === undefined || b === undefined) return route;
  const t = (metres - a.distanceM) / (b.distanceM - a.distanceM);
  const end = { ...b, distanceM: metres, elevationM: a.elevationM + t * (b.elevationM - a.elevationM) };
  return { ...route, profile: [...profile.slice(0, next), end], times: 1 };
}

/** Charge left after a way out and back, turning at a distance; undefined where the machine does not come home. */
function after(build: BuildDocument, route: Route, metres: number): number | undefined {
  const plan = ridePlan(build, { ...upTo(route, metres), andBack: true }, 'cruise');
  const ride = plan.ride();
  return ride.ends === 'arrived' ? ride.charge : undefined;
}

/** The furthest turn that still comes home with a charge, by bisection over whole rides. */
function furthest(build: BuildDocument, route: Route, charge: number): number {
  const comes = (metres: number): boolean => (after(build, route, metres) ?? -1) >= charge;
  const length = routeLengthM(route);
  return comes(length) ? length : lastTrue(comes, 0, length, (1.5 * length) / 2 ** HALVINGS);
}

/** Plans a way out and home again over the same road, wind and grades turned round on the way back. */
export function getHome(build: BuildDocument, route: Route): GetHome {
  const once: Route = { ...route, times: 1, andBack: false };
  const plan = ridePlan(build, once, 'cruise');
  const out = plan.ride({ traceEvery: traceSpacing(plan.course) });
  const { trace } = out;
  const marks = MARKS.map((chargePct): ChargeMark => {
    const i = trace?.charge.findIndex((q) => q * 100 <= chargePct) ?? -1;
    const metres = trace?.metres[i];
    return { chargePct, atKm: i < 0 || metres === undefined ? undefined : metres / 1000 };
  });
  const length = routeLengthM(route);
  // One meaning of the reserve everywhere: a share of what can be ridden, which ends before the charge is nought.
  const level = constantSpeedRange(plan.machine, plan.pace.cruise, plan.charged);
  const endCharge = level.holds ? level.endCharge : 0;
  const kept = endCharge + plan.reserve * (plan.charged - endCharge);
  const turn = furthest(build, once, kept);
  const row = trace?.metres.findIndex((x) => x >= turn - 1) ?? -1;
  return {
    marks,
    leftPct: out.ends === 'arrived' ? out.charge * 100 : undefined,
    turnKm: turn / 1000,
    wholeWay: turn >= length - 1,
    turnPct: 100 * (trace?.charge[row < 0 ? trace.charge.length - 1 : row] ?? 0),
    keptPct: 100 * kept,
    homePct: 100 * (turn > 0 ? (after(build, once, turn) ?? 0) : plan.charged),
    lastKm: furthest(build, once, 0) / 1000,
  };
}
