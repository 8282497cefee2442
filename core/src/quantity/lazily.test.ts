import { describe, expect, it } from 'vitest';
import { lazily, lazilyMore } from './lazily.ts';

describe('an object worked out as it is read', () => {
  const counted = () => {
    const calls: string[] = [];
    const made = lazily<{ a: number; b: number | undefined }>({
      a: () => {
        calls.push('a');
        return 2;
      },
      b: () => {
        calls.push('b');
        return undefined;
      },
    });
    return { calls, made };
  };

  it('works out nothing before, and each member once', () => {
    const { calls, made } = counted();
    expect(calls).toEqual([]);
    expect([made.a, made.a]).toEqual([2, 2]);
    expect([made.b, made.b]).toEqual([undefined, undefined]);
    expect(calls).toEqual(['a', 'b']);
  });

  it('is written out and spread whole', () => {
    expect(JSON.stringify(counted().made)).toBe('{"a":2}');
    expect({ ...counted().made }).toEqual({ a: 2, b: undefined });
  });

  it('takes more members without working out those it has', () => {
    const { calls, made } = counted();
    const more = lazilyMore(made, { sum: () => made.a + 1 });
    expect(calls).toEqual([]);
    expect(more.sum).toBe(3);
    expect([more.a, made.a]).toEqual([2, 2]);
    expect(calls).toEqual(['a']);
  });
});
