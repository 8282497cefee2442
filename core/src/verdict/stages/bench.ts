import { motorDecided } from '../undecided.ts';
import type { Stage } from './stage.ts';

/** What was done at the bench are records of the build, not of its plan: whoever has them says how it stands. */
export const benchStage: Stage = {
  owns: [],
  checks: [],
  figures: [],
  stands: ({ study }) => ({
    state: 'unknown',
    words: motorDecided(study) ? 'not begun' : 'no motor chosen',
    begun: false,
  }),
};
