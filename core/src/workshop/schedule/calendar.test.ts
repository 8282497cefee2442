import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { addWork, nextWork, sittings, subWork, works, type Calendar } from './calendar.ts';
import { dayAfter, dayWords, daysBetween, isDay, weekdayOf } from './days.ts';

const evenings: Calendar = { week: [3, 3, 3, 3, 3, 0, 0], firstDay: 0 };
const h = (day: number, hour: number): number => 24 * day + hour;

const calendar: fc.Arbitrary<Calendar> = fc
  .record({
    week: fc.array(fc.constantFrom(0, 0, 1, 2.5, 3, 8), { minLength: 7, maxLength: 7 }),
    firstDay: fc.integer({ min: 0, max: 6 }),
  })
  .filter(works);

describe('hours at the bench', () => {
  it('are taken evening by evening, and not at the weekend (by hand)', () => {
    // Monday 18 to 21; two hours begun on Friday at 20 end on Monday at 19.
    expect(nextWork(evenings, 0)).toBe(h(0, 18));
    expect(addWork(evenings, 0, 3)).toBe(h(0, 21));
    expect(addWork(evenings, 0, 4)).toBe(h(1, 19));
    expect(addWork(evenings, h(4, 20), 2)).toBe(h(7, 19));
    expect(subWork(evenings, h(7, 19), 2)).toBe(h(4, 20));
    expect(sittings(evenings, h(4, 20), h(7, 19))).toEqual([
      { from: h(4, 20), to: h(4, 21) },
      { from: h(7, 18), to: h(7, 19) },
    ]);
  });

  it('begin in the morning at the weekend and on whole days', () => {
    expect(nextWork({ week: [8, 0, 0, 0, 0, 4, 0], firstDay: 0 }, 0)).toBe(h(0, 9));
    expect(nextWork({ week: [0, 0, 0, 0, 0, 4, 0], firstDay: 0 }, 0)).toBe(h(5, 9));
  });

  it('go there and back: the work that ends when work from an instant ends begins there', () => {
    fc.assert(
      fc.property(
        calendar,
        fc.double({ min: 0, max: 500, noNaN: true }),
        fc.double({ min: 0.1, max: 60, noNaN: true }),
        (c, t, hours) => {
          const end = addWork(c, t, hours);
          // At the seam of two sittings an instant is the end of one and the begin of the next.
          expect(addWork(c, subWork(c, end, hours), hours)).toBeCloseTo(end, 6);
          const spent = sittings(c, nextWork(c, t), end).reduce((sum, s) => sum + s.to - s.from, 0);
          expect(spent).toBeCloseTo(hours, 6);
        },
      ),
      { numRuns: 2000, seed: 20261128 },
    );
  });

  it('end never sooner for one hour more', () => {
    fc.assert(
      fc.property(
        calendar,
        fc.double({ min: 0, max: 300, noNaN: true }),
        fc.double({ min: 0, max: 40, noNaN: true }),
        (c, t, hours) => {
          expect(addWork(c, t, hours + 1)).toBeGreaterThan(addWork(c, t, hours));
        },
      ),
      { numRuns: 300, seed: 1 },
    );
  });

  it('cannot be asked of somebody who never works', () => {
    const never = { week: [0, 0, 0, 0, 0, 0, 0], firstDay: 0 };
    expect(() => addWork(never, 0, 1)).toThrow(TypeError);
    expect(() => subWork(never, 0, 1)).toThrow(TypeError);
    expect(() => nextWork(never, 0)).toThrow(TypeError);
  });
});

describe('days', () => {
  it('are those of the calendar, over leap days and clock changes (by an almanac)', () => {
    expect(daysBetween('2028-02-28', '2028-03-01')).toBe(2);
    expect(daysBetween('2026-03-28', '2026-03-30')).toBe(2);
    expect(dayAfter('2026-12-30', 3)).toBe('2027-01-02');
    expect(dayAfter('2026-03-27', -27)).toBe('2026-02-28');
    // 2 March 2026 was a Monday.
    expect(weekdayOf('2026-03-02')).toBe(0);
    expect(dayWords('2026-03-27', 'weekday')).toBe('Fri 27 March');
    expect(dayWords('2027-01-02', 'short', '2026')).toBe('2 January 2027');
    expect(isDay('2026-02-30')).toBe(false);
    expect(isDay('')).toBe(false);
  });
});
