import type { Job } from '../../job.ts';
import { setting, valueOf, type Setting } from './setting.ts';

/** Where a motor that feels its winding is held back. */
export const heat = ({ build, known: { drive } }: Job): readonly Setting[] =>
  build.drive.windingSensor === 'yes'
    ? [
        setting({
          key: 'heat-start',
          name: 'Hold back from',
          unit: 'C',
          digits: 0,
          tolerance: 1,
          of: drive.rollbackStartC,
          plan: valueOf(drive.rollbackStartC),
          because: ['magnets and varnish'],
          ifWrong: 'Too high weakens the magnets for good.',
        }),
        setting({
          key: 'heat-end',
          name: 'Nothing left at',
          unit: 'C',
          digits: 0,
          tolerance: 1,
          of: drive.rollbackEndC,
          plan: valueOf(drive.rollbackEndC),
          because: ['before damage'],
          ifWrong: 'Without an end it is not held back at all.',
        }),
      ]
    : [];
