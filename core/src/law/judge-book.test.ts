import { describe, expect, it } from 'vitest';
import { CYCLE } from '../test/law-facts.ts';
import { judgeBook, judgePlace } from './judge.ts';
import { shippedRules } from './rules.ts';

describe('a whole book', () => {
  const book = shippedRules();
  const ways = [{ profile: '', facts: CYCLE }];

  it('judges every place as it would be judged alone', () => {
    expect(judgeBook(book, ways)).toEqual(book.map((place) => judgePlace(place, ways, book)));
  });

  it('judges what places share once: Germany has the very verdict of the union', () => {
    const all = judgeBook(book, ways);
    const test = (id: string) => all.find((p) => p.place.id === id)?.tests[0];
    expect(test('de')).toBe(test('eu'));
  });
});
