import type { Job } from '../job.ts';
import { motorDecided } from '../../document/motor-decided.ts';
import { lineOf, type Line } from './line.ts';
import { RULES } from './rules/rules.ts';

/**
 * Everything that the build needs, worked out from it, in the order of its groups; until a motor is meant only that of which
 * something was said: a price that is known counts.
 */
export function partsList(job: Job): readonly Line[] {
  const lines = RULES.flatMap((rule) => rule.lines(job).map((draft) => lineOf(rule, draft)));
  const said = job.build.purchase.lines;
  return motorDecided(job) ? lines : lines.filter(({ key }) => key in said);
}
