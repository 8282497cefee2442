import type { Supply } from '../machine/battery.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import { packShare } from '../machine/motor.ts';
import { fieldAmps } from './weakening.ts';

/** Where the watts of motor and controller go, W. */
export interface Circuit {
  /** From the pack into the controller, without standby and lamps. */
  readonly takenW: number;
  /** What turns the rotor, its drag and gears with it. */
  readonly emfW: number;
  /** In the copper of winding and motor leads. */
  readonly windingW: number;
  readonly brushW: number;
  /** In the controller itself: its switches, its resistance, standby; of a chopper for brushes the diode while it is off. */
  readonly controllerW: number;
}

/**
 * Motor and controller at a phase current and a road speed; less than nought where the motor brakes. Derived from the circuit's own
 * balance: E I + R (I^2 + d^2) + V0 |I|, of a chopper taken from the pack by its share of the time.
 */
export function circuitAt(machine: Machine, gear: Gear, v: number, phaseA: number, supply: Supply): Circuit {
  const { motor, circuitOhm, controllerOhm, dropV, limits, accessoryW } = machine;
  const field = fieldAmps(machine, gear, phaseA, v, supply);
  const squares = phaseA * phaseA + field * field;
  const windingW = squares * (circuitOhm - controllerOhm);
  const emfW = motor.kt * gear.motorRatio * v * phaseA;
  const brushW = (motor.brushes?.brushV ?? 0) * phaseA;
  const takenW =
    (emfW + squares * circuitOhm + dropV * Math.abs(phaseA)) * packShare(motor, supply.openVolts);
  return {
    takenW,
    emfW,
    windingW,
    brushW,
    controllerW: takenW - emfW - windingW - brushW + limits.standbyW - accessoryW,
  };
}
