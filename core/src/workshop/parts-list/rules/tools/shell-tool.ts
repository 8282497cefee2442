import type { Rule } from '../../line.ts';

/** The tool for this bracket. */
export const shellTool: Rule = {
  id: 'shell-tool',
  group: 'tools',
  origin: 'fit check: how cranks and bracket come out',
  lines: ({ build: { drive, donor } }) =>
    drive.kind === 'mid-drive' && donor.shell !== 'none'
      ? [
          {
            what: [
              donor.shell === 'unthreaded'
                ? 'Bearing press and drift for a pressed bracket'
                : 'Bracket tool, splined, for the cups (drive side turns the other way)',
            ],
            why: ['the old bracket comes out'],
            ask: donor.shell === 'unknown' ? 'Look whether the cups are screwed or pressed.' : '',
          },
        ]
      : [],
};
