import type { ProfilePoint, Route } from './route.ts';

/** Length of one way, m along the road. */
export const routeLengthM = ({ profile }: Pick<Route, 'profile'>): number => profile.at(-1)?.distanceM ?? 0;

/** Length of everything that is ridden: there, back where it comes back, times over. */
export const riddenLengthM = (r: Pick<Route, 'profile' | 'times' | 'andBack'>): number =>
  routeLengthM(r) * r.times * (r.andBack ? 2 : 1);

/** No road is steeper than this sine of its slope: what is written as a wall stays a road with a run. */
const STEEPEST = 0.999;

/** The run along the ground of a length of road with a rise, m. */
export function groundOf(lengthM: number, riseM: number): number {
  const sine = Math.min(STEEPEST, Math.abs(riseM / lengthM));
  return lengthM * Math.sqrt(1 - sine * sine);
}

/** Rise over run in %, from a rise along a length of road: tan(asin(rise / length)). */
export function gradeOf(lengthM: number, riseM: number): number {
  const sine = Math.max(-STEEPEST, Math.min(STEEPEST, riseM / lengthM));
  return (100 * sine) / Math.sqrt(1 - sine * sine);
}

/** Rise of a length of road at a grade: length sin(atan(grade)). */
export function riseOf(lengthM: number, gradePct: number): number {
  const tangent = gradePct / 100;
  return (lengthM * tangent) / Math.sqrt(1 + tangent * tangent);
}

/** What goes up, and what goes down, m. */
export function totalClimb(elevations: readonly number[]): { readonly upM: number; readonly downM: number } {
  let [upM, downM] = [0, 0];
  for (let i = 1; i < elevations.length; i += 1) {
    const rise = (elevations[i] ?? 0) - (elevations[i - 1] ?? 0);
    if (rise > 0) upM += rise;
    else downM -= rise;
  }
  return { upM, downM };
}

/** A straight piece of a profile. */
export interface Piece {
  readonly fromM: number;
  readonly lengthM: number;
  readonly gradePct: number;
  readonly bearingDeg: number | null;
}

/** A profile as the straight pieces between its nodes. */
export const pieces = (profile: readonly ProfilePoint[]): readonly Piece[] =>
  profile.slice(1).map((to, i): Piece => {
    const from = profile[i] ?? to;
    const lengthM = to.distanceM - from.distanceM;
    return {
      fromM: from.distanceM,
      lengthM,
      gradePct: gradeOf(lengthM, to.elevationM - from.elevationM),
      bearingDeg: from.bearingDeg,
    };
  });

/** Elevation at a distance, by straight lines between the nodes; the ends beyond them. */
export function elevationAt(profile: readonly ProfilePoint[], distanceM: number): number {
  let [low, high] = [0, profile.length - 1];
  while (high - low > 1) {
    const middle = (low + high) >> 1;
    if ((profile[middle]?.distanceM ?? 0) <= distanceM) low = middle;
    else high = middle;
  }
  const [a, b] = [profile[low], profile[high]];
  if (a === undefined || b === undefined || b.distanceM === a.distanceM) return a?.elevationM ?? 0;
  const t = Math.min(1, Math.max(0, (distanceM - a.distanceM) / (b.distanceM - a.distanceM)));
  return a.elevationM + t * (b.elevationM - a.elevationM);
}

/** Elevation after a distance ridden: there, back where it comes back, and round again. */
export function elevationAlong(r: Pick<Route, 'profile' | 'andBack'>, riddenM: number): number {
  const length = routeLengthM(r);
  const round = r.andBack ? 2 * length : length;
  // The end of the last round is its end, not the beginning of another.
  const x = riddenM <= 0 ? 0 : riddenM - (Math.ceil(riddenM / round - 1e-9) - 1) * round;
  return elevationAt(r.profile, x > length ? 2 * length - x : x);
}

/** The steepest stretch at least this long, m: shorter ones are noise, or are rolled over. */
const STRETCH_M = 10;

/** Where a profile is steepest over a stretch, and how steep. */
export interface Steepest {
  /** Along the road from its start. */
  readonly atM: number;
  readonly gradePct: number;
}

/** The steepest grade of a profile, and where it begins. */
export function steepest(profile: readonly ProfilePoint[]): Steepest {
  let best = { atM: 0, gradePct: -Infinity };
  for (const piece of pieces(profile)) {
    const reach = Math.max(piece.lengthM, STRETCH_M);
    const rise = elevationAt(profile, piece.fromM + reach) - elevationAt(profile, piece.fromM);
    const gradePct = gradeOf(reach, rise);
    if (gradePct > best.gradePct) best = { atM: piece.fromM, gradePct };
  }
  return best;
}

/** The steepest that is climbed: on the way there, or on the way back where the road comes back. */
export function steepestRidden({ profile, andBack }: Pick<Route, 'profile' | 'andBack'>): Steepest {
  const there = steepest(profile);
  if (!andBack) return there;
  const length = routeLengthM({ profile });
  const home = steepest([...profile].reverse().map((p) => ({ ...p, distanceM: length - p.distanceM })));
  return home.gradePct > there.gradePct ? { ...home, atM: length - home.atM } : there;
}

/** What is climbed and gone down in everything that is ridden, m. */
export function climbRidden(r: Pick<Route, 'profile' | 'andBack' | 'times'>): {
  readonly upM: number;
  readonly downM: number;
} {
  const { upM, downM } = totalClimb(r.profile.map((p) => p.elevationM));
  return r.andBack
    ? { upM: (upM + downM) * r.times, downM: (upM + downM) * r.times }
    : { upM: upM * r.times, downM: downM * r.times };
}
