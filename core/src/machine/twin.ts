import type { Machine } from './machine.ts';

/**
 * Two equal motors at one speed on one pack, as the one motor that does the same: half the resistance of winding and
 * controller, twice the core drag, twice every current and watt that a controller limits, twice the bodies that warm. Each
 * carries half of the current. Exact for equal motors at equal speeds (parallel circuits); derived.
 */
export function twinned(machine: Machine): Machine {
  const { motor, limits, thermal, controllerHeat, weakening } = machine;
  return {
    ...machine,
    motors: 2,
    motor: {
      ...motor,
      resistance20: motor.resistance20 / 2,
      hysteresisNm: 2 * motor.hysteresisNm,
      eddyNms: 2 * motor.eddyNms,
    },
    ...(weakening === undefined
      ? {}
      : { weakening: { amps: 2 * weakening.amps, cancelA: 2 * weakening.cancelA } }),
    circuitOhm: machine.circuitOhm / 2,
    controllerOhm: machine.controllerOhm / 2,
    limits: {
      ...limits,
      batteryA: 2 * limits.batteryA,
      phaseA: 2 * limits.phaseA,
      powerW: 2 * limits.powerW,
      standbyW: machine.accessoryW + 2 * (limits.standbyW - machine.accessoryW),
    },
    thermal: {
      ...thermal,
      windingJK: 2 * thermal.windingJK,
      shellJK: 2 * thermal.shellJK,
      coupleWK: 2 * thermal.coupleWK,
      stillWK: 2 * thermal.stillWK,
      movingWK: 2 * thermal.movingWK,
    },
    controllerHeat: {
      ...controllerHeat,
      heatJK: 2 * controllerHeat.heatJK,
      stillWK: 2 * controllerHeat.stillWK,
      movingWK: 2 * controllerHeat.movingWK,
      shellWK: 2 * controllerHeat.shellWK,
    },
  };
}
