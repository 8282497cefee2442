import { driveSizeSpecs } from '../../document/drive-fit.ts';
import { packBoxSpecs } from '../../document/pack-box.ts';
import { byEntries } from './entry.ts';
import { pathsOf, type Stage } from './stage.ts';

/** Sizes of motor and pack are taken with the same caliper as the bicycle's, and entered beside them. */
export const donorStage: Stage = {
  owns: ['donor', ...pathsOf('drive', driveSizeSpecs), ...pathsOf('packs.0', packBoxSpecs)],
  checks: ['frame', 'wheel', 'bracket', 'battery', 'load', 'brakes'],
  figures: ['mass'],
  stands: byEntries('all known'),
};
