// @vitest-environment happy-dom
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { evenHill, newBuild, ringRows, withQuantity } from '@apple-cart/core';
import { WorkerHere, noWorkersLeft, workersHere } from '../test/worker-here.ts';
import { runOnce } from './run-once.ts';
import { StudyRunner } from './study-runner.ts';
import { useRun } from './use-run.ts';
import { useStudy } from './use-study.ts';
import '../test/patience.ts';

const build = newBuild('Build', 'mid-drive');
const heavier = withQuantity(build, 'brief.riderMassKg', { source: 'measured', value: 120 });

beforeEach(workersHere);
afterEach(() => {
  cleanup();
  noWorkersLeft();
  vi.restoreAllMocks();
});

describe('a study that follows what is shown', () => {
  it('is answered away from the page, and again when its input changes; the last answer stays meanwhile', async () => {
    const first = { build, rings: [38, 42] };
    const second = { build: heavier, rings: [38] };
    const { result, rerender } = renderHook(({ input }) => useStudy('rings', input), {
      initialProps: { input: first },
    });
    expect(result.current).toMatchObject({ value: undefined, busy: true });
    await waitFor(() => {
      expect(result.current.value).toEqual(ringRows(build, [38, 42]));
    });
    expect(result.current.busy).toBe(false);
    rerender({ input: second });
    expect(result.current.busy).toBe(true);
    expect(result.current.value).toHaveLength(2);
    await waitFor(() => {
      expect(result.current.value).toEqual(ringRows(heavier, [38]));
    });
    expect(WorkerHere.made).toHaveLength(1);
  });

  it('drops answers that are no longer wanted: the last question is the one answered', async () => {
    const inputs = [30, 34, 38, 42, 46].map((teeth) => ({ build, rings: [teeth] }));
    const [initial] = inputs;
    const seen: number[] = [];
    const { result, rerender } = renderHook(
      ({ input }) => {
        const studied = useStudy('rings', input);
        const teeth = studied.value?.[0]?.teeth;
        if (teeth !== undefined) seen.push(teeth);
        return studied;
      },
      { initialProps: { input: initial } },
    );
    for (const input of inputs.slice(1)) rerender({ input });
    await waitFor(() => {
      expect(result.current.value?.[0]?.teeth).toBe(46);
    });
    expect(new Set(seen)).toEqual(new Set([46]));
  });

  it('that fails says why, is logged, and can be tried again', async () => {
    const logged = vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const input = { build: { ...build, gearing: undefined } as never, rings: [38] };
    const { result } = renderHook(() => useStudy('rings', input));
    await waitFor(() => {
      expect(result.current.why).toMatch(/undefined/);
    });
    expect(result.current.value).toBeUndefined();
    expect(logged).toHaveBeenCalledWith(expect.stringContaining('rings'));
    act(() => {
      result.current.retry();
    });
    await waitFor(() => {
      expect(logged).toHaveBeenCalledTimes(2);
    });
  });

  it('asks nothing without an input, and its worker goes to the next who asks', async () => {
    const none = renderHook(() => useStudy('rings', undefined));
    expect(none.result.current).toMatchObject({ value: undefined, busy: false });
    const input = { build, rings: [38] };
    const one = renderHook(() => useStudy('rings', input));
    await waitFor(() => {
      expect(one.result.current.busy).toBe(false);
    });
    one.unmount();
    const two = renderHook(() => useStudy('rings', input));
    await waitFor(() => {
      expect(two.result.current.busy).toBe(false);
    });
    expect(WorkerHere.made).toHaveLength(1);
    expect(WorkerHere.made[0]?.ended).toBe(false);
  });

  it('that is left while it works ends its worker', async () => {
    WorkerHere.silent = true;
    const input = { build, rings: [38] };
    const { unmount } = renderHook(() => useStudy('rings', input));
    await waitFor(() => {
      expect(WorkerHere.made).toHaveLength(1);
    });
    unmount();
    expect(WorkerHere.made[0]?.ended).toBe(true);
  });
});

describe('a study that is started by hand', () => {
  const road = evenHill('Lane', 4000, 3);
  const of = { build, route: road, rides: 4000, seed: 7 };

  it('tells how far it is, and is stopped with what there is so far', async () => {
    const { result } = renderHook(() => useRun('band'));
    act(() => {
      result.current.start(of);
    });
    await waitFor(() => {
      expect(result.current.run).toMatchObject({ state: 'running', progress: { of: 4000 } });
    });
    act(() => {
      result.current.stop();
    });
    expect(result.current.run).toMatchObject({ state: 'stopped', progress: { of: 4000 } });
  });

  it('ends with its outcome', async () => {
    const { result } = renderHook(() => useRun('band'));
    act(() => {
      result.current.start({ ...of, rides: 5 });
    });
    await waitFor(() => {
      expect(result.current.run).toMatchObject({ state: 'done', outcome: { band: { rides: 5 } } });
    });
  });

  it('started anew while one still runs gives the answer of the new one', async () => {
    const { result } = renderHook(() => useRun('band'));
    act(() => {
      result.current.start(of);
      result.current.start({ ...of, rides: 3 });
    });
    await waitFor(() => {
      expect(result.current.run).toMatchObject({ state: 'done', outcome: { band: { rides: 3 } } });
    });
  });

  it('that fails says why', async () => {
    vi.spyOn(console, 'error').mockImplementation(() => undefined);
    const { result } = renderHook(() => useRun('band'));
    act(() => {
      result.current.start({ ...of, build: undefined as never });
    });
    await waitFor(() => {
      expect(result.current.run.state).toBe('failed');
    });
  });
});

describe('one study and no more', () => {
  it('gives its answer, or throws with why it has none', async () => {
    const { signal } = new AbortController();
    expect(await runOnce('rings', { build, rings: [38] }, signal)).toHaveLength(1);
    await expect(runOnce('rings', undefined as never, signal)).rejects.toThrow(/rings|undefined/);
  });
});

describe('the runner', () => {
  it('tells an error with its cause', async () => {
    const runner = new StudyRunner();
    const broken = {
      get build(): never {
        throw new Error('outer', { cause: new Error('inner') });
      },
      rings: [],
    };
    expect(await runner.run('rings', broken)).toEqual({ state: 'failed', why: 'outer: inner' });
  });
});
