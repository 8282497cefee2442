import { COOL_CONTROLLER } from '../machine/controller-heat.ts';
import type { Gear } from '../machine/driveline.ts';
import type { Machine } from '../machine/machine.ts';
import type { Thermal } from '../machine/thermal.ts';

/** Two bodies of round numbers, far from any rollback. */
export const HAND_THERMAL: Thermal = {
  windingJK: 500,
  shellJK: 1500,
  coupleWK: 2,
  stillWK: 1,
  movingWK: 1,
  rollbackStartC: Infinity,
  rollbackEndC: Infinity,
  damageC: 140,
};

/**
 * A machine of round numbers for working by hand: Kt 1 N m/A, circuit 0.1 ohm, 10 motor rad/s a metre,
 * no losses. Every limit is far away until a test brings it near.
 */
export const HAND_GEAR: Gear = { hubGear: null, cogTeeth: 20, motorRatio: 10, crankRatio: 2 };

export const handMachine = (
  limits: Partial<Machine['limits']> = {},
  rest: Partial<Omit<Machine, 'limits'>> = {},
): Machine => ({
  kind: 'geared-hub',
  motors: 1,
  machineMassKg: 20,
  road: { massKg: 100, crr: 0.01, cdaM2: 0.5, airDensity: 1.2, headwind: 0 },
  motor: { kt: 1, weakerPerK: 0, resistance20: 0.1, hysteresisNm: 0, eddyNms: 0, freewheel: true },
  circuitOhm: 0.1,
  dropV: 0.3,
  packShare: 1,
  controllerOhm: 0,
  efficiency: 1,
  gearEfficiency: 1,
  chainEfficiency: 1,
  wheelRadius: 0.35,
  gears: [HAND_GEAR],
  heldGear: null,
  limits: {
    batteryA: 1000,
    bmsA: 1000,
    phaseA: 1000,
    powerW: Infinity,
    lowVolts: 0,
    foldVolts: 0,
    standbyW: 0,
    cutoff: Infinity,
    handCutoff: limits.cutoff ?? Infinity,
    taper: 0,
    assistW: Infinity,
    ...limits,
  },
  controllerHeat: COOL_CONTROLLER,
  towedKg: 0,
  accessoryW: 0,
  thermal: HAND_THERMAL,
  regeneration: undefined,
  airC: 20,
  pack: { chemistry: 'nmc', cellsInSeries: 13, capacityAh: 10, health: 1, wiringOhm: 0.02, temperatureC: 25 },
  others: [],
  join: 'switch',
  diodeV: 0,
  rider: { powerW: 0, ease: 1, cadenceMinRpm: 55, cadenceMaxRpm: 90 },
  control: 'throttle',
  assistRatio: Infinity,
  assistOf: 'power',
  throttleShare: 0,
  balance: {
    wheelbase: 1.05,
    massHeight: 1,
    massAhead: 0.45,
    grip: 0.7,
    towed: 0,
    hitchHeight: 0.35,
    drivenWheel: 'rear',
  },
  ...rest,
});

/** The machine with cells that stay at a temperature, for whoever steps by hand. */
export const withCellsAt = (machine: Machine, temperatureC: number): Machine => {
  const pack = { ...machine.pack, temperatureC };
  delete pack.warms;
  return { ...machine, pack };
};

/** 50 V behind 0.1 ohm. */
export const HAND_SUPPLY = { openVolts: 50, ohm: 0.1 } as const;
