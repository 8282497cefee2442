import { motorCount } from '../document/motors.ts';
import { priceOfLine } from '../document/purchase.ts';
import { standingKg } from '../machine/machine.ts';
import type { BuildDocument } from '../document/document.ts';
import type { PartOf } from '../parts/part.ts';
import { priceIn } from '../parts/price-in.ts';
import { gripGrades } from '../fit/load-checks.ts';
import { axleLoadsKg } from '../ride/start-grade.ts';
import { gearTable } from '../verdict/gearing.ts';
import { letsIn, usualOf } from '../law/usual.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import type { Check } from '../check/check.ts';
import { study, type Study } from '../verdict/study.ts';
import { LAYOUTS, layoutOf, motorFor, withMotor, type LayoutName } from './motor-for.ts';
import { offerOf, type Offer } from './offer.ts';

/** One layout on this donor: what the bicycle itself says of it. */
export interface Layout extends Omit<Offer, 'build'> {
  readonly name: LayoutName;
  /** The motor it was tried with: the build's own, or the nearest of the shelf; undefined where there is none. */
  readonly motor: string | undefined;
  readonly own: boolean;
  /** False where no such motor of the shelf is let in by its rating: the smallest is shown. */
  readonly letIn: boolean;
  /** The build with it, to be tried; undefined for the build as it is, and where there is no such motor. */
  readonly build: BuildDocument | undefined;
  /** Null where the driven tyre never slips. */
  readonly slipDryPct: number | null;
  readonly slipWetPct: number | null;
  readonly frontSharePct: number;
  /** Greatest pull in the chain in the lowest gear, N. */
  readonly chainN: number;
  /** Gears that the motor pulls through. */
  readonly motorGears: number;
  readonly price: number | null;
  /** How the tyre of the driven wheel is changed, and what becomes of the gears: facts of the layout. */
  readonly tyreChange: string;
  readonly gearsKept: string;
}

type Motor = PartOf<'motor'>;

const TYRE_CHANGE: Readonly<Record<LayoutName, string>> = {
  front: 'axle nuts, arms and plug',
  rear: 'axle nuts, arms, plug and chain',
  middle: 'as before',
  external: 'drive chain or belt off as well',
};

function gearsKept(name: LayoutName, build: BuildDocument): string {
  if (name === 'middle') return 'all, for motor and legs';
  if (name !== 'rear') return 'all, for the legs';
  if (build.gearing.hubRatios.length > 0) return 'hub gear is lost';
  return build.gearing.cogTeeth.length > 1
    ? 'all, for the legs; cogs move to the motor'
    : 'the one, for the legs';
}

const stopsOf = ({ powerChecks }: Study): readonly Check[] => powerChecks.filter((c) => c.state === 'stop');

/**
 * Front, rear, middle and external drive on this donor, each with the build's own motor where it is of that layout, else with
 * the shelf's for it that the place lets in; battery and controller stay.
 */
export function compareLayouts(
  build: BuildDocument,
  motors: readonly Motor[],
  book: RuleBook,
): readonly Layout[] {
  const here = layoutOf(build);
  const place = book.find((p) => p.id === build.brief.place);
  const usual = place && usualOf(place, book);
  const hand = study(build);
  const volts = hand.known.packs[0].nominalV.value;
  const stopped = new Set(stopsOf(hand).map((c) => c.id));
  return LAYOUTS.map((name): Layout => {
    const own = name === here;
    const motor = own ? undefined : motorFor(build, motors, { layout: name, usual, volts });
    const missing = !own && motor === undefined;
    const candidate = own || motor === undefined ? undefined : withMotor(build, name, motor);
    const s = study(candidate ?? build);
    const gears = gearTable(s);
    const loads = axleLoadsKg(standingKg(s.machine), s.machine.balance);
    const grades = gripGrades(s.subject);
    const offer = offerOf(s, book);
    return {
      ...offer,
      // Pack and controller stay: what the chain of current stops at is the motor’s doing only where it did not before.
      stops: [...offer.stops, ...stopsOf(s).filter((c) => !stopped.has(c.id))],
      ...(missing ? { stops: [], looks: [], waits: 0 } : {}),
      name,
      motor: own ? build.drive.name : motor?.name,
      own,
      letIn:
        motor === undefined ||
        usual === undefined ||
        letsIn(usual, motorCount(candidate ?? build) * motor.ratedPowerW),
      build: candidate,
      slipDryPct: grades.dryPct,
      slipWetPct: grades.wetPct,
      frontSharePct: (100 * loads.front) / (loads.front + loads.rear),
      chainN: Math.max(...gears.map((g) => g.chainN)),
      motorGears: name === 'middle' ? gears.length : 1,
      price: own ? priceOfLine(build, 'motor') : priceIn(build, motor),
      tyreChange: TYRE_CHANGE[name],
      gearsKept: gearsKept(name, build),
    };
  });
}

/** What a comparison of layouts comes to: of what can be fitted, what climbs, and of that what the place lets in, quickest first. */
export function layoutsFound(layouts: readonly Layout[]): {
  readonly free: readonly Layout[];
  readonly climbing: readonly Layout[];
  readonly good: readonly Layout[];
} {
  const free = layouts.filter((l) => (l.own || l.motor !== undefined) && l.stops.length === 0);
  const climbing = free
    .filter((l) => l.hillKmh !== undefined)
    .sort((a, b) => (b.hillKmh ?? 0) - (a.hillKmh ?? 0));
  return { free, climbing, good: climbing.filter((l) => l.letIn && l.classState !== 'stop') };
}
