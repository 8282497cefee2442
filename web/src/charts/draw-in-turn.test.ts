import { beforeEach, expect, it, vi } from 'vitest';
import { drawInTurn, drawNoMore } from './draw-in-turn.ts';

const [one, two] = [{ chart: 1 }, { chart: 2 }];
let drawn: string[] = [];
const draws = (on: object, what: string): void => {
  drawInTurn(on, () => {
    drawn.push(what);
  });
};

beforeEach(() => {
  vi.useFakeTimers();
  drawn = [];
  return () => {
    vi.runAllTimers();
    vi.useRealTimers();
  };
});

it('draws two charts in two tasks, and neither while somebody waits for his key', () => {
  draws(one, 'one');
  draws(two, 'two');
  expect(drawn).toEqual([]);
  vi.advanceTimersToNextTimer();
  expect(drawn).toEqual(['one']);
  vi.advanceTimersToNextTimer();
  expect(drawn).toEqual(['one', 'two']);
});

it('draws what is newest, once, and goes on with what comes meanwhile', () => {
  draws(one, 'old');
  draws(two, 'two');
  draws(one, 'new');
  vi.runAllTimers();
  expect(drawn).toEqual(['new', 'two']);
  draws(two, 'again');
  vi.runAllTimers();
  expect(drawn).toEqual(['new', 'two', 'again']);
});

it('lets go what is gone, and one that cannot be drawn holds up no other', () => {
  draws(one, 'one');
  drawNoMore(one);
  drawInTurn(one, () => {
    throw new Error('no paper');
  });
  draws(two, 'two');
  expect(() => vi.runAllTimers()).toThrow('no paper');
  vi.runAllTimers();
  expect(drawn).toEqual(['two']);
});
