import { writeCsv } from '@apple-cart/contracts/csv';
import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { CSV_LIMITS, readCsv, type CsvTable } from './csv.ts';

const table = (text: string): CsvTable => {
  const read = readCsv(text);
  if (!read.ok) throw new Error(JSON.stringify(read.issues));
  return read.value;
};
const refusal = (text: string): string => {
  const read = readCsv(text);
  if (read.ok) throw new Error('it was read');
  const [issue] = read.issues;
  return `${issue?.path ?? ''}: ${issue?.limit ?? ''}`;
};

describe('separated values', () => {
  it('are read by RFC 4180, with commas, semicolons or tabs', () => {
    expect(table('a,b\r\n"x ""y"", z","1\r\n2"\r\n').rows).toEqual([
      { line: 2, cells: { a: 'x "y", z', b: '1\r\n2' } },
    ]);
    expect(table('a;b\n1,5;2\n').rows[0]?.cells).toEqual({ a: '1,5', b: '2' });
    expect(table('a\tb\n1\t2\n').rows[0]?.cells).toEqual({ a: '1', b: '2' });
  });

  it('count the lines of the file: blank ones, and those inside quotes', () => {
    const { rows } = table('\na,b\n\n1,2\n\n \n"x\ny",4\n5,6\n');
    expect(rows.map((r) => r.line)).toEqual([4, 7, 9]);
    expect(table('a,b\r\r1,2\r3,4').rows.map((r) => r.line)).toEqual([3, 4]);
  });

  it('keep columns apart whose names differ by blanks only', () => {
    expect(refusal('a, a\n1,2\n')).toBe('line 1: every column name once');
    expect(table('a,,\n1,2,3\n').columns).toEqual(['a', 'column 2', 'column 3']);
    expect(table('constructor,__proto__\n1,2\n').rows[0]?.cells['__proto__']).toBe('2');
  });

  it('of more cells than heads are refused by their lines: a decimal comma makes two of one', () => {
    expect(refusal('distance,elevation\n0,10\n1,5,20\n')).toMatch(/^line 3: at most 2 cells/);
    expect(table('a,b\n1,2,\n').rows[0]?.cells).toEqual({ a: '1', b: '2' });
  });

  it('have limits, which are said', () => {
    expect(refusal(`${'a,'.repeat(250)}\n1\n`)).toBe(`line 1: at most ${String(CSV_LIMITS.columns)} columns`);
    expect(refusal(`a,b\n${'9'.repeat(60_000)},1\n`)).toBe(
      `line 2: at most ${String(CSV_LIMITS.cell)} characters in a cell`,
    );
    expect(refusal('1\n'.repeat(CSV_LIMITS.rows + 5))).toMatch(/at most 100000 rows/);
    expect(refusal(' '.repeat(CSV_LIMITS.characters + 1))).toMatch(/characters/);
  });

  it.each([
    ['quotes', '"'.repeat(1_000_000)],
    ['open quotes', '"a" b,'.repeat(300_000)],
    ['quotes without an end', '"\n'.repeat(500_000)],
    ['blanks between quotes', `"${' "'.repeat(400_000)}`],
    ['line ends', '\r'.repeat(2_000_000)],
    ['separators', ','.repeat(2_000_000)],
  ])('that are nothing but %s do not hang', (_what, text) => {
    expect(readCsv(text).ok).toBe(false);
  });
});

describe('what leaves us', () => {
  it.each(['=1+1', '+44 123', '-cmd', '@sum', '\tx', '\rx', "'=1", "''@"])(
    'marks %j as text for a spreadsheet, and reads it back as it was',
    (cell) => {
      const text = writeCsv(['name', cell], [[cell, 1]]);
      expect(text).toContain(`'${cell}`);
      expect(table(text)).toMatchObject({
        columns: ['name', cell.trim()],
        rows: [{ cells: { name: cell } }],
      });
    },
  );

  it('leaves numbers as they are, written or not', () => {
    expect(writeCsv(['a', 'b', 'c'], [[-1.5, '-2,5', '+3e4']])).toBe('a,b,c\r\n-1.5,"-2,5",+3e4\r\n');
  });

  it('comes back as it was, whatever is in it', () => {
    const cell = fc.oneof(
      fc.string({ unit: 'grapheme', maxLength: 20 }),
      fc.string({ maxLength: 20 }),
      fc.constantFrom('=', '"', ',', ';', '\r\n', "'=", '', ' '),
    );
    fc.assert(
      fc.property(fc.array(fc.tuple(cell, cell), { minLength: 1, maxLength: 8 }), (rows) => {
        // A first column that is never blank keeps every row from being an empty line.
        const back = table(
          writeCsv(
            ['n', 'a', 'b'],
            rows.map(([a, b], i) => [i, a, b]),
          ),
        );
        expect(back.rows.map(({ cells }) => [cells['a'], cells['b']])).toEqual(rows);
      }),
      { seed: 12, numRuns: 400 },
    );
  });
});
