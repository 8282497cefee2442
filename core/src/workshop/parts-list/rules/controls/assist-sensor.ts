import { sizeOf } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The sensor at the cranks. */
export const assistSensor: Rule = {
  id: 'assist-sensor',
  group: 'controls',
  origin: 'the build: help by the pedals',
  lines: ({ build: { controls, drive }, known: { donor } }) =>
    controls.assistSensor === 'none' || drive.kind === 'mid-drive'
      ? []
      : [
          {
            what: [
              controls.assistSensor === 'torque'
                ? 'Torque sensor for the bracket'
                : 'Assist sensor with magnet ring',
              ...(donor.spindleMm.source === 'unknown'
                ? [', for the crank spindle (measure it)']
                : [', spindle ', sizeOf(donor.spindleMm, 1)]),
            ],
            why: [
              controls.assistSensor === 'torque'
                ? 'it feels how hard the pedals are pressed'
                : 'it feels the pedals turn',
            ],
            // Kits bring the simple one: whoever plans with torque has to buy it.
            ...(controls.assistSensor === 'torque'
              ? { kind: 'torque-sensor', broughtAs: 'torque-sensor' }
              : {}),
          },
        ],
};
