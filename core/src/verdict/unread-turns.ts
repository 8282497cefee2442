import type { BuildDocument } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { usualDrive } from '../document/stands-in.ts';
import { cornerOf, isGearing, plausibleSpan, unknownOf, type Bearings } from '../machine/span.ts';
import { lazily } from '../quantity/lazily.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';
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
  /** Whether the winding lasts to the top; undefined also where it does not: that errs to the safe side. */
  readonly heat: Turn | undefined;
}

/**
 * What decides how strong a machine is on its hill, and which way, the most telling first. Cells are left out: a label says them well
 * enough.
 */
const STRENGTH: Bearings = [
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
  ['donor.massKg', -1],
  ['packs.massKg', -1],
  // What ends the help below the speed at which it would climb.
  ['controller.setRolloutMm', -1],
  ['controller.assistCutoffKmh', 1],
  ['controls.throttleCutoffKmh', 1],
];
/** What decides how cool it stays there. */
const COOLNESS: Bearings = [
  ['drive.massKg', 1],
  ['drive.resistanceOhm', -1],
  ['controller.phaseCurrentA', -1],
  ['drive.windingHeatJK', 1],
  ['drive.coupleWK', 1],
  ['drive.damageC', 1],
  ['donor.massKg', -1],
  ['packs.massKg', -1],
];

const isClimbed = ({ climb }: Study): boolean =>
  climb.climbs && (climb.cutsOutAfter ?? Infinity) >= climb.seconds;
const setsOut = ({ start, known }: Study): boolean => start.gradePct >= known.brief.hillGradePct.value;

/** Of a build what nobody has read, and the same build with one of that, or all of it, at ends of their spans. */
interface Scene {
  readonly s: Study;
  readonly moved: (known: Known, at: number) => Study;
  readonly corners: (unread: readonly Known[], bearings: Bearings, end: 'up' | 'down') => readonly Study[];
}

/** The gearing, and the speed constant: at either end a machine may be the weaker one, by its amps or by its volts. */
const isEitherWay = (known: Known): boolean => isGearing(known) || known.path === 'drive.kvRpmPerV';

/** Each of them is worked out once for all questions. */
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
    corners: (unread, bearings, end) => {
      const one = studyOf(cornerOf(s.build, unread, bearings, end));
      const open = unread.filter(isEitherWay);
      const other = end === 'up' ? 'down' : 'up';
      return open.length === 0 ? [one] : [one, studyOf(cornerOf(one.build, open, bearings, other))];
    },
  };
}

/**
 * The first unread value by which the answer is another. A machine that answers the same with all of them at their worst, or at their
 * best, is left at that: each of them by itself is less.
 * @param bearings which way each of them turns the answer from no to yes
 */
function turnOf(
  { s, moved, corners }: Scene,
  bearings: Bearings,
  answer: (s: Study) => boolean,
): Turn | undefined {
  const unread = unknownOf(s.used, bearings).filter(({ restsOn }) => restsOn === undefined);
  if (unread.length === 0) return undefined;
  const now = answer(s);
  if (corners(unread, bearings, now ? 'down' : 'up').every((other) => answer(other) === now))
    return undefined;
  for (const known of unread)
    for (const at of plausibleSpan(known))
      // Also at the value itself: what is said may settle others that follow from it.
      if (answer(moved(known, at)) !== now) return { known, at };
  return undefined;
}

/**
 * What nobody has read, by another plausible value of which the test hill would be climbed or not, set out on or not, or would burn the
 * motor: each value moved by itself to the ends of its span. Nothing where a usual motor or pack stands in: that says it all.
 * @param studyOf the study of another build
 */
export function unreadTurns(s: Study, studyOf: (build: BuildDocument) => Study): UnreadTurns {
  const scene = sceneOf(s, studyOf);
  const decided = (): boolean => usualDrive(s) === '';
  return lazily<UnreadTurns>({
    // What gives out on the way does so whatever its strength.
    hill: () =>
      decided() && ['climbs', 'stalls'].includes(hillOutcome(s).kind)
        ? turnOf(scene, STRENGTH, isClimbed)
        : undefined,
    start: () => (decided() ? turnOf(scene, STRENGTH, setsOut) : undefined),
    heat: () =>
      decided() && isClimbed(s) && !isTooHot(s)
        ? turnOf(scene, COOLNESS, (other) => !isClimbed(other) || !isTooHot(other))
        : undefined,
  });
}

/** What it would be otherwise, in front of the value that does it. */
function otherwise(s: Study, id: FigureId): string {
  if (id === 'heat') return 'too hot at ';
  if (id === 'hill') return isClimbed(s) ? 'stalls at ' : 'climbs at ';
  return setsOut(s) ? 'not on the hill at ' : 'on the hill at ';
}

const named = ({ label }: Known): string => `${label.charAt(0).toLowerCase()}${label.slice(1)}`;

/** How a turn is told: what is otherwise, and by which value. */
const turnWords = (s: Study, id: FigureId, { known, at }: Turn): Phrase => [
  otherwise(s, id),
  qty(at, known.unit),
  `, ${named(known)}`,
];

/** Figures of the hill that another plausible value of something unread would turn: they promise nothing, and name it. */
export const withUnread = (
  s: Study & { readonly turns: UnreadTurns },
  figures: readonly Figure[],
): readonly Figure[] =>
  figures.map((figure) => {
    const { id } = figure;
    const turn = id === 'hill' || id === 'start' || id === 'heat' ? s.turns[id] : undefined;
    if (turn === undefined) return figure;
    return restingFigure(figure, {
      state: figure.state === 'look' ? 'look' : 'unknown',
      condition: turnWords(s, id, turn),
      leftOut: `Nobody has read this: ${turn.known.label}. Another plausible value of it gives another answer.`,
    });
  });
