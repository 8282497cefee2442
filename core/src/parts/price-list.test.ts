import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import { part } from './part.ts';
import { readPriceList } from './price-list.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const mapping = { Artikel: 'name', Preis: 'price', Tage: 'leadDays', Rest: null };
const row = (Artikel: string, Preis: string, Tage = '', line = 2) => ({
  line,
  cells: { Artikel, Preis, Tage, Rest: 'x' },
});
const read = (...rows: ReturnType<typeof row>[]) => readPriceList(shelf, rows, mapping);

describe('the price list of a shop', () => {
  it('fills prices and days of the parts that it names, however they are written', () => {
    const { changed, strange, bad } = read(
      row('TALLOW 48-17', '£ 1.429,50', '18'),
      row('Chain tool', '12.25'),
      row('Nothing of ours', '3'),
    );
    expect(changed.map((p) => [p.id, p.price, p.leadDays])).toEqual([
      ['pack-48-17', 1429.5, 18],
      ['tool-chain', 12.25, 5],
    ]);
    expect(strange).toEqual(['Nothing of ours']);
    expect(bad).toEqual([]);
  });

  it('changes nothing that it says as it stands, and takes the end off a span that it settles', () => {
    expect(read(row('Chain tool', '11', '5')).same).toBe(1);
    const [wrench] = read(row('Torque wrench 5 to 60 N m', '50')).changed;
    expect(wrench).toMatchObject({ price: 50, priceTo: null });
  });

  it('names rows that cannot be used by their line', () => {
    const { changed, bad } = read(row('Chain tool', 'dear', '', 7), row('Chain tool', '11', '1.5', 8));
    expect(changed).toEqual([]);
    expect(bad).toEqual(['Line 7: “dear” is no amount.', 'Line 8: “1.5” is no number of days.']);
  });

  it('finds parts by their id where it has one, and takes another currency at its word', () => {
    const byId = readPriceList(
      shelf,
      [
        { line: 2, cells: { no: 'tool-chain', cost: '13', in: 'eur' } },
        { line: 3, cells: { no: 'tool-iron', cost: '13', in: 'shells' } },
      ],
      { no: 'id', cost: 'price', in: 'currency' },
    );
    expect(byId.changed).toMatchObject([{ id: 'tool-chain', price: 13, currency: 'EUR' }]);
    expect(byId.bad[0]).toContain('SHELLS');
  });
});
