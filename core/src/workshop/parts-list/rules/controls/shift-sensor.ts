import type { Rule } from '../../line.ts';

/** A shift sensor for a motor that pulls through the gears. */
export const shiftSensor: Rule = {
  id: 'shift-sensor',
  group: 'controls',
  origin: 'common practice: a mid-drive that pulls through a shift bends teeth',
  lines: ({ build: { drive, gearing } }) =>
    drive.kind === 'mid-drive' &&
    gearing.cogTeeth.length + gearing.hubRatios.length > 1 &&
    gearing.shiftSensor !== 'yes'
      ? [
          {
            what: ['Shift sensor for the gear cable’s outer'],
            why: ['the motor pulls through the chain while it shifts'],
          },
        ]
      : [],
};
