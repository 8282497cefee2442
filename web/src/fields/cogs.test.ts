import { describe, expect, it } from 'vitest';
import { readCogs } from './cogs.ts';

const cogs = (text: string): readonly number[] | string => {
  const read = readCogs(text);
  return read.ok ? read.values : read.why;
};

describe('readCogs', () => {
  it('takes a list as builders write it, largest first, each once', () => {
    expect(cogs('11-13-15 18,21;24 28/34')).toEqual([34, 28, 24, 21, 18, 15, 13, 11]);
    expect(cogs('18')).toEqual([18]);
    expect(cogs('20 20 16')).toEqual([20, 16]);
  });

  it('says what is wrong', () => {
    expect(cogs('')).toBe('At least one cog.');
    expect(cogs('11 thirteen')).toContain('thirteen');
    expect(cogs('11 12.5')).toContain('whole numbers');
    expect(cogs('3 11')).toContain('from 7 to 80');
    expect(cogs('11 12 13 14 15 16 17 18 19 20 21 22 23 24 25')).toContain('At most 14');
  });
});
