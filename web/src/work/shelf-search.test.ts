// @vitest-environment happy-dom
import { waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import partsFile from '../../../demo/parts.json' with { type: 'json' };
import longtailFile from '../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import {
  part,
  readBuildText,
  searchShelf,
  shippedRules,
  usualAsked,
  type SearchOutcome,
} from '@apple-cart/core';
import { WorkerHere, noWorkersLeft, workersHere } from '../test/worker-here.ts';
import * as pool from './pool.ts';
import { STUDIES } from './studies.ts';
import { StudyRunner } from './study-runner.ts';
import { finalistsIn, startSearch, stopSearch, useSearches, type ShelfSearch } from './shelf-search.ts';
import '../test/patience.ts';

const read = readBuildText(JSON.stringify(longtailFile));
if (!read.ok) throw new Error('no longtail');
const build = read.value;
const KEPT = [
  'motor-md36',
  'motor-md48',
  'pack-36-14',
  'pack-48-17',
  'ctl-15',
  'ctl-22',
  'chg-42-2',
  'chg-54-2',
];
const parts = partsFile.map((file) => part.parse(file)).filter((p) => KEPT.includes(p.id));
const usual = usualAsked(build);
const input = {
  build,
  parts,
  book: shippedRules(),
  asked: {
    free: { motor: true, pack: true, controller: true, gearing: false, tyre: false },
    held: {
      ...usual.held,
      lawful: false,
      fits: false,
      hillKmh: null,
      rangeKm: null,
      hottestC: null,
      price: null,
      massKg: null,
    },
    goals: ['price', 'hill'] as const,
  },
};

/** What one thread finds of the same, the core alone. */
function alone(): SearchOutcome {
  const steps = searchShelf(input.build, input.parts, input.book, input.asked);
  for (;;) {
    const step = steps.next();
    if (step.done === true) return step.value;
  }
}
const now = (id: string): ShelfSearch => {
  const found = useSearches.getState().searches[id];
  if (found === undefined) throw new Error(`no search of ${id}`);
  return found;
};
const done = (id: string) =>
  waitFor(() => {
    expect(['done', 'stopped', 'failed']).toContain(now(id).state);
  });

beforeEach(workersHere);
afterEach(() => {
  noWorkersLeft();
  vi.restoreAllMocks();
  useSearches.setState({ searches: {} });
});

describe('a search of the shelf by several workers', () => {
  it('counts every combination once, whatever share it fell to, and finds what one thread finds', async () => {
    const told: string[] = [];
    const unsubscribe = useSearches.subscribe(({ searches }) => {
      const state = searches['one']?.state;
      if (state !== undefined && told.at(-1) !== state) told.push(state);
    });
    startSearch('one', input);
    expect(now('one')).toMatchObject({ state: 'looking', judged: 0 });
    await done('one');
    unsubscribe();
    const whole = alone();
    expect(told).toEqual(['looking', 'judging', 'done']);
    expect(now('one').counts).toEqual(whole.counts);
    expect(now('one').of).toBe(whole.of);
    expect(WorkerHere.made.length).toBeGreaterThan(1);
    expect(finalistsIn(now('one')).length).toBeGreaterThan(0);
    // Nothing of the front costs more and climbs no faster than another of it.
    const front = finalistsIn(now('one'));
    for (const one of front)
      expect(
        front.some(
          (other) => other !== one && other.price < one.price && (other.hillKmh ?? 0) > (one.hillKmh ?? 0),
        ),
      ).toBe(false);
    await waitFor(() => {
      expect(now('one').lets).toBeDefined();
    });
  });

  it('is not told back by a word of how far it was, which comes on another line and may come last', async () => {
    // Each hand answers, and says only then how far it was at its first step.
    const end = vi.fn();
    vi.spyOn(pool, 'takeHand').mockImplementation(() => {
      const runner = new StudyRunner();
      const run: StudyRunner['run'] = async (name, of, tell) => {
        const answer = await runner.run(name, of);
        const work = STUDIES[name](of as never) as Iterator<unknown, unknown> | readonly unknown[];
        if ('next' in work) {
          const first = work.next().value as never;
          setTimeout(() => tell?.(first), 5);
        }
        return answer;
      };
      return { runner: { run, stop: vi.fn() }, end } as unknown as pool.Hand;
    });
    vi.spyOn(pool, 'giveBack').mockImplementation(() => undefined);
    startSearch('late', input);
    await done('late');
    await waitFor(() => {
      expect(now('late').lets).toBeDefined();
    });
    const [judged, { length }] = [now('late').judged, finalistsIn(now('late'))];
    expect([judged > 1, length > 1]).toEqual([true, true]);
    await new Promise((resume) => setTimeout(resume, 50));
    expect(now('late').counts).toEqual(alone().counts);
    expect([now('late').judged, finalistsIn(now('late')).length]).toEqual([judged, length]);
  });

  it('keeps what it found when it is stopped, and says that it was', async () => {
    startSearch('two', input);
    stopSearch('two');
    await done('two');
    expect(['stopped', 'done']).toContain(now('two').state);
    expect(finalistsIn(undefined)).toEqual([]);
  });

  it('gives up the one before when another begins: only the last is shown', async () => {
    startSearch('three', input);
    const narrower = { ...input, parts: parts.filter((p) => p.id !== 'motor-md48') };
    startSearch('three', narrower);
    await done('three');
    expect(now('three').input).toBe(narrower);
    expect(finalistsIn(now('three')).every((f) => !f.names.some((name) => name.includes('MD-48')))).toBe(
      true,
    );
  });

  it('says why it has no answer, where a worker fails', async () => {
    const broken = { ...input, book: undefined as unknown as typeof input.book };
    startSearch('four', broken);
    await done('four');
    expect(now('four').state).toBe('failed');
    expect(now('four').why).not.toBe('');
  });
});
