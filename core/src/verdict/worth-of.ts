import { paddedEnds } from '../document/brakes-left.ts';
import type { BuildDocument } from '../document/document.ts';
import type { Feature, ReadyMade } from '../document/money-plans.ts';
import { ratedTogether } from '../document/motors.ts';
import type { Part } from '../parts/part.ts';
import { againstReadyMade, hoursCost, type Comparison } from '../workshop/worth/ready-made.ts';
import {
  paidBack,
  runningCosts,
  type PaidBack,
  type RunningCosts,
  type Wearing,
} from '../workshop/worth/running-costs.ts';
import type { Span } from '../workshop/worth/span.ts';
import { tasksOf } from '../workshop/schedule/tasks.ts';
import type { Verdict } from './evaluate.ts';

/** Least and most of what parts cost in a currency. */
function spanOf(parts: readonly Part[], currency: string): Span | undefined {
  const prices = parts.filter((p) => p.currency === currency).flatMap((p) => p.price ?? []);
  return prices.length === 0 ? undefined : { least: Math.min(...prices), most: Math.max(...prices) };
}

/** The parts of the shelf that take the place of what wears on this build. */
function wearParts(
  { gearing }: BuildDocument,
  verdict: Verdict,
  shelf: readonly Part[],
  what: Wearing,
): readonly Part[] {
  const bead = verdict.known.donor.beadMm.value;
  switch (what) {
    case 'chain':
      return shelf.filter((p) => p.type === 'fitting' && p.serves.includes('chain'));
    case 'cogs':
      return shelf.filter(
        (p) => p.type === 'cogs' && p.hubRatios.length === 0 && p.cogTeeth.length === gearing.cogTeeth.length,
      );
    case 'tyres':
      return shelf.filter((p) => p.type === 'tyre' && Math.abs(p.beadMm - bead) < 2);
    case 'pads':
      return shelf.filter((p) => p.type === 'fitting' && p.serves.includes('brake-pads'));
  }
}

/** Hours of all work on a build, as a cost where the builder counts them. */
const hoursIn = (build: BuildDocument, verdict: Verdict): number =>
  tasksOf(build, verdict.list.rows).reduce((sum, t) => sum + (t.took ?? t.hours), 0);

/** What the packs cost: as entered, else as the shelf guesses. */
function packPrice({ list }: Verdict): Span | undefined {
  const rows = list.rows.filter((r) => /^pack(\/\d+)?$|^cells(\/\d+)?$/.test(r.key) && r.from === 'build');
  const spans = rows.map((r) => (r.price === null ? r.likely : { least: r.price, most: r.price }));
  if (spans.length === 0 || spans.some((s) => s === undefined)) return undefined;
  const sum = { least: 0, most: 0 };
  for (const s of spans) [sum.least, sum.most] = [sum.least + (s?.least ?? 0), sum.most + (s?.most ?? 0)];
  return sum.most > 0 ? sum : undefined;
}

/** From the one to the other: legs resting may ride more slowly, and take less. */
const spanned = (a: number, b: number): Span => ({ least: Math.min(a, b), most: Math.max(a, b) });

/** What running a build costs, and until when it has paid for itself. */
export function runningOf(
  verdict: Verdict,
  shelf: readonly Part[],
): { readonly costs: RunningCosts; readonly back: PaidBack; readonly hours: number; readonly spent: Span } {
  const { build } = verdict.study;
  const { known, list } = verdict;
  const { cruise, rested } = verdict.range;
  const costs = runningCosts({
    running: build.running,
    pricePerKwh: build.money.pricePerKwh,
    whPerKm:
      cruise.holds && cruise.whPerKm > 0
        ? spanned(cruise.whPerKm, rested.holds ? rested.whPerKm : cruise.whPerKm)
        : undefined,
    chargerEfficiency: known.packs[0].charger.efficiencyPct.value / 100,
    chemistry: build.packs[0].chemistry,
    packWh: verdict.power.energyWh,
    chargeLimitPct: known.packs[0].chargeLimitPct.value,
    packPrice: packPrice(verdict),
    drive: build.drive.kind,
    wheelCount: build.donor.wheelCount,
    brakes: paddedEnds(build, known).length,
    likelyPrice: (what) => spanOf(wearParts(build, verdict, shelf, what), build.money.currency),
  });
  const hours = hoursIn(build, verdict);
  const counted = hoursCost(hours, build.running.hourly);
  const spent = { least: list.ledger.total.least + counted, most: list.ledger.total.most + counted };
  return { costs, back: paidBack(build.running, costs.perKm, spent), hours, spent };
}

/** What the document says itself that a build has. */
function featuresOf({ build: { controls, controller, supply } }: Verdict['study']): readonly Feature[] {
  const has: readonly (readonly [boolean, Feature])[] = [
    [supply.accessories.some((a) => a.light), 'lights'],
    [true, 'display'],
    [controls.throttle === 'full' || controls.throttle === 'pedalling', 'throttle'],
    [controls.assistSensor === 'torque', 'torque-sensor'],
    [controls.throttle === 'walk', 'walk-help'],
    [controller.regenerates === 'yes', 'regeneration'],
    [true, 'own-repair'],
  ];
  return has.filter(([is]) => is).map(([, feature]) => feature);
}

/** A build against a ready-made bicycle: the first of its leaflets, or another one. */
export function worthOf(verdict: Verdict, ready: ReadyMade = verdict.study.build.readyMade): Comparison {
  const { build } = verdict.study;
  const { known, list } = verdict;
  const { ratedPowerW, labelNm } = known.drive;
  const planned = verdict.range.plannedKm;
  return againstReadyMade(
    { ...ready, own: build.readyMade.own },
    {
      price: list.ledger.any ? list.ledger.total : undefined,
      energyWh: verdict.power.energyWh,
      packV: verdict.power.nominalV,
      motorW: ratedTogether(build, ratedPowerW),
      torqueNm: labelNm.source === 'unknown' ? undefined : labelNm.value,
      className: verdict.law.here.className,
      massKg: verdict.figures.find((f) => f.id === 'mass')?.value ?? 0,
      rangeKm: planned === undefined ? undefined : { least: planned.low, most: planned.high },
      features: featuresOf(verdict.study),
    },
    hoursCost(hoursIn(build, verdict), build.running.hourly),
  );
}
