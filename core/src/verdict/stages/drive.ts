import { byEntries } from './entry.ts';
import { ratingChecks } from '../over-rating.ts';
import type { Stage } from './stage.ts';

export const driveStage: Stage = {
  owns: ['drive', 'gearing', 'controls'],
  checks: ['external', 'controls'],
  figures: ['top-speed'],
  own: ({ build, known, machine }) => ratingChecks(build, known, machine),
  stands: byEntries('all known'),
};
