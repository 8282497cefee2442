import { ofFirstPack, specAt, type BuildDocument, type QuantityPath } from '../document/document.ts';
import type { Known } from '../document/known-build.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { withValue } from '../document/quantity-at.ts';
import { shareOff } from '../trips/uncertain.ts';
import { study } from '../verdict/study.ts';
import { headlines } from './compare.ts';

/** How much an assumed value moves the results when it is a tenth off. */
export interface Sensitivity {
  readonly known: Known;
  /** What it could cost: the loss on the worse side. */
  readonly topKmh: number;
  readonly hillKmh: number;
  readonly rangeKm: number;
}

interface Headline {
  readonly topKmh: number;
  readonly hillKmh: number;
  readonly rangeKm: number;
}

/** Temperatures and heights have no natural tenth; they are moved by this much instead. */
const STEP: Partial<Record<QuantityPath, number>> = {
  'brief.altitudeM': 200,
  'drive.windingC': 25,
};
const TENTH = 0.1;
/** Targets and settings are the builder's choice: there is nothing to measure. */
const CHOSEN: readonly QuantityPath[] = [
  'brief.cruiseSpeedKmh',
  'brief.hillLengthM',
  'brief.hillGradePct',
  'brief.distanceKm',
  'brief.reservePct',
  // Weather is not measured but met.
  'brief.temperatureC',
  'brief.headwindMs',
  'brief.cadenceMinRpm',
  'brief.cadenceMaxRpm',
  'packs.0.chargeLimitPct',
  // The label's volts only name the pack; the cells in series are what counts.
  'packs.0.nominalV',
];

/** Only checks, pictures, charging and lights use these: they move no speed and no range. */
const MOVES_NOTHING: ReadonlySet<QuantityPath> = new Set([
  // Heat and the way a road is ridden: none of the three figures knows of them.
  'drive.windingHeatJK',
  'drive.shellHeatJK',
  'drive.coupleWK',
  'drive.coolStillWK',
  'drive.coolMovingWK',
  'drive.fluidFactor',
  'drive.rollbackStartC',
  'drive.rollbackEndC',
  'drive.damageC',
  'brief.descentKmh',
  'brief.groundPct',
  // Only the law asks for it.
  'donor.widthMm',
  'donor.otherBeadMm',
  'donor.otherTyreMm',
  'donor.chainstayMm',
  'donor.bracketHeightMm',
  'donor.crankMm',
  'donor.tyreGripWet',
  'drive.spacerMm',
  'drive.armHoldsNm',
  'drive.pitchMm',
  'drive.centreMm',
  'packs.0.boxLengthMm',
  'packs.0.boxHeightMm',
  'packs.0.boxWidthMm',
  'packs.0.cellsContinuousA',
  'packs.0.cellsPeakA',
  'packs.0.maxChargeA',
  'packs.0.cell.continuousA',
  'packs.0.cell.peakA',
  'packs.0.cell.chargeA',
  'packs.0.cell.widthMm',
  'packs.0.cell.depthMm',
  'packs.0.cell.heightMm',
  'packs.0.cell.rows',
  'packs.0.cell.gapMm',
  'packs.0.cell.caseMm',
  'controller.capacitorUf',
  'cabling.insulationC',
  'cabling.preChargeOhm',
  'packs.0.charger.currentA',
  'packs.0.charger.efficiencyPct',
]);

/** Speeds and range as numbers: what does not move, climb or hold its speed does so with nothing. */
function headline(build: BuildDocument): Headline {
  const { topKmh = 0, hillKmh = 0, rangeKm = 0 } = headlines(study(build));
  return { topKmh, hillKmh, rangeKm };
}

/** A tenth of a quantity, or what stands for it. */
const stepOf = ({ path, value }: Known): number => STEP[path] ?? Math.abs(value) * TENTH;

/** Quantities in use that are not chosen and that move something. */
const telling = (build: BuildDocument): readonly Known[] =>
  knownInUse(build, knownBuild(build)).filter(
    (k) =>
      !CHOSEN.includes(ofFirstPack(k.path)) &&
      specAt(k.path).stays !== true &&
      !MOVES_NOTHING.has(ofFirstPack(k.path)),
  );

/**
 * Every assumed or unknown quantity with what it moves, the most telling first: each is taken a tenth up
 * and down (a winding 25 K, a height 200 m) and top speed, test hill and range are worked out again.
 */
export function sensitivities(build: BuildDocument): readonly Sensitivity[] {
  const base = headline(build);
  const weight = (s: Sensitivity): number =>
    s.topKmh / Math.max(1, base.topKmh) +
    s.hillKmh / Math.max(1, base.hillKmh) +
    s.rangeKm / Math.max(1, base.rangeKm);
  return telling(build)
    .filter((k) => k.source === 'assumed' || k.source === 'unknown')
    .map((known): Sensitivity => {
      const step = stepOf(known);
      const up = headline(withValue(build, known.path, known.value + step));
      const down = headline(withValue(build, known.path, known.value - step));
      return {
        known,
        topKmh: base.topKmh - Math.min(base.topKmh, up.topKmh, down.topKmh),
        hillKmh: base.hillKmh - Math.min(base.hillKmh, up.hillKmh, down.hillKmh),
        rangeKm: base.rangeKm - Math.min(base.rangeKm, up.rangeKm, down.rangeKm),
      };
    })
    .sort((a, b) => weight(b) - weight(a));
}

/** Headlines that are drawn as a tornado. */
export const TORNADO_FIGURES = ['hillKmh', 'topKmh', 'rangeKm', 'hottestC', 'startPct'] as const;
export type TornadoFigure = (typeof TORNADO_FIGURES)[number];
type Stands = Readonly<Record<TornadoFigure, number | undefined>>;

/** A quantity with what each headline becomes with less and with more of it. */
export interface Moved {
  readonly known: Known;
  /** By how much it is moved, in its unit. */
  readonly by: number;
  /** That is how well it is known, one standard deviation; else a tenth, or what stands for it. */
  readonly spread: boolean;
  readonly less: Stands;
  readonly more: Stands;
}

export interface Tornado {
  readonly now: Stands;
  readonly moved: readonly Moved[];
}

/** Teeth, or cells in series, that somebody has read. */
const isCounted = ({ unit, source }: Known): boolean =>
  (unit === 'T' || unit === 'S') && (source === 'label' || source === 'measured');

function stands(build: BuildDocument): Stands {
  const s = study(build);
  const { topKmh, hillKmh, rangeKm, startPct } = headlines(s);
  return { topKmh, hillKmh, rangeKm, startPct, hottestC: s.hillRide?.hottestC };
}

/** How far a quantity moves a headline, between its two ends; 0 where one of them has no number. */
export function swingOf({ less, more }: Moved, figure: TornadoFigure): number {
  const [a, b] = [less[figure], more[figure]];
  return a === undefined || b === undefined ? 0 : Math.abs(b - a);
}

/**
 * What moves each headline most: every quantity of the build down and up by how well it is known (one standard deviation, where a
 * measurement or a default says it or the range's band draws it; else a tenth), as far as it can be, all else alike, and every headline worked out again.
 */
export function* tornado(build: BuildDocument): Generator<number, Tornado> {
  const moved: Moved[] = [];
  const all = telling(build);
  for (const known of all) {
    // What was counted is not a tenth off.
    if (isCounted(known)) continue;
    const share = shareOff(known);
    const by = share === undefined ? stepOf(known) : share * Math.abs(known.value);
    if (by === 0) continue;
    const { min, max } = specAt(known.path);
    moved.push({
      known,
      by,
      spread: share !== undefined,
      less: stands(withValue(build, known.path, Math.max(min, known.value - by))),
      more: stands(withValue(build, known.path, Math.min(max, known.value + by))),
    });
    yield moved.length / all.length;
  }
  return { now: stands(build), moved };
}
