import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_TOLD } from '../../document/schedule.ts';
import { withLine } from '../../document/purchase.ts';
import { evaluate } from '../../test/evaluate.ts';
import { longtail, tandem } from '../../test/demo.ts';
import { sample } from '../../test/sample.ts';
import type { Row } from '../parts-list/purchase-list.ts';
import { diaryOf } from './diary.ts';
import { daysBetween } from './days.ts';
import { tasksOf } from './tasks.ts';
import { broughtForward } from './forward.ts';
import { whenOf, type When } from './when.ts';

/** A Monday. */
const TODAY = '2026-03-02';
const rowsOf = (build: BuildDocument): readonly Row[] => evaluate(build).list.rows;
const when = (build: BuildDocument, now = TODAY): When => whenOf(build, rowsOf(build), now);
const told = (build: BuildDocument, changes: Partial<BuildDocument['schedule']>): BuildDocument => ({
  ...build,
  schedule: { ...build.schedule, ...changes },
});
/** Everything of a build is in the shed but what is said of it. */
const stocked = (build: BuildDocument): BuildDocument =>
  rowsOf(build).reduce((b, r) => withLine(b, r.key, { state: 'owned' }), build);

const hub = stocked(sample({ drive: { name: 'Hub', lacing: 'comes-laced' } }));
const task = (w: When, id: string) => {
  const found = w.tasks.find((t) => t.task.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};

describe('the riding day', () => {
  /**
   * By hand, evenings of 3 h from Monday 2 March, somebody who has done it some times, hours of the tasks as entered: strip 3,
   * inspect 3, fit-motor 3, fit-pack 3, fit-controls 3, wire 3, bench 3, first ride 1: seven evenings, Monday to Friday and
   * Monday to Tuesday, then the ride on Wednesday 11 March; the locker of Wednesday's motor is long dry.
   */
  const byHand = told(hub, {
    experience: 'some',
    people: [{ name: 'A', week: [3, 3, 3, 3, 3, 0, 0] }],
    tasks: {
      ...Object.fromEntries(
        ['strip', 'inspect', 'fit-motor', 'fit-pack', 'fit-controls', 'wire', 'bench'].map((id) => [
          id,
          { ...NOTHING_TOLD, hours: 3 },
        ]),
      ),
      'first-ride': { ...NOTHING_TOLD, hours: 1 },
    },
  });

  it('is that of an example worked by hand', () => {
    const plan = when(byHand);
    expect(plan.ride).toEqual({ earliest: '2026-03-11', latest: '2026-03-11' });
    expect(task(plan, 'wire').day).toBe('2026-03-09');
    expect(plan.chain.at(-1)).toEqual({ id: 'first-ride', cause: { kind: 'after', id: 'bench' } });
    expect(plan.open).toEqual([]);
    expect(plan.meanwhile).toEqual([]);
  });

  it('waits for the parcel that comes last, which is named; others say how long they may wait', () => {
    const late = withLine(withLine(byHand, 'pack', { state: 'needed', leadDays: 21 }), 'grease', {
      state: 'needed',
      leadDays: 4,
    });
    const plan = when(late);
    // The pack comes on Monday 23 March at noon: pack 23, wire 24, bench 25, ride on Thursday 26.
    expect(plan.ride?.latest).toBe('2026-03-26');
    expect(plan.parcels.find((p) => p.decides)?.parcel.rows.map((r) => r.key)).toEqual(['pack']);
    expect(plan.parcels.find((p) => p.decides)).toMatchObject({ arrives: '2026-03-23', daysInHand: 0 });
    const grease = plan.parcels.find((p) => p.parcel.id === 'grease');
    // The motor has to be on by the evening of Friday 20 March, so that the pack alone is left: the grease may come that noon, 18 days on, 14 after its 4.
    expect(grease?.daysInHand).toBe(14);
    expect(plan.meanwhile.map((t) => t.id)).toContain('fit-motor');
    expect(plan.chain.map((c) => c.id)).toEqual(['fit-pack', 'wire', 'bench', 'first-ride']);
  });

  it('is not held up by a spare, but by the bolts that a pack hangs on', () => {
    const fused = stocked({ ...byHand, cabling: { ...byHand.cabling, protection: 'fuse' } });
    const waits = (key: string) =>
      when(withLine(fused, key, { state: 'needed', leadDays: 30 })).ride?.earliest;
    expect(waits('spare-fuse')).toBe(when(fused).ride?.earliest);
    expect(waits('rail-bolts')).toBe('2026-04-06');
  });

  it('of a promised day tells what has to be ordered by when, and what is late already', () => {
    const order = withLine(byHand, 'pack', { state: 'needed', leadDays: 14 });
    const good = when(told(order, { wantedFor: '2026-03-28' }));
    const pack = good.parcels.find((p) => p.parcel.id === 'pack');
    // Ride by Friday 27: pack on Tuesday 24 at the latest, ordered 14 days before.
    expect(pack?.orderBy).toBe('2026-03-10');
    expect(good.spare).toBeGreaterThan(0);
    const tight = when(told(order, { wantedFor: '2026-03-19' }));
    expect(tight.parcels.find((p) => p.parcel.id === 'pack')?.orderBy).toBe('2026-03-02');
    const late = when(told(order, { wantedFor: '2026-03-13' }));
    expect(late.spare).toBeLessThan(0);
    const by = late.parcels.find((p) => p.parcel.id === 'pack')?.orderBy ?? TODAY;
    expect(daysBetween(TODAY, by)).toBeLessThan(0);
  });

  it('is never told of what nobody knows: an unknown lead is open, a parcel overdue is none that is here', () => {
    const unknown = when(withLine(byHand, 'pack', { state: 'needed' }));
    expect(unknown.open.map((r) => r.key)).toEqual(['pack']);
    expect(unknown.parcels[0]).toMatchObject({ arrives: undefined, orderBy: undefined });
    const overdue = when(
      withLine(byHand, 'pack', { state: 'ordered', orderedOn: '2026-02-01', leadDays: 14 }),
    );
    expect(overdue.parcels[0]?.parcel.overdue).toBe(true);
    expect(overdue.open.map((r) => r.key)).toEqual(['pack']);
    const idle = told(byHand, { people: [{ name: 'A', week: [0, 0, 0, 0, 0, 0, 0] }] });
    expect(when(idle).ride).toBeUndefined();
  });

  it('counts from the day of the order, and from a promised day where there is one', () => {
    const ordered = withLine(byHand, 'pack', { state: 'ordered', orderedOn: '2026-02-23', leadDays: 14 });
    expect(when(ordered).parcels[0]?.arrives).toBe('2026-03-09');
    const promised = withLine(ordered, 'pack', { expectedOn: '2026-03-12' });
    expect(when(promised).parcels[0]?.arrives).toBe('2026-03-12');
  });

  it('waits for what dries, and for work that was added before another', () => {
    const paint = told(byHand, {
      own: [{ key: 'own/1', what: 'Paint the rack', before: 'fit-pack' }],
      tasks: { ...byHand.schedule.tasks, 'own/1': { ...NOTHING_TOLD, hours: 3, dries: 200 } },
    });
    const plan = when(paint);
    expect(task(plan, 'fit-pack').start - task(plan, 'own/1').end).toBeGreaterThanOrEqual(200);
    expect(daysBetween(when(byHand).ride?.latest ?? '', plan.ride?.latest ?? '')).toBeGreaterThan(0);
  });

  it('is sooner with what is told to bring it forward, or says that it gains nothing', () => {
    const late = withLine(byHand, 'pack', { state: 'needed', leadDays: 21 });
    const rows = rowsOf(late);
    const ways = broughtForward(late, rows, TODAY, when(late));
    expect(ways[0]?.what).toContain('in 14 days, not 21');
    expect(ways[0]?.gained).toBe(7);
    expect(ways.every((w) => w.gained >= 0)).toBe(true);
  });

  it('takes hours that were really taken off the plan, and learns from them', () => {
    const done = told(byHand, {
      tasks: { ...byHand.schedule.tasks, strip: { ...NOTHING_TOLD, hours: 3, took: 4 } },
    });
    expect(when(done).tasks.some((t) => t.task.id === 'strip')).toBe(false);
    const slow = tasksOf(hub, rowsOf(hub), { wire: 2 });
    const usual = tasksOf(hub, rowsOf(hub));
    const hours = (list: typeof slow): number => list.find((t) => t.id === 'wire')?.hours ?? 0;
    expect(hours(slow)).toBeCloseTo(2 * hours(usual), 9);
    expect(slow.find((t) => t.id === 'wire')?.hoursFrom).toBe('learnt');
  });
});

describe('the sample builds', () => {
  it('are planned whole: the longtail waits for its pack, and everything has its task', () => {
    const plan = when(longtail);
    expect(plan.parcels.find((p) => p.decides)?.parcel.rows.map((r) => r.key)).toEqual(['pack']);
    expect(plan.ride?.latest).toBe('2026-03-26');
    const rows = rowsOf(longtail);
    const waited = tasksOf(longtail, rows).flatMap((t) => t.rows.map((r) => r.key));
    expect(rows.filter((r) => !waited.includes(r.key)).map((r) => r.key)).toEqual([]);
  });

  it('tell days that nobody knows as open', () => {
    expect(when(tandem).open.length).toBeGreaterThan(0);
  });
});

describe('the diary of a plan', () => {
  it('has a day for each order and parcel, and the hours of each sitting, each with an identity of its own', () => {
    const plan = when(longtail);
    const entries = diaryOf(plan, 'job-0412');
    expect(new Set(entries.map((e) => e.uid)).size).toBe(entries.length);
    expect(entries.find((e) => e.uid === 'parcel/pack@job-0412')?.day).toBe('2026-03-23');
    const bench = entries.filter((e) => e.uid.startsWith('work/wire/'));
    expect(bench.length).toBeGreaterThan(0);
    const hours = bench.reduce((sum, e) => sum + (e.hours?.to ?? 0) - (e.hours?.from ?? 0), 0);
    expect(hours).toBeCloseTo(task(plan, 'wire').task.hours, 6);
    expect(diaryOf(plan, 'job-0412')).toEqual(entries);
  });
});
