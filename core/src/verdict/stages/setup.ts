import { firstOf } from '../../quantity/first-of.ts';
import { motorDecided } from '../../document/motor-decided.ts';
import type { Stage } from './stage.ts';

export const setupStage: Stage = {
  owns: [],
  checks: [],
  figures: [],
  stands: ({ study, settings }) => {
    if (!motorDecided(study)) return { state: 'unknown', words: 'no motor chosen', begun: false };
    // Nothing was put in yet: a sheet to fill in is no finding.
    const { lines, others } = study.build.settings;
    if (Object.keys(lines).length + Object.keys(others).length === 0)
      return { state: 'unknown', words: 'not begun', begun: false };
    const { asked, same, wrong, notTaken, amiss } = settings();
    return firstOf(
      [
        [wrong > 0, { state: 'stop', words: `${String(wrong)} wrong` }],
        [amiss > 0, { state: 'stop', words: `${String(amiss)} not to be put in` }],
        [notTaken > 0, { state: 'look', words: `${String(notTaken)} to look at` }],
        [same < asked, { state: 'unknown', words: `${String(same)} of ${String(asked)} as planned` }],
      ],
      { state: 'fine', words: 'all as planned' },
    );
  },
};
