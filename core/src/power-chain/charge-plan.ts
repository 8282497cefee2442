import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { assembleKnown, firstPack } from '../machine/machine.ts';
import { chargeRun, HABITS, type ChargeOutcome } from './charging.ts';
import { highestVolts } from './subject.ts';
import { misleads, restingCard, type CardRow } from './resting-card.ts';
import { batteryDemand } from './demand.ts';
import { climb } from '../ride/climb.ts';
import { constantSpeedRange } from '../ride/range.ts';
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
}

/** A pack is charged indoors, C. Common practice. */
const INDOORS_C = 20;

/** How the first pack is charged by the build's charger, from empty, indoors at 20 C. */
export function chargePlan(build: BuildDocument): ChargePlan {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  const pack = { ...firstPack(build, known), temperatureC: INDOORS_C };
  const { charger, brief } = known;
  // Until the charger's volts are known it is taken as made for the pack.
  const volts = charger.volts.source === 'unknown' ? highestVolts(build, known) : charger.volts.value;
  const wall = { volts, amps: charger.currentA.value, efficiency: charger.efficiencyPct.value / 100 };
  const cruise = kmhToMs(brief.cruiseSpeedKmh.value);
  const metres = (charge: number, legs: 'helping' | 'resting'): number | undefined => {
    const range = constantSpeedRange(machine, cruise, charge, legs);
    return range.holds ? range.metres : undefined;
  };
  const window = (from: number, to: number, legs: 'helping' | 'resting'): number | undefined => {
    const all = metres(from, legs);
    return all === undefined ? undefined : all - (to === 0 ? 0 : (metres(to, legs) ?? 0));
  };
  const price = build.charger.pricePerKwh;
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
  return { run: chargeRun(pack, wall, 0, 1), to85: chargeRun(pack, wall, 0, 0.85), habits };
}

/** The pocket card of a build's first pack. */
export interface PackCard {
  readonly rows: readonly CardRow[];
  readonly misleads: ReturnType<typeof misleads>;
  /** What the load column is taken at, A, and where. */
  readonly loadA: number;
  readonly onHill: boolean;
  readonly cutoffV: number;
  readonly fullV: number;
}

/** Resting volts against state of charge, and what a display of bars would make of them. */
export function packCard(build: BuildDocument): PackCard {
  const known = knownBuild(build);
  const machine = assembleKnown(build, known);
  const { brief } = known;
  const climbed = climb(
    machine,
    STATED_CHARGE,
    brief.hillLengthM.value,
    brief.hillGradePct.value,
    machine.heldGear ?? 'best',
  );
  const pack = firstPack(build, known);
  const loadA = batteryDemand(build, known, climbed, machine).continuousA;
  const cutoffV = machine.limits.lowVolts;
  const fullV = highestVolts({ ...build, second: { ...build.second, join: 'none' } }, known);
  const rows = restingCard(pack, cutoffV, fullV, loadA);
  return { rows, misleads: misleads(rows), loadA, onHill: climbed.climbs, cutoffV, fullV };
}
