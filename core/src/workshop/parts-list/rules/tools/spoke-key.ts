import { isHub } from '../../../job.ts';
import type { Rule } from '../../line.ts';

/** A spoke key, for a driven wheel's spokes settle. */
export const spokeKey: Rule = {
  id: 'spoke-key',
  group: 'tools',
  origin: 'common practice',
  lines: (job) =>
    isHub(job) ? [{ what: ['Spoke key'], why: ['a driven wheel’s spokes settle in the first 50 km'] }] : [],
};
