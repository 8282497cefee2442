import { firstOf } from '../../quantity/first-of.ts';
import { amissRows, askedRows } from '../../workshop/settings/asked.ts';
import { motorDecided } from '../../document/motor-decided.ts';
import type { Stage } from './stage.ts';

export const setupStage: Stage = {
  owns: [],
  checks: [],
  figures: [],
  stands: ({ study, settings }) => {
    if (!motorDecided(study)) return { state: 'unknown', words: 'no motor chosen', begun: false };
    // Nothing was put in yet: a sheet to fill in is no finding.
    if (Object.keys(study.build.settings.lines).length === 0)
      return { state: 'unknown', words: 'not begun', begun: false };
    const rows = askedRows(settings());
    const count = (kind: string): number => rows.filter((r) => r.stands.kind === kind).length;
    const [wrong, taken] = [count('wrong'), count('not-taken')];
    const same = count('same');
    const amiss = amissRows(rows).length;
    return firstOf(
      [
        [wrong > 0, { state: 'stop', words: `${String(wrong)} wrong` }],
        [amiss > 0, { state: 'stop', words: `${String(amiss)} not to be put in` }],
        [taken > 0, { state: 'look', words: `${String(taken)} to look at` }],
        [
          same < rows.length,
          { state: 'unknown', words: `${String(same)} of ${String(rows.length)} as planned` },
        ],
      ],
      { state: 'fine', words: 'all as planned' },
    );
  },
};
