import type { BuildDocument } from '../../document/document.ts';
import type { Known, KnownBuild } from '../../document/known-build.ts';
import { motorDecided } from '../../document/motor-decided.ts';
import { unreadOf } from '../../document/worked.ts';
import type { Part } from '../../parts/part.ts';
import { formatNumber } from '../../quantity/format.ts';
import type { Phrase } from '../../quantity/phrase.ts';

/** What a step changes: of those of one kind one is taken at a time. */
export const STEP_KINDS = [
  'amps',
  'speed-limit',
  'power-limit',
  'pack',
  'second-pack',
  'motor',
  'ring',
  'cogs',
  'tyre',
  'fluid',
  'sensor',
  'cruise',
  'load',
  'own',
] as const;
export type StepKind = (typeof STEP_KINDS)[number];

/** How hard the work is for somebody with the usual tools. */
export type Difficulty = 'low' | 'middle' | 'high';

/** Hours at the bench and how hard, for somebody who has done it some times. Common practice, no source. */
export const WORK: Readonly<
  Record<StepKind | 'setting', { readonly hours: number; readonly difficulty: Difficulty }>
> = {
  setting: { hours: 0.25, difficulty: 'low' },
  amps: { hours: 1.5, difficulty: 'middle' },
  'speed-limit': { hours: 0.25, difficulty: 'low' },
  'power-limit': { hours: 0.25, difficulty: 'low' },
  pack: { hours: 1, difficulty: 'low' },
  'second-pack': { hours: 3, difficulty: 'middle' },
  motor: { hours: 4, difficulty: 'high' },
  ring: { hours: 0.75, difficulty: 'low' },
  cogs: { hours: 1, difficulty: 'middle' },
  tyre: { hours: 0.75, difficulty: 'low' },
  fluid: { hours: 1, difficulty: 'middle' },
  sensor: { hours: 1.5, difficulty: 'middle' },
  cruise: { hours: 0, difficulty: 'low' },
  load: { hours: 0, difficulty: 'low' },
  own: { hours: 1, difficulty: 'low' },
};

/** A single change of a build, before anything else is made to go with it. */
export interface ChangeStep {
  /** Stays the same while the shelf does: a choice of steps is kept by these. */
  readonly id: string;
  readonly kind: StepKind;
  /** What is changed, from and to: "Controller 22 to 30 A"; "Controller to 30 A" where nobody has read the one in hand. */
  readonly what: Phrase;
  /** What stands in for that which nobody has read, and the gain is held against: "18 A"; empty where all of it was. */
  readonly against: Phrase;
  /** What its maker or its fitter has to be asked; empty where nothing. */
  readonly note: string;
  /** Something is set, nothing is bought. */
  readonly setting: boolean;
  /** The part of the shelf that it brings; undefined where none is. */
  readonly part: Part | undefined;
  /** How many of it. */
  readonly pieces: number;
  /** What it costs beside, in the build's currency. */
  readonly money: number;
  readonly change: (build: BuildDocument) => BuildDocument;
}

/** What a step leaves behind: how its words begin, and what it is held against where nobody has read it. */
export const leaving = (
  known: Known,
  text: string,
  unit: string,
): { readonly from: string; readonly against: string } =>
  unreadOf(known).length === 0
    ? { from: `${text} to`, against: '' }
    : { from: 'to', against: unit === '' ? text : `${text} ${unit}` };

const AND = new Intl.ListFormat('en-GB');
/** Several of them in one. */
export const heldAgainst = (...all: readonly string[]): string =>
  AND.format(new Set(all.filter((words) => words !== '')));

/** What stands in for the amps of a controller that nobody has read: a larger one brings both. */
export function ampsStandIn({ controller: { batteryCurrentA, phaseCurrentA } }: KnownBuild): string {
  const phase = leaving(phaseCurrentA, formatNumber(phaseCurrentA.value, 0), 'A of phase current');
  return heldAgainst(
    leaving(batteryCurrentA, formatNumber(batteryCurrentA.value, 0), 'A').against,
    phase.against,
  );
}

/** The same of the volts at which it ends: another one brings its own. */
export const cutoffStandsIn = ({ controller: { lowVoltageCutoffV } }: KnownBuild): string =>
  leaving(lowVoltageCutoffV, `a cut-off at ${formatNumber(lowVoltageCutoffV.value, 1)}`, 'V').against;

/** Capacity that stands in for what is left of a pack of which nobody knows the age: one that is bought is new. */
export function healthStandsIn({ packs }: KnownBuild): string {
  const { healthPct, ageYears } = packs[0];
  return healthPct.source === 'unknown' && ageYears.source === 'unknown'
    ? `${formatNumber(healthPct.value, 0)} % of its capacity left`
    : '';
}

/** The motor that stands in for one of which nobody has read how it is wound: its turns for a volt, its copper. */
export function motorStandsIn(build: BuildDocument, known: KnownBuild): string {
  if (!motorDecided({ build, known })) return 'a usual motor';
  const { kvRpmPerV, resistanceOhm, ratedPowerW } = known.drive;
  if ([kvRpmPerV, resistanceOhm].every((one) => unreadOf(one).length === 0)) return '';
  return `a usual motor of ${formatNumber(ratedPowerW.value, 0)} W`;
}
