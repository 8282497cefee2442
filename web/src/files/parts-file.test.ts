import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { PART_TYPES, part, partFields } from '@apple-cart/core';
import { guessMapping, partsCsv, partsFromTable } from './parts-file.ts';
import { readCsv } from './csv.ts';

const shelf = shelfFile.map((file) => part.parse(file));

describe('parts as comma-separated values', () => {
  it.each(PART_TYPES)('of type %s come back unchanged', (type) => {
    const mine = shelf.filter((p) => p.type === type);
    const read = readCsv(partsCsv(type, mine));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const mapping = guessMapping(partFields(type), read.value.columns, {});
    expect(partsFromTable(type, read.value, mapping)).toEqual({ parts: mine, bad: [] });
  });

  it('report a bad row with its line, and read the others', () => {
    const text =
      'id,name,maker,price,currency,massKg,teeth\r\nring-a,A,M,1,GBP,0.1,38\r\nring-b,B,M,1,GBP,0.1,many\r\n';
    const read = readCsv(text);
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    const { parts, bad } = partsFromTable(
      'ring',
      read.value,
      guessMapping(partFields('ring'), read.value.columns, {}),
    );
    expect(parts.map((p) => p.id)).toEqual(['ring-a']);
    expect(bad).toHaveLength(1);
    expect(bad[0]).toMatch(/^Line 3: teeth: wanted a number, found "many"/);
  });

  it('know a column by its key, its label, or what was chosen before', () => {
    const mapping = guessMapping(partFields('ring'), ['teeth', 'Mass', 'Zähne', 'Shelf mark'], {
      Zähne: 'teeth',
    });
    expect(mapping).toEqual({ teeth: 'teeth', Mass: 'massKg', Zähne: 'teeth', 'Shelf mark': null });
  });

  it('with quotes, commas and line ends inside cells are read by RFC 4180', () => {
    const read = readCsv('id,name\r\nring-a,"Big, ""wide""\r\nring"\r\n');
    expect(read).toMatchObject({ ok: true, value: { rows: [{ cells: { name: 'Big, "wide"\r\nring' } }] } });
  });

  it('without rows, or with a column twice, say so', () => {
    expect(readCsv('id,name\r\n')).toMatchObject({ ok: false });
    expect(readCsv('id,id\r\na,b\r\n')).toMatchObject({
      ok: false,
      issues: [{ actual: 'id', limit: 'every column name once' }],
    });
  });
});
