import { byEntries } from './entry.ts';
import type { Stage } from './stage.ts';

export const briefStage: Stage = {
  owns: ['brief'],
  checks: [],
  figures: ['price'],
  stands: byEntries('targets set'),
};
