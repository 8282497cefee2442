import { assemble } from '../machine/assemble.ts';
import type { Machine } from '../machine/machine.ts';
import { withCellsAt } from './hand-machine.ts';
import { sample, type Changes } from './sample.ts';

/**
 * A geared hub of 500 W and 48 V on 13 cells of 13 Ah that stay at 25 C; 105 kg and its motor, pack and controller, in air of
 * 1.20 kg/m3. What the worked figures of ranges and ways of riding belong to.
 */
export const gearedHub = (
  riderPowerW: number,
  controls: NonNullable<Changes['controls']>,
  controller: NonNullable<Changes['controller']> = {},
): Machine =>
  withCellsAt(
    assemble(
      sample({
        brief: { riderMassKg: 60, loadMassKg: 0, riderPowerW, temperatureC: 20, altitudeM: 29 },
        donor: { massKg: 40, crr: 0.008, cdaM2: 0.55, rolloutMm: 2 * Math.PI * 335 },
        drive: {
          massKg: 5,
          kvRpmPerV: 34.9,
          resistanceOhm: 0.196,
          hysteresisNm: 0.1,
          eddyNms: 4.1e-4,
          reduction: 5,
          efficiency: 0.93,
          windingC: 60,
        },
        pack: {
          cellsInSeries: 13,
          capacityAh: 13,
          healthPct: 100,
          wiringMohm: 25,
          bmsCurrentA: 60,
          massKg: 4,
        },
        controller: {
          batteryCurrentA: 18,
          phaseCurrentA: 45,
          limitsSpeed: false,
          resistanceMohm: 10,
          massKg: 1,
          ...controller,
        },
        controls,
      }),
    ),
    25,
  );
