import type { Rule } from '../../line.ts';

/** A magnet and sensor at the wheel, for a limit that acts by it. */
export const speedSensor: Rule = {
  id: 'speed-sensor',
  group: 'controls',
  origin: 'the build: a speed limit needs the wheel’s speed',
  lines: ({ build: { controller, drive } }) =>
    controller.limitsSpeed && (drive.kind === 'mid-drive' || drive.kind === 'external')
      ? [{ what: ['Speed sensor with spoke magnet'], why: ['the limit acts by the wheel’s speed'] }]
      : [],
};
