import type { BuildDocument } from '../../document/document.ts';
import type { Learnt } from './tasks.ts';

/**
 * What a shop takes against the usual, by task: the mean of hours taken over usual hours, over all its builds. Tasks that somebody
 * added to one job are of that job alone.
 */
export function learntHours(builds: readonly Pick<BuildDocument, 'schedule'>[]): Learnt {
  const ratios = new Map<string, number[]>();
  for (const { schedule } of builds)
    for (const [task, { took, usual }] of Object.entries(schedule.tasks)) {
      if (took === null || usual === null || usual <= 0 || task.startsWith('own/')) continue;
      ratios.set(task, [...(ratios.get(task) ?? []), took / usual]);
    }
  return Object.fromEntries(
    [...ratios].map(([task, all]) => [task, all.reduce((sum, ratio) => sum + ratio, 0) / all.length]),
  );
}
