import type { BuildDocument } from '../document/document.ts';
import { withValue } from '../document/quantity-at.ts';
import { assemble } from '../machine/assemble.ts';
import { wheelForce } from '../machine/motor.ts';
import { roadForce } from '../machine/road-load.ts';
import { supplyAt } from '../machine/battery.ts';
import type { Recording } from '../road/channels.ts';
import { TURNING_KG } from '../ride/stepper.ts';
import { trueBuild, type Truth } from './simulated-logger.ts';
import { noiseOf } from './noise.ts';

export interface SimulatedCoast {
  readonly seed: number;
  readonly truth: Truth;
  readonly airC: number;
  /** Along the road, m/s; against the first way. */
  readonly windMs: number;
  /** Runs, one way and the other in turn. */
  readonly runs: number;
  readonly startKmh: number;
}

/** Pulled up to the start, W; and rolled out to this, m/s. */
const PULL_W = 1200;
const SLOWEST = 2.2;
const STEP_S = 0.1;

/**
 * Rolling out both ways on a level road, as a logger on board would write it down: pulled up by the motor, then let go.
 * Simulated, and to be told so wherever it stands.
 */
export function simulatedCoast(build: BuildDocument, how: SimulatedCoast): Recording {
  const real = withValue(trueBuild(build, how.truth), 'brief.temperatureC', how.airC);
  const machine = assemble(withValue(real, 'brief.headwindMs', 0));
  const { normal } = noiseOf(how.seed);
  const rows: number[][] = [];
  const [gear] = machine.gears;
  const drag = (v: number): number =>
    machine.motor.freewheel || gear === undefined
      ? 0
      : -wheelForce(machine.motor, gear.motorRatio, machine.efficiency, 0, v);
  const open = supplyAt(machine.pack, 0.8);
  const start = how.startKmh / 3.6;
  let [t, x, v] = [0, 0, 0.5];
  const write = (amps: number): void => {
    const speed = Math.max(0, v + normal() * Math.hypot(0.005 * v, 0.02));
    const volts = open.openVolts - amps * open.ohm + 0.03 * normal();
    rows.push([t, x, speed, volts, amps === 0 ? 0 : amps + 0.05 * normal(), 40 + 0.05 * normal()]);
  };
  for (let run = 0; run < how.runs; run += 1) {
    const road = { ...machine.road, headwind: (run % 2 === 0 ? 1 : -1) * how.windMs };
    let pulling = true;
    v = 0.5;
    for (let k = 0; pulling || v > SLOWEST; k += 1) {
      const force = pulling ? Math.min(160, (0.8 * PULL_W) / Math.max(1, v)) : -drag(v);
      const slows = roadForce(road, v, 0);
      v = Math.max(0, v + ((force - slows) / (road.massKg + TURNING_KG)) * STEP_S);
      x += v * STEP_S;
      t += STEP_S;
      if (k % 10 === 9) write(pulling ? PULL_W / open.openVolts : 0);
      if (v >= start) pulling = false;
      if (k > 6000) break;
    }
  }
  const column = (i: number): Float64Array => Float64Array.from(rows, (r) => r[i] ?? NaN);
  return {
    seconds: column(0),
    columns: {
      distance: column(1),
      speed: column(2),
      volts: column(3),
      amps: column(4),
      elevation: column(5),
    },
  };
}
