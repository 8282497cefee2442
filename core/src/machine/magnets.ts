import type { Machine } from './machine.ts';
import { magnetShare } from './motor.ts';

type Changing<T> = { -readonly [K in keyof T]: T[K] };

/**
 * A machine whose winding and magnets warm, and whose rider tires and pushes harder uphill: resistance, torque constant, phase
 * limit and legs follow.
 */
export type WarmMachine = Omit<Machine, 'circuitOhm' | 'limits' | 'motor' | 'rider' | 'weakening'> & {
  rider: Machine['rider'];
  circuitOhm: number;
  limits: Changing<Machine['limits']>;
  motor: Changing<Machine['motor']>;
  weakening?: Changing<NonNullable<Machine['weakening']>> | undefined;
};

/** A machine of its own to warm. */
export const warmMachine = (machine: Machine): WarmMachine => ({
  ...machine,
  limits: { ...machine.limits },
  motor: { ...machine.motor },
  ...(machine.weakening === undefined ? {} : { weakening: { ...machine.weakening } }),
});

/**
 * Sets the magnets of a machine to a temperature, C. The current that would cancel them is flux over inductance: it goes with their
 * strength. Core drag is left as it is at 20 C, which is a little too much.
 * @param cold the same machine with magnets at 20 C
 */
export function setMagnets(machine: WarmMachine, cold: Machine, magnetC: number): void {
  const share = magnetShare(cold.motor, magnetC);
  machine.motor.kt = cold.motor.kt * share;
  if (machine.weakening !== undefined && cold.weakening !== undefined)
    machine.weakening.cancelA = cold.weakening.cancelA * share;
}

/** A machine with its magnets at a temperature, C: it turns faster on the same volts, and takes more amps for the same force. */
export function withMagnetsAt(machine: Machine, magnetC: number): Machine {
  const warm = warmMachine(machine);
  setMagnets(warm, machine, magnetC);
  return warm;
}
