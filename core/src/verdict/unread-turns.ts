import type { BuildDocument } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { usualDrive } from '../document/stands-in.ts';
import { cornerOf, isGearing, plausibleSpan, unknownOf, type Bearings } from '../machine/span.ts';
import { lazily } from '../quantity/lazily.ts';
import { qty } from '../quantity/phrase.ts';
import { restingFigure, type Figure, type FigureId } from './figure.ts';
import { isTooHot } from './figures/heat-figure.ts';
import { hillOutcome } from './hill-outcome.ts';
import type { Study } from './study.ts';

/** A value that nobody has read, and an end of its plausible span at which another answer is given. */
interface Turn {
  readonly known: Known;
  readonly at: number;
}

/** By what the answers about the test hill would be others. */
export interface UnreadTurns {
  /** Whether it is climbed. */
  readonly hill: Turn | undefined;
  /** Whether it sets out on it. */
  readonly start: Turn | undefined;
  /**
   * Whether the winding lasts to the top: by its own heat, or since a motor that stalls burns; undefined also where it does not last:
   * that errs to the safe side.
   */
  readonly heat: (Turn & { readonly by: 'heat' | 'hill' }) | undefined;
}

/** A study with what nobody has read of it and would turn its hill. */
type Turning = Study & { readonly turns: UnreadTurns };

/** What an answer rests on, the most telling first, and which way each value turns it from no to yes. */
interface Question {
  readonly bearings: Bearings;
  /** Of these either end may do so: by amps or by volts, by heat or by the time it takes. Those of a row are turned together. */
  readonly either: readonly ((known: Known) => boolean)[];
}
/** Its limits of current: with less it is cooler, or climbs so long that it is not. */
const isAmps = ({ path }: Known): boolean =>
  path === 'controller.phaseCurrentA' ||
  path === 'controller.batteryCurrentA' ||
  path === 'controller.powerLimitW';
/** Defaults of winding, amps and heat follow from these. */
const LEADS: ReadonlySet<string> = new Set(['drive.massKg', 'drive.kvRpmPerV']);
const isKv = ({ path }: Known): boolean => path === 'drive.kvRpmPerV';

/**
 * How strong a machine is on its hill. Left out are cells, which a label says well enough, and what it weighs: by its kind that is
 * known within a few kilograms of more than a hundred.
 */
const STRENGTH: Question = {
  bearings: [
    ['controller.phaseCurrentA', 1],
    ['drive.massKg', 1],
    ['drive.kvRpmPerV', -1],
    ['drive.reduction', 1],
    ['drive.motorSprocketTeeth', -1],
    ['drive.wheelSprocketTeeth', 1],
    ['gearing.ringTeeth', -1],
    ['controls.assistRatio', 1],
    ['controller.batteryCurrentA', 1],
    ['controller.powerLimitW', 1],
    ['drive.resistanceOhm', -1],
    ['drive.efficiency', 1],
    // What ends the help below the speed at which it would climb.
    ['controller.setRolloutMm', -1],
    ['controller.assistCutoffKmh', 1],
    ['controls.throttleCutoffKmh', 1],
  ],
  either: [isGearing, isKv, isAmps],
};
/** How cool it stays there. */
const COOLNESS: Question = {
  bearings: [
    ['drive.massKg', 1],
    ['drive.resistanceOhm', -1],
    ['controller.phaseCurrentA', -1],
    ['controller.batteryCurrentA', -1],
    ['controller.powerLimitW', -1],
    ['drive.windingHeatJK', 1],
    ['drive.coupleWK', 1],
    ['drive.damageC', 1],
    ['drive.kvRpmPerV', -1],
    ['drive.reduction', 1],
    ['drive.motorSprocketTeeth', -1],
    ['drive.wheelSprocketTeeth', 1],
    ['gearing.ringTeeth', -1],
  ],
  either: [isGearing, isAmps],
};

const isClimbed = ({ climb }: Study): boolean =>
  climb.climbs && (climb.cutsOutAfter ?? Infinity) >= climb.seconds;
const setsOut = ({ start, known }: Study): boolean => start.gradePct >= known.brief.hillGradePct.value;

/** A build, and the same with something that nobody has read at an end of its span; each is worked out once for all questions. */
interface Scene {
  readonly s: Study;
  readonly moved: (known: Known, at: number) => Study;
  /** All at the ends that turn an answer up or down, one after the other where either end may do that. */
  readonly corners: (unread: readonly Known[], question: Question, end: 'up' | 'down') => Iterable<Study>;
}

function sceneOf(s: Study, studyOf: (build: BuildDocument) => Study): Scene {
  const found = new Map<string, Study>();
  const once = (key: string, build: () => BuildDocument): Study => {
    const study = found.get(key) ?? studyOf(build());
    found.set(key, study);
    return study;
  };
  return {
    s,
    moved: ({ path }, at) =>
      once(`${path} ${String(at)}`, () => withQuantity(s.build, path, { source: 'assumed', value: at })),
    *corners(unread, { bearings, either }, end) {
      const other = end === 'up' ? 'down' : 'up';
      const rows = either.map((is) => unread.filter(is)).filter((row) => row.length > 0);
      const worst = cornerOf(s.build, unread, bearings, end);
      for (let i = 0; i < 2 ** rows.length; i += 1) {
        const flipped = rows.flatMap((row, bit) => (Math.floor(i / 2 ** bit) % 2 === 1 ? row : []));
        yield once(`${bearings.join(' ')} ${end} ${String(i)}`, () =>
          cornerOf(worst, flipped, bearings, other),
        );
      }
    },
  };
}

/** Whether an answer is another in any corner. */
function turnsInAny(corners: Iterable<Study>, now: boolean, answer: (s: Study) => boolean): boolean {
  for (const corner of corners) if (answer(corner) !== now) return true;
  return false;
}

/**
 * The first unread value by which the answer is another. A machine that answers the same with all of them at their worst, or at their
 * best, is left at that: each of them by itself is less.
 */
function turnOf(
  { s, moved, corners }: Scene,
  question: Question,
  answer: (s: Study) => boolean,
): Turn | undefined {
  const { bearings, either } = question;
  const unread = unknownOf(s.used, bearings).filter(({ restsOn }) => restsOn === undefined);
  if (unread.length === 0) return undefined;
  const now = answer(s);
  const turns = new Map(bearings);
  const turnBy = (some: readonly Known[]): Turn | undefined => {
    for (const known of some) {
      const [low, high] = plausibleSpan(known);
      const worst = (turns.get(known.path) === 1) === now ? low : high;
      // Also at the value itself: what is said may settle others that follow from it.
      for (const at of LEADS.has(known.path) || either.some((is) => is(known)) ? [low, high] : [worst])
        if (answer(moved(known, at)) !== now) return { known, at };
    }
    return undefined;
  };
  const mayTurn = turnsInAny(corners(unread, question, now ? 'down' : 'up'), now, answer);
  // What others follow from takes them beyond the corners, where each stands at an end of its own span.
  return turnBy(mayTurn ? unread : unread.filter(({ path }) => LEADS.has(path)));
}

/**
 * What nobody has read, by another plausible value of which the test hill would be climbed or not, set out on or not, or would burn the
 * motor: each value moved by itself to the ends of its span. Nothing where a usual motor or pack stands in: that says it all.
 * @param studyOf the study of another build
 */
export function unreadTurns(s: Study, studyOf: (build: BuildDocument) => Study): UnreadTurns {
  const scene = sceneOf(s, studyOf);
  const decided = (): boolean => usualDrive(s) === '';
  const turns: UnreadTurns = lazily<UnreadTurns>({
    // What gives out on the way does so whatever its strength.
    hill: () =>
      decided() && ['climbs', 'stalls'].includes(hillOutcome(s).kind)
        ? turnOf(scene, STRENGTH, isClimbed)
        : undefined,
    start: () => (decided() ? turnOf(scene, STRENGTH, setsOut) : undefined),
    heat: () => {
      const { climbs } = s.climb;
      if (!decided() || (climbs && isTooHot(s))) return undefined;
      const own = climbs ? turnOf(scene, COOLNESS, (other) => !isTooHot(other)) : undefined;
      if (own === undefined) return turns.hill && { ...turns.hill, by: 'hill' };
      return { ...own, by: scene.moved(own.known, own.at).climb.climbs ? 'heat' : 'hill' };
    },
  });
  return turns;
}

/** What it would be otherwise, in front of the value that does it. */
const OTHERWISE = {
  heat: () => 'too hot at ',
  hill: (s: Study) => (s.climb.climbs ? 'stalls at ' : 'climbs at '),
  start: (s: Study) => (setsOut(s) ? 'not on the hill at ' : 'on the hill at '),
} as const;

const named = ({ label }: Known): string => `${label.charAt(0).toLowerCase()}${label.slice(1)}`;

/** The turn of a figure, and what it would be otherwise; undefined of a figure that is none of the hill. */
function turnFor({ turns }: Turning, id: FigureId): (Turn & { readonly by: keyof UnreadTurns }) | undefined {
  if (id === 'heat') return turns.heat;
  if (id !== 'hill' && id !== 'start') return undefined;
  const turn = turns[id];
  return turn && { ...turn, by: id };
}

/** Figures of the hill that another plausible value of something unread would turn: they promise nothing, and name it. */
export const withUnread = (s: Turning, figures: readonly Figure[]): readonly Figure[] =>
  figures.map((figure) => {
    const turn = turnFor(s, figure.id);
    if (turn === undefined) return figure;
    const { known, at, by } = turn;
    return restingFigure(figure, {
      state: 'unknown',
      condition: [OTHERWISE[by](s), qty(at, known.unit), `, ${named(known)}`],
      leftOut: `Nobody has read this: ${known.label}. Another plausible value of it gives another answer.`,
    });
  });
