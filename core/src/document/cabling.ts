import * as z from 'zod';
import { breaks, conductor, inrushMeans, joints, protection } from './choices.ts';
import { NO_DEFAULT, quantities, type QuantitySpec } from './quantity-spec.ts';

const entered = (
  label: string,
  unit: QuantitySpec['unit'],
  [min, max]: readonly [number, number],
  plausible: readonly [number, number],
  step: number,
) =>
  ({
    label,
    unit,
    min,
    max,
    plausible,
    step,
    stays: true,
    fallback: (plausible[0] + plausible[1]) / 2,
    origin: NO_DEFAULT,
  }) as const satisfies QuantitySpec;

/** The path of the current from the pack to the motor: leads one way, conductors, plugs, fuse. */
export const cablingSpecs = {
  leadMm: entered('Power lead, one way', 'mm', [20, 10_000], [100, 2500], 50),
  leadMm2: entered('Power lead, conductor', 'mm2', [0.05, 120], [0.75, 16], 0.5),
  connectorA: entered('Plug, continuous', 'A', [1, 600], [10, 120], 5),
  ringsA: entered('Ring terminals, continuous', 'A', [1, 600], [15, 120], 5),
  pullPlugA: entered('Pull-plug or main switch, continuous', 'A', [1, 600], [15, 200], 5),
  chargePlugA: entered('Charge plug, continuous', 'A', [0.5, 200], [2, 20], 1),
  fuseA: entered('Fuse or breaker', 'A', [1, 600], [10, 125], 5),
  fuseV: entered('Its direct-current volts', 'V', [5, 1500], [32, 250], 10),
  phaseMm: entered('Phase lead, one way', 'mm', [20, 10_000], [50, 2000], 50),
  phaseMm2: entered('Phase lead, conductor', 'mm2', [0.05, 120], [0.5, 16], 0.5),
  phaseConnectorA: entered('Phase plug, continuous', 'A', [1, 600], [10, 150], 5),
  insulationC: {
    label: 'Insulation stands',
    unit: 'C',
    min: 40,
    max: 300,
    plausible: [60, 200],
    step: 5,
    fallback: 75,
    origin: 'common practice, for ordinary thin-wall lead',
  },
  preChargeOhm: {
    label: 'Pre-charge resistor',
    unit: 'ohm',
    min: 1,
    max: 10_000,
    plausible: [20, 1000],
    step: 10,
    fallback: 100,
    origin: 'common practice',
  },
} as const satisfies Record<string, QuantitySpec>;

export const cabling = z.strictObject({
  conductor: conductor.default('copper'),
  /** Plugs of the kind in parallel. */
  connectors: z.union([z.literal(1), z.literal(2)]).default(1),
  /** What else the current goes through on its way. */
  passes: z
    .array(z.enum(['rings', 'pull-plug', 'charge-plug']))
    .max(3)
    .default([]),
  joints: joints.default('unknown'),
  protection: protection.default('unknown'),
  breaks: breaks.default('unknown'),
  inrush: inrushMeans.default('unknown'),
  ...quantities(cablingSpecs),
});
