import { motorDecided } from '../../document/motor-decided.ts';
import type { Stage } from './stage.ts';

/** A stage of which records of the build tell, not its plan: whoever has them says how it stands. */
const byRecords = (words: string): Stage => ({
  owns: [],
  checks: [],
  figures: [],
  stands: ({ study }) => ({
    state: 'unknown',
    words: motorDecided(study) ? words : 'no motor chosen',
    begun: false,
  }),
});

export const benchStage = byRecords('not begun');
export const roadStage = byRecords('no rides yet');
export const changeStage = byRecords('nothing tried yet');
