import { drivesBoth } from '../../../../document/motors.ts';
import { isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** A hanger to replace the one that a heavy wheel or a chain under power bends. */
export const spareHanger: Rule = {
  id: 'spare-hanger',
  group: 'fitting',
  origin: 'common practice: it is made to bend before the frame does, and each frame has one of its own',
  lines: (job) => {
    const { drive, gearing } = job.build;
    const byWheel = isHub(job) && (drive.wheel === 'rear' || drivesBoth(job.build));
    return gearing.cogTeeth.length > 1 && (byWheel || drive.kind === 'mid-drive')
      ? [
          {
            what: ['Spare derailleur hanger of this frame, with its bolts'],
            why: [
              byWheel
                ? 'a motor wheel is put in with the derailleur in its way, and is heavy'
                : 'a motor that pulls through a bad shift bends it',
            ],
            ask: 'See whether it is bolted on: some frames of steel have it in one piece, and need none.',
          },
        ]
      : [];
  },
};
