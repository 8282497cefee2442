import { comesOut } from '../../helpers.ts';
import type { Rule } from '../../line.ts';

/** The tool for this bracket. */
export const shellTool: Rule = {
  id: 'shell-tool',
  group: 'tools',
  origin: 'fit check: how cranks and bracket come out',
  lines: ({ build }) => {
    const { shell } = build.donor;
    const why = comesOut(build).bracket;
    return why === undefined || shell === 'none'
      ? []
      : [
          {
            what: [
              shell === 'unthreaded'
                ? 'Bearing press and drift for a pressed bracket'
                : 'Bracket tool, splined, for the cups (drive side turns the other way)',
            ],
            why: [why],
            ask: shell === 'unknown' ? 'Look whether the cups are screwed or pressed.' : '',
          },
        ];
  },
};
