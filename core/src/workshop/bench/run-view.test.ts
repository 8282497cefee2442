import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { anyBuild, runs } from '../../test/sample.ts';
import type { BenchEntry, BenchRun } from './entry.ts';
import {} from './hold-point.ts';
import { passedReading, runView, type EntryAt } from './run-view.ts';
import { entryOf, pointsOf, pointOf, series } from '../../test/bench-points.ts';

const at = (entries: readonly BenchEntry[]): readonly EntryAt[] =>
  entries.map((one, i) => ({ key: `k${String(i)}`, at: '2026-03-26T12:00:00.000Z', entry: one }));
const runOf = (build: BuildDocument): BenchRun => ({
  name: 'Run',
  planVersion: 1,
  who: 'R. Quince',
  steps: [...pointsOf(build)].map((p) => ({ ...p, why: [...p.why] })),
});

describe('a run', () => {
  const build = series(14, {
    controller: { lowVoltageCutoffV: 43 },
    cabling: { inrush: 'resistor', preChargeOhm: 47 },
  });
  const run = runOf(build);
  const points = pointsOf(build);
  const all = points.map((p) => entryOf(p, 'pass'));

  it('is done in order where safety needs it: nothing behind what guards before it holds', () => {
    const begun = runView(run, [], points);
    expect(begun.next?.number).toBe(1);
    const cold = begun.steps.find((s) => s.point.key === 'cold/on');
    expect(cold?.waitsFor).toBe(1);
    const upTo = (key: string): readonly BenchEntry[] =>
      all.slice(
        0,
        points.findIndex((p) => p.key === key),
      );
    const there = runView(run, at(upTo('cold/off')), points);
    expect(there.next?.point.key).toBe('cold/off');
    expect(there.steps.find((s) => s.point.key === 'cold/on')?.waitsFor).toBe(there.next?.number);
  });

  it('is ready to be signed once all holds or is waived but what comes after 50 km', () => {
    const early = all.filter((e) => !e.step.startsWith('later/'));
    expect(runView(run, at(early), points)).toMatchObject({ ready: true, failed: 0, repeat: 0 });
    expect(runView(run, at(early.slice(1)), points).ready).toBe(false);
  });

  it('keeps a fail that was mended, and what was said before a correction', () => {
    const point = pointOf(build, 'power/standby');
    const mended = [
      ...all,
      entryOf(point, 'fail', { words: 'lamp shorted' }),
      entryOf(point, 'pass', { words: 'lamp replaced', corrects: 'k0' }),
    ];
    const step = runView(run, at(mended), points).steps.find((s) => s.point.key === point.key);
    expect(step).toMatchObject({ state: 'passed', failedOnce: true });
    expect(step?.said.map((s) => s.entry.says)).toEqual(['pass', 'fail', 'pass']);
  });

  it('gives a reading on only while its step is passed, with whether a simulated meter gave it', () => {
    const key = 'sensors/throttle-rest';
    const point = pointOf(build, key);
    const others = all.filter((e) => e.step !== key);
    const reading = (...said: readonly BenchEntry[]) =>
      passedReading(runView(run, at([...others, ...said]), points), key);
    const passed = entryOf(point, 'pass', { readings: [0.86] });
    expect(reading(passed)).toEqual({ value: 0.86, simulated: passed.simulated });
    expect(reading(entryOf(point, 'pass', { readings: [0.9], simulated: true }))?.simulated).toBe(true);
    expect(reading()).toBeUndefined();
    expect(reading(passed, entryOf(point, 'fail', { words: 'it stays at 3 V' }))).toBeUndefined();
    expect(passedReading(undefined, key)).toBeUndefined();
  });

  it('asks for three checks again when the plan moves: another resistor, another lever, another cut-off', () => {
    const moved = series(14, {
      controller: { lowVoltageCutoffV: 42 },
      cabling: { inrush: 'resistor', preChargeOhm: 100 },
      donor: { levers: 'hydraulic' },
    });
    const view = runView(run, at(all), pointsOf(moved));
    const again = view.steps.filter((s) => s.state === 'repeat');
    expect(again.map((s) => s.point.key)).toEqual([
      'power/pre-charge',
      'sensors/brakes',
      'cutoffs/brake',
      'cutoffs/low-volts',
    ]);
    expect(again[0]?.repeat).toContain('47 ohm');
    expect(again[3]?.repeat).toContain('outside now: 41.9 to 42.1, it was 42.9 to 43.1');
    expect(view.ready).toBe(false);
    // The plan goes back: so do they.
    expect(runView(run, at(all), points).repeat).toBe(0);
  });

  it('keeps what the plan no longer asks for, and it holds nothing back; what is new is open', () => {
    const fewer = series(14, { controller: { lowVoltageCutoffV: 43 }, controls: { throttle: 'none' } });
    const view = runView(run, at(all.filter((e) => !e.step.startsWith('sensors/throttle'))), pointsOf(fewer));
    expect(view.steps.find((s) => s.point.key === 'sensors/throttle-rest')?.state).toBe('gone');
    expect(view.steps.find((s) => s.point.key === 'power/spark')?.state).toBe('open');
  });

  it('of any build and any entries counts every step once, and never lets a step wait for a later one', () => {
    fc.assert(
      fc.property(anyBuild, fc.array(fc.nat(60), { maxLength: 40 }), (drawn, picks) => {
        const own = pointsOf(drawn);
        const entries = picks.flatMap((n, i) => {
          const point = own[n % own.length];
          return point === undefined
            ? []
            : [entryOf(point, (['pass', 'fail', 'note'] as const)[i % 3] ?? 'pass')];
        });
        const view = runView(runOf(drawn), at(entries), own);
        expect(view.done + view.failed + view.repeat + view.open).toBe(view.steps.length);
        for (const s of view.steps) expect(s.waitsFor ?? 0).toBeLessThan(s.number);
      }),
      runs(60),
    );
  });
});
