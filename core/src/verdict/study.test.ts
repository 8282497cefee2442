import { describe, expect, it } from 'vitest';
import { withValue } from '../document/quantity-at.ts';
import { sample } from '../test/sample.ts';
import { study } from './study.ts';

describe('the speed that the brakes are asked for', () => {
  const free = sample({ controls: { throttle: 'full' }, controller: { limitsSpeed: false } });
  const asked = (windMs: number): number => study(withValue(free, 'brief.headwindMs', windMs)).subject.topMs;
  const could = (windMs: number): number =>
    study(withValue(free, 'brief.headwindMs', windMs)).subject.faster.topMs;

  it('is that of a still day, whatever blows against it', () => {
    expect(asked(8)).toBe(asked(0));
    expect(could(8)).toBe(could(0));
  });

  it('is faster before a wind', () => {
    expect(asked(-4)).toBeGreaterThan(asked(0));
  });
});
