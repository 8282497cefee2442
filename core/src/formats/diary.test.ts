import * as fc from 'fast-check';
import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { diaryText, type DiaryEntry } from './diary.ts';

/** Read back by another library than the one that wrote it. */
const readBack = (text: string): readonly ICAL.Event[] =>
  new ICAL.Component(ICAL.parse(text) as unknown[])
    .getAllSubcomponents('vevent')
    .map((v) => new ICAL.Event(v));

/** Length in UTF-8. */
const octets = (line: string): number => encodeURIComponent(line).replace(/%../g, 'x').length;

describe('a diary as iCalendar (RFC 5545)', () => {
  const entries: readonly DiaryEntry[] = [
    {
      uid: 'order/pack@job',
      summary: 'Order: Pack, 48 V; 17 Ah',
      description: 'one\ntwo',
      day: '2026-03-02',
    },
    {
      uid: 'work/wire/1@job',
      summary: 'Wire',
      description: '',
      day: '2026-03-28',
      hours: { from: 18, to: 20.5 },
    },
  ];
  const text = diaryText('Longtail', entries, '2026-03-01');

  it('comes back with days as days and hours as the wall clock says', () => {
    const [order, wire] = readBack(text);
    expect(order?.summary).toBe('Order: Pack, 48 V; 17 Ah');
    expect(order?.description).toBe('one\ntwo');
    expect(order?.startDate.isDate).toBe(true);
    expect(order?.startDate.toString()).toBe('2026-03-02');
    expect(order?.endDate.toString()).toBe('2026-03-03');
    expect(wire?.startDate.toString()).toBe('2026-03-28T18:00:00');
    expect(wire?.endDate.toString()).toBe('2026-03-28T20:30:00');
    expect(wire?.startDate.zone.tzid).toBe('floating');
    expect(wire?.uid).toBe('work/wire/1@job');
  });

  it('is folded at 75 octets with the line ends of the standard, and the same twice', () => {
    const long = diaryText(
      'Longtail',
      [{ ...entries[0], summary: 'ü'.repeat(120) } as DiaryEntry],
      '2026-03-01',
    );
    for (const line of long.split('\r\n')) expect(octets(line)).toBeLessThanOrEqual(75);
    expect(text.replaceAll('\r\n', '')).not.toContain('\n');
    expect(diaryText('Longtail', entries, '2026-03-01')).toBe(text);
  });

  it('gives every text back', () => {
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 90 }), (summary) => {
        const plain = summary.replace(/[\p{Cc}\p{Cf}\p{Cs}]/gu, '').trim();
        fc.pre(plain !== '');
        const [event] = readBack(
          diaryText('x', [{ uid: 'a@b', summary: plain, description: '', day: '2026-01-31' }], '2026-01-01'),
        );
        expect(event?.summary).toBe(plain);
      }),
      { numRuns: 100, seed: 20261128 },
    );
  });
});
