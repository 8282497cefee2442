import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { readBuild } from '../../document/read.ts';
import { evaluate } from '../../test/evaluate.ts';
import { priced, sample } from '../../test/sample.ts';
import { ledgerOf, sendingOf, sumsSoFar, type Ledger } from './ledger.ts';
import type { Row } from './purchase-list.ts';
import { purchaseTable, readPurchaseTable, shoppingList, withSaid } from './shopping.ts';

const rowsOf = (build: BuildDocument): readonly Row[] => evaluate(build).list.rows;
const build = priced(
  sample({ drive: { name: 'Hub', flatsMm: 10, torqueArms: 1 } }),
  { donor: 300, motor: 200, controller: 60 },
  40,
);
const ledger = (b: BuildDocument): Ledger => ledgerOf(b, rowsOf(b));
const row = (b: BuildDocument, key: string): Row => {
  const found = rowsOf(b).find((r) => r.key === key);
  if (found === undefined) throw new Error(key);
  return found;
};
const say = (b: BuildDocument, key: string, said: Parameters<typeof withSaid>[2]): BuildDocument =>
  withSaid(b, row(b, key), said);

describe('what a person adds to a line', () => {
  it('lies beside its key, and goes through the document', () => {
    const told = say(build, 'torque-arms', {
      state: 'ordered',
      price: 14.5,
      supplier: 'Ostler',
      leadDays: 4,
    });
    const read = readBuild(JSON.parse(JSON.stringify(told)));
    if (!read.ok) throw new Error(JSON.stringify(read.issues));
    expect(row(read.value, 'torque-arms')).toMatchObject({ state: 'ordered', price: 14.5 });
    expect(row(read.value, 'torque-arms').said).toMatchObject({ supplier: 'Ostler', leadDays: 4 });
  });

  it('stays when the build asks for the line no more, and comes back with it', () => {
    const told = say(build, 'torque-arms', { price: 14.5 });
    const mid = { ...told, drive: { ...told.drive, kind: 'mid-drive' as const } };
    const gone = rowsOf(mid).find((r) => r.key === 'torque-arms');
    expect(gone).toMatchObject({ from: 'gone', price: 14.5 });
    expect(gone?.what).toContain('Torque arm');
    // What is gone is shown, and counts no more.
    expect(ledger(mid).toBuy).toBe(
      ledgerOf(
        mid,
        rowsOf(mid).filter((r) => r.from !== 'gone'),
      ).toBuy,
    );
    expect(row({ ...mid, drive: told.drive }, 'torque-arms')).toMatchObject({ from: 'build', price: 14.5 });
  });
});

describe('the ledger', () => {
  it('sums by where things are, counts what has no price, and leaves tools apart', () => {
    const told = say(say(say(build, 'motor', { state: 'ordered' }), 'meter', { price: 30 }), 'fuse', {
      price: 5,
    });
    const sums = ledger(told);
    // By hand: donor 300 owned; motor 200 ordered; controller 60 and fuse 5 to buy; 40 as one sum; the meter is a tool.
    expect(sums).toMatchObject({ owned: 300, spent: 200, toBuy: 65, rest: 40, known: 605, tools: 30 });
    const without = rowsOf(told).filter((r) => r.price === null && r.group !== 'tools');
    expect(sums.unpriced).toBe(without.length);
    expect(sums.unpriced).toBeGreaterThan(5);
    // The groups add up to what is known of the lines.
    expect(sums.groups.reduce((sum, g) => sum + g.sum, 0)).toBe(565);
  });

  it('takes off what comes along with a kit, all of it or some, and leaves the rest to buy', () => {
    const brings = { motor: { controller: 1, 'torque-arms': 1 }, pack: { charger: 1 } };
    const kit = { ...build, purchase: { ...build.purchase, brings } };
    expect(row(build, 'torque-arms').quantity).toBe(1);
    expect(row(kit, 'controller')).toMatchObject({ broughtBy: 'motor', price: 0, state: 'needed' });
    expect(ledger(kit).toBuy).toBe(200);
    expect(ledger(kit).open).toBe(ledger(build).open - 3);
    // It comes when the motor comes.
    expect(row(say(kit, 'motor', { state: 'arrived' }), 'torque-arms').state).toBe('arrived');
    const two = { ...kit, drive: { ...kit.drive, torqueArms: 2 as const } };
    expect(row(two, 'torque-arms')).toMatchObject({ broughtBy: undefined, quantity: 1, price: null });
  });

  it('takes nothing off for a kit that the list asks for no more, or that is put off', () => {
    const brings = { motor: null, pack: { charger: 1 } };
    const kit = { ...build, purchase: { ...build.purchase, brings } };
    expect(row(kit, 'charger').broughtBy).toBe('pack');
    const ofCells = sample({ drive: { name: 'Hub' }, pack: { make: 'cells' } });
    const own = { ...ofCells, purchase: { ...ofCells.purchase, brings } };
    expect(rowsOf(own).some((r) => r.key === 'pack')).toBe(false);
    expect(row(own, 'charger')).toMatchObject({ broughtBy: undefined, state: 'needed' });
    expect(row(say(kit, 'pack', { state: 'not-needed' }), 'charger')).toMatchObject({
      broughtBy: undefined,
      state: 'needed',
    });
  });

  it('counts sending once for each supplier, and says of whom it is not known', () => {
    const told = say(
      say(say(build, 'fuse', { supplier: 'Ostler' }), 'tape', { supplier: 'Ostler' }),
      'grease',
      {
        supplier: 'Arden',
      },
    );
    const sent = {
      ...told,
      purchase: { ...told.purchase, suppliers: { Ostler: { shipping: 6 } } },
    };
    expect(sendingOf(sent, rowsOf(sent))).toEqual([
      { supplier: 'Ostler', shipping: 6 },
      { supplier: 'Arden', shipping: null },
    ]);
    expect(ledger(sent)).toMatchObject({ sending: 6, sendingUnknown: 1, known: ledger(told).known + 6 });
    // What is owned is sent by nobody.
    expect(ledger(say(sent, 'grease', { state: 'owned' })).sendingUnknown).toBe(0);
  });

  it('turns a second currency by its typed rate, and knows no price without one', () => {
    const told = say(build, 'fuse', { price: 10, inSecond: true });
    expect(row(told, 'fuse').price).toBeNull();
    const second = { currency: 'EUR', rate: 0.85 };
    const two = { ...told, purchase: { ...told.purchase, second } };
    expect(row(two, 'fuse').price).toBeCloseTo(8.5, 9);
    const table = read(purchaseTable(two, rowsOf(two)));
    expect(table.rows.find((r) => r.cells['key'] === 'fuse')?.cells).toMatchObject({
      price: '10',
      currency: 'EUR',
    });
    expect(readPurchaseTable(two, rowsOf(two), table)).toMatchObject({ ok: true, value: { changed: 0 } });
  });

  it('runs on after each line to what is known in all, and says where a price is missing on the way', () => {
    const told = say(say(say(build, 'fuse', { price: 5 }), 'meter', { price: 30 }), 'grease', {
      state: 'not-needed',
    });
    const own = rowsOf(told).filter((r) => r.group !== 'tools');
    const so = sumsSoFar(own);
    // By hand: donor 300, motor 200, controller 60, fuse 5; the 40 of everything else are no line.
    const upTo = (key: string) => so.get(key)?.sum;
    expect([upTo('donor'), upTo('motor'), upTo('controller'), upTo('fuse')]).toEqual([300, 500, 560, 565]);
    expect([...so.values()].at(-1)).toEqual({
      sum: ledger(told).known - 40,
      unpriced: ledger(told).unpriced,
    });
    expect(so.has('grease')).toBe(false);
    expect(so.get('motor')?.unpriced).toBe(0);
  });

  it('counts nothing that is not needed', () => {
    const told = say(say(build, 'fuse', { price: 5 }), 'fuse', {
      state: 'not-needed',
      reason: 'in the pack',
    });
    // Motor 200 and controller 60 are still to be bought.
    expect(ledger(told).toBuy).toBe(260);
  });
});

describe('the shopping list', () => {
  it('is what is still to be bought, by supplier, those without one last', () => {
    const told = say(say(build, 'fuse', { supplier: 'Ostler' }), 'grease', { supplier: 'Arden' });
    const lists = shoppingList(rowsOf(say(told, 'tape', { state: 'arrived' })));
    expect(lists.map((l) => l.supplier)).toEqual(['Arden', 'Ostler', '']);
    expect(lists.flatMap((l) => l.rows).some((r) => r.key === 'tape' || r.key === 'donor')).toBe(false);
  });
});

/** A table as a reader of separated values gives it. */
const read = ({ columns, rows }: ReturnType<typeof purchaseTable>) => ({
  columns,
  rows: rows.map((cells, i) => ({
    line: i + 2,
    cells: Object.fromEntries(columns.map((c, j) => [c, String(cells[j] ?? '')])),
  })),
});

describe('the list as a table', () => {
  it('comes back as edits of the same lines, and changes nothing when nothing was changed', () => {
    const table = read(purchaseTable(build, rowsOf(build)));
    expect(readPurchaseTable(build, rowsOf(build), table)).toMatchObject({ ok: true, value: { changed: 0 } });
    const edited = {
      ...table,
      rows: table.rows.map((r) =>
        r.cells['key'] === 'fuse'
          ? { ...r, cells: { ...r.cells, price: '7,25', state: 'ordered', supplier: 'Ostler' } }
          : r,
      ),
    };
    const back = readPurchaseTable(build, rowsOf(build), edited);
    if (!back.ok) throw new Error('refused');
    expect(back.value.changed).toBe(1);
    expect(row(back.value.build, 'fuse')).toMatchObject({ price: 7.25, state: 'ordered' });
  });

  it('is refused whole, and names each cell that cannot be used', () => {
    const table = read(purchaseTable(build, rowsOf(build)));
    const bad = {
      ...table,
      rows: table.rows.map((r, i) =>
        i === 0 ? { ...r, cells: { ...r.cells, price: 'dear', state: 'lost', lead_days: '1.5' } } : r,
      ),
    };
    const back = readPurchaseTable(build, rowsOf(build), {
      ...bad,
      rows: [...bad.rows, { line: 99, cells: { key: 'gold' } }],
    });
    expect(back.ok).toBe(false);
    if (!back.ok)
      expect(back.issues.map((i) => i.path)).toEqual([
        'line 2, state',
        'line 2, price',
        'line 2, lead_days',
        'line 99, key',
      ]);
    expect(readPurchaseTable(build, rowsOf(build), { columns: ['a'], rows: [] }).ok).toBe(false);
  });

  it('round-trips whatever was said', () => {
    const said = fc.record({
      state: fc.constantFrom(
        'needed' as const,
        'owned' as const,
        'ordered' as const,
        'arrived' as const,
        'fitted' as const,
      ),
      price: fc.option(fc.integer({ min: 0, max: 99_999 }).map((p) => p / 100)),
      supplier: fc.string({ maxLength: 20 }).map((s) => s.trim()),
      leadDays: fc.option(fc.integer({ min: 0, max: 400 })),
    });
    fc.assert(
      fc.property(fc.constantFrom('fuse', 'motor', 'tape'), said, (key, one) => {
        const told = say(build, key, one);
        const table = read(purchaseTable(told, rowsOf(told)));
        const back = readPurchaseTable(build, rowsOf(build), table);
        if (!back.ok) throw new Error('refused');
        expect(row(back.value.build, key)).toMatchObject({ state: one.state, price: one.price });
        expect(row(back.value.build, key).said.supplier).toBe(one.supplier);
      }),
      { numRuns: 15, seed: 20261128 },
    );
  });
});
