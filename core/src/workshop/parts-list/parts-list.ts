import type { Job } from '../job.ts';
import { stays } from '../../document/kept.ts';
import { motorDecided } from '../../document/motor-decided.ts';
import { lineOf, type Line } from './line.ts';
import { RULES } from './rules/rules.ts';

/** Rules for a motor that goes in: one that stays in its donor has its washers, rim and spacers, and nothing comes out for it. */
const FOR_GOING_IN: ReadonlySet<string> = new Set([
  ...['axle-washers', 'axle-spacers', 'axle-adapters', 'long-nuts', 'rim-tape', 'spokes', 'cogs', 'cog-tool'],
  ...[
    'caliper-adapter',
    'disc-spacers',
    'anti-rotation',
    'gearbox-spacers',
    'shell-sleeve',
    'lock-ring-tool',
  ],
  ...['offset-ring', 'chain', 'motor-mount', 'spare-hanger'],
]);

/**
 * Everything that the build needs, worked out from it, in the order of its groups; until a motor is meant only that of which
 * something was said: a price that is known counts.
 */
export function partsList(job: Job): readonly Line[] {
  const settled = (id: string): boolean => stays(job.build, 'motor') && FOR_GOING_IN.has(id);
  const lines = RULES.flatMap((rule) =>
    settled(rule.id) ? [] : rule.lines(job).map((draft) => lineOf(rule, draft)),
  );
  const said = job.build.purchase.lines;
  return motorDecided(job) ? lines : lines.filter(({ key }) => key in said);
}
