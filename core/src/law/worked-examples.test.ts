import { describe, expect, it } from 'vitest';
import { CYCLE, number, say } from '../test/law-facts.ts';
import type { LawFacts } from './facts.ts';
import { EXAMPLES, type Example } from '../test/worked-law.ts';
import { judgePlace } from './judge.ts';
import { shippedRules } from './rules.ts';

/** Beyond this a hand control drives, and does not only help to push. */
const WALKING_KMH = 6.5;

const factsOf = ([, , watts, cut, motor, stops, other]: Example): LawFacts => ({
  ...CYCLE,
  ratedPowerW: number(watts),
  assistEndKmh: number(cut),
  motorAloneKmh: number(motor),
  throttleAloneKmh: number(motor),
  throttle: say(motor > WALKING_KMH ? 'yes' : 'no'),
  motorStopsWithPedals: say(stops),
  ...other,
});

describe('the worked examples', () => {
  it.each(EXAMPLES)('%s in %s: %d W, help to %d km/h, motor alone to %d km/h', (...example) => {
    const [, id, , , , , , fits] = example;
    const place = shippedRules().find((p) => p.id === id);
    if (place === undefined) throw new Error(id);
    // The place's own question; federal law beside a state's is another.
    const [own] = judgePlace(place, [{ profile: '', facts: factsOf(example) }], shippedRules()).tests;
    const met = own?.categories.filter((c) => c.outcome === 'inside' || c.outcome === 'check');
    expect(met?.map((c) => c.category.id)).toEqual(fits);
  });
});

describe('machines that only an authority can let in', () => {
  const outcome = (id: string, change: Partial<LawFacts> = {}): string => {
    const place = shippedRules().find((p) => p.id === id);
    if (place === undefined) throw new Error(id);
    return judgePlace(place, [{ profile: '', facts: { ...CYCLE, ...change } }], shippedRules()).outcome;
  };

  it('are never plainly inside: Singapore and China take no conversion, India and Korea verify', () => {
    expect(outcome('sg', { massKg: number(18) })).toBe('outside');
    expect(outcome('cn')).toBe('outside');
    expect(outcome('in', { ratedPowerW: number(240) })).toBe('other-class');
    expect(outcome('kr')).toBe('other-class');
  });

  it('and where the text is changing or repealed the answer is check, never a green one', () => {
    expect(outcome('us-nj')).toBe('check');
    expect(outcome('au-nsw')).toBe('check');
    expect(outcome('us-or')).toBe('check');
    expect(outcome('ca-fed')).toBe('check');
  });

  it('and where too little is known the authority is asked', () => {
    expect(outcome('dk')).toBe('cannot-tell');
    expect(outcome('dk', { ratedPowerW: number(5000) })).toBe('outside');
  });
});
