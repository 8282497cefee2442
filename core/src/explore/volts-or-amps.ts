import { priceOfLine } from '../document/purchase.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Chemistry } from '../document/choices.ts';
import { knownBuild } from '../document/known.ts';
import { usualDrive } from '../document/stands-in.ts';
import { unreadOf } from '../document/worked.ts';
import { LABEL_V_PER_CELL } from '../document/per-cell.ts';
import type { PackDocument } from '../document/pack.ts';
import { withPack } from '../document/quantity-at.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { buyPart } from '../parts/apply-part.ts';
import type { Part, PartOf } from '../parts/part.ts';
import { priceIn } from '../parts/price-in.ts';
import { classFigure } from '../verdict/figures/class-figure.ts';
import type { State } from '../check/state.ts';
import { judged } from '../verdict/judged.ts';
import { study, type Study } from '../verdict/study.ts';
import { opensBy } from './change/opens.ts';
import { ampsStandIn, leaving, motorStandsIn } from './change/step.ts';
import { compare } from './compare.ts';
import { turnsMotor } from './goes-with.ts';
import { layoutOf, suits } from './motor-for.ts';

type StepId = 'now' | 'volts' | 'amp-hours' | 'amps' | 'motor';

/** The build as it is, or with one thing a step larger, and what that does. */
export interface Step {
  readonly id: StepId;
  /** What is changed, in a few words. */
  readonly what: string;
  /** The default that it is a step more than, or that the build stands with, where nobody has read its own: empty where it was. */
  readonly against: string;
  readonly build: BuildDocument;
  readonly topKmh: number | undefined;
  readonly hillKmh: number | undefined;
  readonly startPct: number;
  readonly rangeKm: { readonly low: number; readonly high: number } | undefined;
  /** Heat in the winding on the test hill, W; undefined where it is not climbed. */
  readonly copperW: number | undefined;
  readonly weakest: string | undefined;
  readonly weakestMargin: number | undefined;
  /** Checks of the power chain that stop it, and that the build as it is does not stop at, by their titles. */
  readonly stops: readonly string[];
  /** What nobody has read, and is asked more than before. */
  readonly opens: readonly string[];
  readonly classWords: string;
  readonly classState: State;
  readonly massKg: number;
  /** What it costs to buy, in the build's currency; null where nothing on the shelf or the card tells. */
  readonly price: number | null;
}

/** Cells in series that packs are commonly made with. Common practice. */
const SERIES: Readonly<Record<Chemistry, readonly number[]>> = {
  nmc: [7, 10, 13, 14, 16, 20, 24],
  'nmc-power': [7, 10, 13, 14, 16, 20, 24],
  lmo: [7, 10, 13, 14, 16, 20, 24],
  lfp: [8, 12, 15, 16, 20, 24],
  'lead-acid': [12, 18, 24, 30, 36],
};

/** What packs of so many cells are sold as, V: of 3.6 to 3.7 V a cell, none of which is the label for all. Common practice. */
const SOLD_AS: Readonly<Partial<Record<number, number>>> = { 7: 24, 10: 36, 13: 48, 14: 52, 16: 60, 20: 72 };
const soldAs = (chemistry: Chemistry, cells: number): number => {
  const volts = cells * LABEL_V_PER_CELL[chemistry];
  const isOther = chemistry === 'lfp' || chemistry === 'lead-acid';
  return (isOther ? undefined : SOLD_AS[cells]) ?? Math.round(volts);
};

/** A step of amp-hours or amps where the shelf has none: a quarter more. */
const QUARTER = 1.25;

const assumed = (value: number): Sourced => ({ source: 'assumed', value });
const scaled = (entered: Sourced, by: number): Sourced =>
  entered.source === 'unknown' ? entered : assumed(entered.value * by);

interface Draft {
  readonly id: StepId;
  readonly what: string;
  readonly against: string;
  readonly build: BuildDocument;
  readonly price: number | null;
}

/** A pack with the next common number of cells in series, its mass grown with them; undefined where there is none. */
function withMoreCells(
  pack: PackDocument,
  cells: number,
): { pack: PackDocument; next: number; volts: number } | undefined {
  const { chemistry, massKg } = pack;
  const next = SERIES[chemistry].find((s) => s > cells);
  if (next === undefined) return undefined;
  const volts = soldAs(chemistry, next);
  const larger = {
    cellsInSeries: assumed(next),
    nominalV: assumed(volts),
    massKg: scaled(massKg, next / cells),
  };
  return { pack: { ...pack, ...larger }, next, volts };
}

/** What all packs cost, grown by a factor; null where one has no price. */
function dearer(build: BuildDocument, by: number): number | null {
  const prices = build.packs.map((_, i) => priceOfLine(build, i === 0 ? 'pack' : `pack/${String(i + 1)}`));
  return prices.reduce<number | null>((sum, p) => (sum === null || p === null ? null : sum + p * by), 0);
}

/** One step more of cells in series for every pack; mass, cut-off and price grow with it. */
function moreVolts(build: BuildDocument): Draft | undefined {
  const known = knownBuild(build);
  const cells = known.packs[0].cellsInSeries.value;
  const first = withMoreCells(build.packs[0], cells);
  if (first === undefined) return undefined;
  const others = build.packs
    .slice(1)
    .map((pack, i) => withMoreCells(pack, known.packs[i + 1]?.cellsInSeries.value ?? 1)?.pack ?? pack);
  const by = first.next / cells;
  const { lowVoltageCutoffV } = build.controller;
  const counted = unreadOf(known.packs[0].cellsInSeries).length === 0;
  return {
    id: 'volts',
    what: `${String(first.next)} in series, ${String(first.volts)} V`,
    against: leaving(known.packs[0].cellsInSeries, String(cells), 'in series').against,
    price: dearer(build, by),
    build: {
      ...build,
      packs: [first.pack, ...others],
      controller: {
        ...build.controller,
        // By cells that nobody has counted no cut-off is worked out.
        lowVoltageCutoffV: counted ? scaled(lowVoltageCutoffV, by) : { source: 'unknown' },
      },
    },
  };
}

/** A quarter more of the first pack, or one more cell side by side. */
function moreAmpHours(build: BuildDocument): Draft {
  const [known] = knownBuild(build).packs;
  const [pack] = build.packs;
  const fromCells = pack.make === 'cells';
  const parallel = Math.max(1, Math.round(known.cell.parallel.value));
  const by = fromCells ? (parallel + 1) / parallel : QUARTER;
  const ah = known.capacityAh.value * by;
  return {
    id: 'amp-hours',
    what: `${ah.toFixed(1)} Ah`,
    against: leaving(known.capacityAh, known.capacityAh.value.toFixed(1), 'Ah').against,
    price: dearer(build, by),
    build: withPack(build, 0, () => ({
      ...pack,
      ...(fromCells
        ? { cell: { ...pack.cell, parallel: assumed(parallel + 1) } }
        : {
            capacityAh: assumed(ah),
            cellsContinuousA: scaled(pack.cellsContinuousA, by),
            cellsPeakA: scaled(pack.cellsPeakA, by),
            maxChargeA: scaled(pack.maxChargeA, by),
          }),
      massKg: scaled(pack.massKg, by),
    })),
  };
}

const smallest = <P extends Part>(parts: readonly P[], of: (p: P) => number, above: number): P | undefined =>
  parts.filter((p) => of(p) > above).sort((a, b) => of(a) - of(b))[0];

/** The shelf's next larger controller; its amps are taken, speed and power limits stay as they are set. */
function moreAmps(build: BuildDocument, controllers: readonly PartOf<'controller'>[]): Draft {
  const known = knownBuild(build);
  const { controller } = known;
  const now = controller.batteryCurrentA.value;
  const part = smallest(controllers, (p) => p.batteryCurrentA, now);
  const amps = part?.batteryCurrentA ?? Math.round(now * QUARTER);
  const phase = part?.phaseCurrentA ?? Math.round((controller.phaseCurrentA.value * amps) / now);
  return {
    id: 'amps',
    what: `${String(amps)} A, ${String(phase)} A phase`,
    against: ampsStandIn(known),
    price: priceIn(build, part),
    build: {
      ...build,
      controller: {
        ...build.controller,
        batteryCurrentA: assumed(amps),
        phaseCurrentA: assumed(Math.max(phase, controller.phaseCurrentA.value)),
      },
    },
  };
}

/** Motors within this ratio of the output speed of the one in hand are wound for the same wheel. */
const SAME_WINDING = 1.25;

/** The shelf's next motor of the kind for the same wheel by rated power, among those wound alike, else of all; fit not judged. */
function largerMotor(build: BuildDocument, motors: readonly PartOf<'motor'>[]): Draft | undefined {
  const known = knownBuild(build);
  const { drive } = known;
  const outputOf = (one: BuildDocument): number => {
    const { kvRpmPerV, reduction } = knownBuild(one).drive;
    return kvRpmPerV.value / reduction.value;
  };
  const output = outputOf(build);
  const alike = (m: PartOf<'motor'>): boolean =>
    Math.abs(Math.log(outputOf(buyPart(build, m)) / output)) <= Math.log(SAME_WINDING);
  // A controller for two leads turns no motor of three, and the other way round.
  const kind = motors.filter(
    (m) =>
      m.kind === build.drive.kind && m.commutation === build.drive.commutation && suits(m, layoutOf(build)),
  );
  const next = (list: readonly PartOf<'motor'>[]) =>
    smallest(list, (m) => m.ratedPowerW, drive.ratedPowerW.value);
  const part = next(kind.filter(alike)) ?? next(kind);
  if (part === undefined) return undefined;
  const usual = motorStandsIn(build, known);
  return {
    id: 'motor',
    what: part.name,
    // Larger than what, is by its watts.
    against:
      usual === '' ? leaving(drive.ratedPowerW, drive.ratedPowerW.value.toFixed(0), 'W').against : usual,
    price: priceIn(build, part),
    build: buyPart(build, part),
  };
}

/** What stops a changed build that did not stop the one in hand: the step alone is not ridden so. */
function newStops(then: Study, now: Study): readonly string[] {
  const before = new Set(now.powerChecks.filter((c) => c.state === 'stop').map((c) => c.id));
  return then.powerChecks.filter((c) => c.state === 'stop' && !before.has(c.id)).map((c) => c.title);
}

function result(draft: Draft, now: Study, book: RuleBook): Step {
  const { study: s, is } = compare(draft.build, now);
  const words = classFigure(judged(s, book));
  return {
    ...draft,
    topKmh: is.topKmh,
    hillKmh: is.hillKmh,
    startPct: is.startPct,
    rangeKm: is.plannedKm,
    copperW: is.copperW,
    weakest: s.chain.weakest?.name,
    weakestMargin: s.chain.weakest?.margin,
    stops: newStops(s, now),
    opens: draft.id === 'now' ? [] : opensBy(now, s),
    classWords: words.words ?? '',
    classState: words.state,
    massKg: is.massKg,
  };
}

/**
 * The build in hand, and with one step more of volts, amp-hours, amps, or motor: what each does to speed,
 * hill, range, heat, weakest link, class and price.
 */
export function voltsOrAmps(build: BuildDocument, parts: readonly Part[], book: RuleBook): readonly Step[] {
  const drafts: readonly (Draft | undefined)[] = [
    { id: 'now', what: '', against: usualDrive({ build, known: knownBuild(build) }), build, price: null },
    moreVolts(build),
    moreAmpHours(build),
    moreAmps(
      build,
      parts.filter((p) => p.type === 'controller').filter((p) => turnsMotor(p, build)),
    ),
    largerMotor(
      build,
      parts.filter((p) => p.type === 'motor'),
    ),
  ];
  const now = study(build);
  return drafts.filter((d) => d !== undefined).map((d) => result(d, now, book));
}
