import { describe, expect, it } from 'vitest';
import { newBuild } from '../document/template.ts';
import { CURRENCIES } from '../document/currency.ts';
import { shippedRules } from './rules.ts';
import { priced } from '../test/sample.ts';
import { letsIn, usualOf, withPlace } from './usual.ts';

const book = shippedRules();
function usual(id: string) {
  const place = book.find((p) => p.id === id);
  if (place === undefined) throw new Error(id);
  return usualOf(place, book);
}

describe('what is usual in a place', () => {
  it.each([
    // Limits as in the rule files, each with its instrument there; money by ISO 4217.
    ['gb', { currency: 'GBP', traffic: 'left', cutoffKmh: 24.9, ratedW: 250, units: 'metric' }],
    ['de', { currency: 'EUR', traffic: 'right', cutoffKmh: 25, ratedW: 250, units: 'metric' }],
    ['us-ca', { currency: 'USD', traffic: 'right', cutoffKmh: 32.1, ratedW: 750, units: 'imperial' }],
    ['jp', { currency: 'JPY', traffic: 'left', cutoffKmh: 23.9, units: 'metric' }],
    ['ca-on', { currency: 'CAD', traffic: 'right', ratedW: 500, units: 'metric' }],
  ])('%s', (id, is) => {
    expect(usual(id)).toMatchObject(is);
  });

  it('is said of every place of the book, in a currency that there is', () => {
    for (const place of book) {
      const { currency, cutoffKmh, className } = usualOf(place, book);
      expect(CURRENCIES, place.id).toContain(currency);
      if (className !== undefined && cutoffKmh !== undefined) expect(cutoffKmh, place.id).toBeGreaterThan(19);
    }
  });

  it('lets in a motor at a limit, and not at one that it has to stay under', () => {
    expect([letsIn(usual('gb'), 250), letsIn(usual('gb'), 251)]).toEqual([true, false]);
    expect([letsIn(usual('us-ny'), 749), letsIn(usual('us-ny'), 750)]).toEqual([true, false]);
  });
});

describe('a build that is taken to another place', () => {
  const build = newBuild('one');
  it('begins with what is usual there', () => {
    const there = withPlace(build, 'us-ca', usual('us-ca'));
    expect(there.brief.place).toBe('us-ca');
    expect(there.money.currency).toBe('USD');
    expect(there.controller.assistCutoffKmh).toEqual({ source: 'assumed', value: 32.1 });
  });

  it('keeps what was read on the machine, and the money that was paid', () => {
    const read = {
      ...priced(build, { motor: 200 }),
      controller: { ...build.controller, assistCutoffKmh: { source: 'label' as const, value: 25 } },
    };
    const there = withPlace(read, 'us-ca', usual('us-ca'));
    expect(there.money.currency).toBe('GBP');
    expect(there.controller.assistCutoffKmh).toEqual({ source: 'label', value: 25 });
  });
});
