import type { Job } from '../job.ts';
import { isMeant } from './helpers.ts';
import { lineOf, type Line } from './line.ts';
import { RULES } from './rules/rules.ts';

/** Everything that the build needs, worked out from it, in the order of its groups; none until a motor is meant. */
export const partsList = (job: Job): readonly Line[] =>
  isMeant(job) ? RULES.flatMap((rule) => rule.lines(job).map((draft) => lineOf(rule, draft))) : [];
