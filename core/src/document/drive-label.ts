import { byMotor } from './by-motor.ts';
import { NO_DEFAULT, type QuantitySpec } from './quantity-spec.ts';

const stays = { stays: true, origin: NO_DEFAULT } as const;

/** What a motor's label or data sheet may say beside its watts. Turns are those of its output: wheel, crank or shaft. */
export const driveLabelSpecs = {
  labelV: {
    label: 'Volts on the motor’s label',
    unit: 'V',
    min: 3,
    max: 300,
    plausible: [12, 96],
    step: 1,
    ...byMotor('labelV', 'common practice by its watts'),
  },
  labelNm: {
    label: 'Torque on its label, peak',
    unit: 'N m',
    min: 0.2,
    max: 1000,
    plausible: [1, 200],
    step: 5,
    fallback: 40,
    ...stays,
  },
  noLoadRpm: {
    label: 'Turns without load, at the label’s volts',
    unit: 'rpm',
    min: 20,
    max: 30_000,
    plausible: [90, 8000],
    step: 1,
    fallback: 300,
    ...stays,
  },
  noLoadA: {
    label: 'Amps without load',
    unit: 'A',
    min: 0.05,
    max: 50,
    plausible: [0.2, 5],
    step: 0.1,
    fallback: 1,
    ...stays,
  },
  ratedRpm: {
    label: 'Turns at its rating',
    unit: 'rpm',
    min: 20,
    max: 30_000,
    plausible: [80, 6000],
    step: 1,
    fallback: 260,
    ...stays,
  },
  ratedA: {
    label: 'Amps at its rating',
    unit: 'A',
    min: 0.5,
    max: 500,
    plausible: [4, 80],
    step: 0.1,
    fallback: 14,
    ...stays,
  },
  brushV: {
    label: 'Drop of both brushes',
    unit: 'V',
    min: 0,
    max: 5,
    plausible: [0.2, 2.5],
    step: 0.1,
    ...byMotor('brushV', 'carbon brushes, from memory; metal-carbon ones drop 0.4 V'),
  },
} as const satisfies Record<string, QuantitySpec>;
