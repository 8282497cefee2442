import { describe, expect, it } from 'vitest';
import { NOTHING_TOLD, type ToldTask } from '../../document/schedule.ts';
import { longtail, tandem } from '../../test/demo.ts';
import { learntHours } from './learnt-hours.ts';
import { tasksOf } from './tasks.ts';

const job = (tasks: Readonly<Record<string, Partial<ToldTask>>>) => ({
  ...longtail,
  schedule: {
    ...longtail.schedule,
    tasks: Object.fromEntries(Object.entries(tasks).map(([k, t]) => [k, { ...NOTHING_TOLD, ...t }])),
  },
});

describe('hours that a shop has learnt', () => {
  it('are the mean of what was taken over the usual, over all its jobs', () => {
    const learnt = learntHours([
      job({ wire: { took: 6, usual: 4 }, strip: { took: 1, usual: 2 } }),
      job({ wire: { took: 2, usual: 4 } }),
      tandem,
    ]);
    expect(learnt).toEqual({ wire: 1, strip: 0.5 });
  });

  it('are of none that was not timed, nor of what was added to one job alone', () => {
    expect(
      learntHours([
        job({
          wire: { took: 6 },
          strip: { usual: 2 },
          bench: { took: 3, usual: 0 },
          'own/1': { took: 3, usual: 1 },
        }),
      ]),
    ).toEqual({});
    expect(learntHours([])).toEqual({});
  });

  it('set the hours of the next job, until somebody enters them', () => {
    const learnt = learntHours([job({ wire: { took: 6, usual: 4 } })]);
    const of = (build: typeof longtail) => tasksOf(build, [], learnt).find((t) => t.id === 'wire');
    const usual = of(longtail);
    expect(usual?.hoursFrom).toBe('learnt');
    expect(usual?.hours).toBeCloseTo(1.5 * (usual?.usualHours ?? NaN), 9);
    expect(of(job({ wire: { hours: 2 } }))).toMatchObject({ hours: 2, hoursFrom: 'entered' });
  });
});
