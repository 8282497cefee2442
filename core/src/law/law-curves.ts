import { untowed } from './facts.ts';
import { helpEnd } from '../machine/limits.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import type { RatioCorner } from './assist-curve.ts';
import { assistCorners } from './assist-curve.ts';
import type { PlaceVerdict } from './judge.ts';
import { wayOf } from '../ride/corners.ts';
import { inFairWeather } from './fair-weather.ts';
import { hotNoLoadSpeed, wheelPowerCurve, type PowerAtSpeed } from './motor-alone.ts';
import { profilesOf } from './profile.ts';
import { NUMBER_FACTS, type NumberFactName } from './fact-names.ts';
import type { CurveClause, RuleBook } from './rule-schema.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { convert } from '../quantity/units.ts';
import { msToKmh } from '../quantity/units.ts';
import { thirtyMinutePower, type ThirtyMinutes } from '../ride/thirty-minute.ts';

/** One way the rider can have the machine, as curves against speed. */
interface WayCurves {
  /** Empty for the build as set. */
  readonly profile: string;
  /** Motor force per rider force; undefined where the help does not follow the rider. */
  readonly ratio: readonly RatioCorner[] | undefined;
  /** Share of the help that is left, 1 to 0. */
  readonly share: readonly { readonly kmh: number; readonly share: number }[];
  /** Most mechanical power at the wheel. */
  readonly power: readonly PowerAtSpeed[];
}

export interface LawCurves {
  readonly ways: readonly WayCurves[];
  /** What the motor holds for thirty minutes by the heat model. */
  readonly held: ThirtyMinutes;
  readonly ratedW: number | undefined;
}

/** A line that a class draws across a chart, in the fact's own unit. */
export interface LimitLine {
  readonly name: string;
  readonly value: number;
}

/** The curves that the law looks at, for every way the rider can have the machine. */
export function lawCurves(build: BuildDocument): LawCurves {
  const known = knownBuild(build);
  const rated = known.drive.ratedPowerW;
  const ways = profilesOf(untowed(build)).map(({ name, build: own }): WayCurves => {
    const way = wayOf(own);
    const { machine } = way;
    const { taper } = machine.limits;
    const cutoff = helpEnd(machine);
    const end = Math.min(cutoff, hotNoLoadSpeed(inFairWeather(way).machine));
    const from = Math.max(0, Math.min(end, cutoff - taper));
    const left = cutoff === Infinity || cutoff > end ? 1 : 0;
    return {
      profile: name,
      ratio: assistCorners(machine),
      share: [
        { kmh: 0, share: 1 },
        { kmh: msToKmh(from), share: 1 },
        ...(left === 0 ? [{ kmh: msToKmh(end), share: 0 }] : [{ kmh: msToKmh(end), share: 1 }]),
      ],
      power: wheelPowerCurve(inFairWeather(way).machine),
    };
  });
  return {
    ways,
    held: thirtyMinutePower(assembleKnown(build, known)),
    ratedW: rated.source === 'unknown' ? undefined : rated.value,
  };
}

/** Upper limits of a place's classes on a number, each value once, with the classes that have it. */
export function limitLines(place: PlaceVerdict, fact: NumberFactName): readonly LimitLine[] {
  const own = NUMBER_FACTS[fact].unit;
  const found = new Map<number, string[]>();
  for (const { category, clauses } of place.tests.flatMap((t) => t.categories))
    for (const { clause } of clauses)
      if (clause.kind === 'number' && clause.fact === fact && clause.op.startsWith('<')) {
        const value = convert(clause.limit, clause.unit, own);
        found.set(value, [...(found.get(value) ?? []), category.shortName]);
      }
  return [...found]
    .map(([value, names]) => ({ value, name: [...new Set(names)].join(', ') }))
    .sort((a, b) => a.value - b.value);
}

/** Every rule of a book that is a curve, with its place and class. */
export const curveRules = (
  book: RuleBook,
): readonly { readonly place: string; readonly name: string; readonly clause: CurveClause }[] =>
  book.flatMap((p) =>
    p.tests.flatMap((t) =>
      t.categories.flatMap((c) =>
        c.clauses.flatMap((clause) =>
          clause.kind === 'curve' ? [{ place: p.id, name: `${p.shortName}, ${c.shortName}`, clause }] : [],
        ),
      ),
    ),
  );
