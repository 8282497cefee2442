import { toldBy, type Reading } from './expectations.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { fullChargeVolts } from '../machine/battery.ts';
import { assembleKnown } from '../machine/assemble.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { chargeRun, HABITS, type ChargeOutcome } from './charging.ts';
import { misleads, restingCard, type CardRow } from './resting-card.ts';
import { batteryDemand } from './demand.ts';
import { climb } from '../ride/climb.ts';
import { constantSpeedRange } from '../ride/range.ts';
import { heldMetres } from '../ride/range-outcome.ts';
import { onPack } from '../ride/several-packs-range.ts';
import { kmhToMs } from '../quantity/units.ts';
import { MIXED_RIDING } from '../ride/stated.ts';
import { STATED_CHARGE } from '../ride/stated.ts';

/** A habit of charging: how far its window takes one, and how long it takes to put back. */
interface HabitRow {
  readonly id: string;
  readonly name: string;
  readonly life: string;
  /** Legs resting with stops, and helped on the level, km; undefined where the speed is not held. */
  readonly km: { readonly low: number; readonly high: number } | undefined;
  readonly run: ChargeOutcome;
  /** Price of putting the window back; undefined without a price of energy. */
  readonly cost: number | undefined;
}

/** Charging of a build: the full run, and the habits. */
export interface ChargePlan {
  readonly run: ChargeOutcome;
  readonly to85: ChargeOutcome;
  readonly habits: readonly HabitRow[];
  /** Whether the brief's speed is held from full; else the ranges are ridden at what the machine gives. */
  readonly holds: boolean;
}

/** A pack is charged indoors, C. Common practice. */
const INDOORS_C = 20;

/** One pack of a build, and the machine running on it alone where packs take turns. */
function packAt(build: BuildDocument, known: KnownBuild, index: number) {
  const aboard = packsAboard(build, known);
  const one = aboard[index] ?? aboard[0];
  const whole = assembleKnown(build, known);
  return {
    pack: one.pack,
    own: known.packs[index] ?? known.packs[0],
    // Packs joined directly are one to the machine.
    machine: build.packs.length === 1 || build.joining.how === 'parallel' ? whole : onPack(whole, one),
  };
}

/** How a pack is charged by its own charger, from empty, indoors at 20 C, and how far it takes one. */
export function chargePlan(build: BuildDocument, index = 0): ChargePlan {
  const known = knownBuild(build);
  const at = packAt(build, known, index);
  const { machine } = at;
  const pack = { ...at.pack, temperatureC: INDOORS_C };
  const { charger } = at.own;
  const { brief } = known;
  // Until the charger's volts are known it is taken as made for the pack.
  const volts = charger.volts.source === 'unknown' ? fullChargeVolts(pack) : charger.volts.value;
  const wall = { volts, amps: charger.currentA.value, efficiency: charger.efficiencyPct.value / 100 };
  const cruise = kmhToMs(brief.cruiseSpeedKmh.value);
  const metres = (charge: number, legs: 'helping' | 'resting'): number | undefined => {
    const range = constantSpeedRange(machine, cruise, charge, legs);
    return heldMetres(range) > 0 ? heldMetres(range) : undefined;
  };
  const window = (from: number, to: number, legs: 'helping' | 'resting'): number | undefined => {
    const all = metres(from, legs);
    return all === undefined ? undefined : all - (to === 0 ? 0 : (metres(to, legs) ?? 0));
  };
  const { holds } = constantSpeedRange(machine, cruise, 1, 'helping');
  const price = build.money.pricePerKwh;
  const habits = HABITS.map((habit): HabitRow => {
    const high = window(habit.from, habit.to, 'helping');
    const low = window(habit.from, habit.to, 'resting') ?? 0;
    const run = chargeRun(pack, wall, habit.to, habit.from);
    return {
      id: habit.id,
      name: habit.name,
      life: habit.life,
      km: high === undefined ? undefined : { low: (low * MIXED_RIDING) / 1000, high: high / 1000 },
      run,
      cost: price === null || !run.arrives ? undefined : (run.wallWh / 1000) * price,
    };
  });
  return { run: chargeRun(pack, wall, 0, 1), to85: chargeRun(pack, wall, 0, 0.85), habits, holds };
}

/** The pocket card of one pack. */
export interface PackCard {
  readonly rows: readonly CardRow[];
  readonly misleads: ReturnType<typeof misleads>;
  /** What the load column is taken at, A, and where. */
  readonly loadA: number;
  readonly onHill: boolean;
  readonly cutoffV: number;
  readonly fullV: number;
  /** What the volts of the whole pack are told by. */
  readonly by: Reading['by'];
  /** Somebody has read the cut-off, from which bars are shared out. */
  readonly cutoffRead: boolean;
}

/** Resting volts against state of charge, and what a display of bars would make of them. */
export function packCard(build: BuildDocument, index = 0): PackCard {
  const known = knownBuild(build);
  const { machine, pack } = packAt(build, known, index);
  const { brief } = known;
  const climbed = climb(
    machine,
    STATED_CHARGE,
    brief.hillLengthM.value,
    brief.hillGradePct.value,
    machine.heldGear ?? 'best',
  );
  const loadA = batteryDemand(build, known, climbed, machine).continuousA;
  const cutoffV = machine.limits.lowVolts;
  const fullV = fullChargeVolts(pack);
  const rows = restingCard(pack, cutoffV, fullV, loadA);
  return {
    rows,
    misleads: misleads(rows),
    loadA,
    onHill: climbed.climbs,
    cutoffV,
    fullV,
    by: toldBy(known.packs[index] ?? known.packs[0]),
    cutoffRead: known.controller.lowVoltageCutoffV.source !== 'unknown',
  };
}
