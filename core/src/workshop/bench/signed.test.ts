import { describe, expect, it } from 'vitest';
import { readRecord } from '../../records/record.ts';

const sheet = { title: 'Longtail', sections: [] };
const sign = { who: 'R. Quince', role: '', words: '', planVersion: 3, passed: 40, waived: 1 };
const shape = { d: 'M0 160H300', fill: 'none', stroke: 'ink', width: 1.5, cap: 'butt' };
const read = (drawing: unknown) =>
  readRecord('bench-sign', {
    ...sign,
    sheet: { ...sheet, drawing: { width: 300, height: 164, shapes: [drawing] } },
  });

describe('a signed sheet', () => {
  it('of before it had a drawing is read without one', () => {
    const found = readRecord('bench-sign', { ...sign, sheet });
    expect(found.ok && found.value.sheet.drawing).toBeNull();
  });

  it('takes a drawing of shapes and of nothing else', () => {
    expect(read(shape).ok).toBe(true);
    for (const wrong of [
      { ...shape, d: 'M0 0"/><script>' },
      { ...shape, d: 'url(#a)' },
      { ...shape, stroke: 'url(http://a)' },
      { ...shape, width: -1 },
      { ...shape, onload: 'x' },
    ])
      expect(read(wrong).ok).toBe(false);
  });
});
