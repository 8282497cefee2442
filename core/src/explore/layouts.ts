import { standingKg } from '../machine/machine.ts';
import type { BuildDocument } from '../document/document.ts';
import { applyPart } from '../parts/apply-part.ts';
import type { PartOf } from '../parts/part.ts';
import { priceIn } from '../parts/price-in.ts';
import type { Check } from '../check/check.ts';
import { gripGrades } from '../fit/load-checks.ts';
import { axleLoadsKg } from '../ride/start-grade.ts';
import { gearTable } from '../verdict/gearing.ts';
import { study } from '../verdict/study.ts';
import { compare } from './compare.ts';

/** Where a motor can pull. */
const LAYOUTS = ['front', 'rear', 'middle', 'external'] as const;
export type LayoutName = (typeof LAYOUTS)[number];

/** One layout on this donor: what the bicycle itself says of it. */
export interface Layout {
  readonly name: LayoutName;
  /** The motor it was tried with: the build's own, or the nearest of the shelf; undefined where there is none. */
  readonly motor: string | undefined;
  readonly own: boolean;
  /** Checks of this donor that stop it, that ask for a look, and that wait for a measure. */
  readonly stops: readonly Check[];
  readonly looks: readonly Check[];
  readonly waits: number;
  readonly hillKmh: number | undefined;
  readonly startPct: number;
  /** Null where the driven tyre never slips. */
  readonly slipDryPct: number | null;
  readonly slipWetPct: number | null;
  readonly frontSharePct: number;
  readonly machineKg: number;
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

/** What a motor of unknown rating is compared at, W. */
const USUAL_W = 500;

function layoutOf({ drive: { kind, wheel } }: BuildDocument): LayoutName {
  if (kind === 'mid-drive') return 'middle';
  return kind === 'external' ? 'external' : wheel;
}

/** Front hubs are made for 100 mm, rear ones for 130 mm and more. Common practice. */
const FRONT_MOST_MM = 115;
/** A small front wheel takes no rear motor: over-locknut widths tell which a hub is for. */
function suits(motor: Motor, layout: LayoutName): boolean {
  if (layout === 'middle') return motor.kind === 'mid-drive';
  if (layout === 'external') return motor.kind === 'external';
  if (motor.kind !== 'geared-hub' && motor.kind !== 'direct-drive-hub') return false;
  const wide = motor.overLocknutMm !== null && motor.overLocknutMm > FRONT_MOST_MM;
  return layout === 'front' ? !wide : wide;
}

/** The shelf's motor nearest in rated power; a mid-drive also has to fit the shell where that is known. */
function nearest(build: BuildDocument, motors: readonly Motor[], layout: LayoutName): Motor | undefined {
  const rated = build.drive.ratedPowerW.source === 'unknown' ? undefined : build.drive.ratedPowerW.value;
  const wanted = rated ?? USUAL_W;
  const shell = build.donor.shellWidthMm;
  const fits = (m: Motor): boolean =>
    shell.source === 'unknown' || m.shellMaxMm === null || shell.value <= m.shellMaxMm + 0.5;
  const list = motors.filter((m) => suits(m, layout));
  const fitting = list.filter(fits);
  return [...(fitting.length > 0 ? fitting : list)].sort(
    (a, b) => Math.abs(Math.log(a.ratedPowerW / wanted)) - Math.abs(Math.log(b.ratedPowerW / wanted)),
  )[0];
}

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

function tried(build: BuildDocument, name: LayoutName, motor: Motor | undefined): BuildDocument {
  const base = motor === undefined ? build : applyPart(build, motor);
  const wheel = name === 'front' ? 'front' : 'rear';
  return { ...base, drive: { ...base.drive, wheel } };
}

/**
 * Front, rear, middle and external drive on this donor, each with the build's own motor where it is of that
 * layout, else the shelf's nearest in rated power; battery and controller stay.
 */
export function compareLayouts(build: BuildDocument, motors: readonly Motor[]): readonly Layout[] {
  const here = layoutOf(build);
  const now = study(build);
  return LAYOUTS.map((name): Layout => {
    const own = name === here;
    const motor = own ? undefined : nearest(build, motors, name);
    const { study: s, is } = compare(own || motor !== undefined ? tried(build, name, motor) : build, now);
    const missing = !own && motor === undefined;
    const gears = gearTable(s);
    const loads = axleLoadsKg(standingKg(s.machine), s.machine.balance);
    const grades = gripGrades(s.subject);
    return {
      name,
      motor: own ? build.drive.name : motor?.name,
      own,
      stops: missing ? [] : s.checks.filter((c) => c.state === 'stop'),
      looks: missing ? [] : s.checks.filter((c) => c.state === 'look'),
      waits: missing ? 0 : s.checks.filter((c) => c.state === 'unknown').length,
      hillKmh: missing ? undefined : is.hillKmh,
      startPct: is.startPct,
      slipDryPct: grades.dryPct,
      slipWetPct: grades.wetPct,
      frontSharePct: (100 * loads.front) / (loads.front + loads.rear),
      machineKg: is.massKg,
      chainN: Math.max(...gears.map((g) => g.chainN)),
      motorGears: name === 'middle' ? gears.length : 1,
      price: own ? build.money.motor : priceIn(build, motor),
      tyreChange: TYRE_CHANGE[name],
      gearsKept: gearsKept(name, build),
    };
  });
}
