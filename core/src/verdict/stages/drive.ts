import { byEntries } from './entry.ts';
import type { Stage } from './stage.ts';

export const driveStage: Stage = {
  owns: ['drive', 'gearing', 'controls'],
  checks: ['external', 'controls'],
  figures: ['top-speed'],
  stands: byEntries('all known'),
};
