import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { evaluate } from '../../test/evaluate.ts';
import { bandOf, hub, keysOf, leadAcid, pointOf } from '../../test/bench-points.ts';
import { sample } from '../../test/sample.ts';
import { tandem } from '../../test/demo.ts';
import { askedOfUsed } from '../parts-list/arrival.ts';
import {
  purchaseTable,
  readPurchaseTable,
  shoppingList,
  shoppingText,
  withSaid,
  type Said,
} from '../parts-list/shopping.ts';

const say = (build: BuildDocument, key: string, said: Said): BuildDocument => {
  const row = evaluate(build).list.rows.find((r) => r.key === key);
  if (row === undefined) throw new Error(key);
  return withSaid(build, row, said);
};
const itemsOf = (build: BuildDocument, key: string): string => {
  const { evidence } = pointOf(build, key);
  return evidence.kind === 'ticks' ? evidence.items.join('\n') : '';
};
const plain = hub();
const unknown = { source: 'unknown' } as const;

// Common practice, no source: thread, rotor, missing cap, case of a new pack.
describe('what comes is looked at on the bench before it is fitted', () => {
  it('motor by thread and cap, pack by its case, controller by its label, small parts by name', () => {
    expect(itemsOf(plain, 'inspection/came-motor')).toMatch(/threads neither bent nor crossed\n.*cap/i);
    expect(itemsOf(plain, 'pack/came')).toMatch(/swollen, dented/);
    expect(pointOf(plain, 'pack/came')).toMatchObject({ guards: true });
    expect(itemsOf(plain, 'cold/came-controller')).toMatch(/on its label as ordered/);
    expect(itemsOf(sample({ drive: { name: 'Hub', torqueArms: 1 } }), 'inspection/came')).toMatch(
      /Torque arm.*: Fits the flats without play/,
    );
    expect(itemsOf(plain, 'cold/came')).toMatch(/Copper, not coated aluminium/);
    // The bench reads the fuse and works throttle and levers by themselves.
    expect(itemsOf(plain, 'cold/came')).not.toMatch(/Fuse|Throttle|lever/);
    expect(itemsOf(leadAcid, 'pack/came')).toMatch(/dented/);
  });

  it('each pack by itself, and cells with their board where the pack is made here', () => {
    expect(keysOf(tandem).filter((key) => /^pack\/came/.test(key))).toHaveLength(tandem.packs.length);
    const own = sample({ drive: { name: 'Hub' }, pack: { make: 'cells' } });
    expect(itemsOf(own, 'pack/came')).toMatch(/: None dented[^]*Balance leads/);
  });

  it('nothing that stays of the donor, or that nobody wants any more', () => {
    const kept = { ...plain, donor: { ...plain.donor, keeps: ['motor' as const, 'controller' as const] } };
    expect(keysOf(kept)).not.toContain('inspection/came-motor');
    expect(keysOf(kept)).not.toContain('cold/came-controller');
    const off = say(plain, 'controller', { state: 'not-needed', reason: 'in the motor' });
    expect(keysOf(off)).not.toContain('cold/came-controller');
  });
});

describe('a thing that was used before', () => {
  const used = say(plain, 'motor', { secondHand: true });

  it('is looked at more closely, and is another thing to the bench', () => {
    expect(itemsOf(plain, 'inspection/came-motor')).not.toMatch(/Ohms from phase to phase/);
    expect(itemsOf(used, 'inspection/came-motor')).toMatch(/Ohms from phase to phase alike/);
    expect(pointOf(used, 'inspection/came-motor').how).toMatch(/before it is paid for/);
    expect(pointOf(used, 'inspection/came-motor').part).not.toBe(
      pointOf(plain, 'inspection/came-motor').part,
    );
  });

  it('makes what comes along in its box as old as it is', () => {
    const kit: BuildDocument = {
      ...used,
      purchase: { ...used.purchase, brings: { motor: { controller: 1 }, pack: null } },
    };
    expect(itemsOf(kit, 'cold/came-controller')).toMatch(/by the diode range/);
    expect(itemsOf(used, 'cold/came-controller')).not.toMatch(/by the diode range/);
  });

  it('stands on the shopping list with what to look at before it is paid for, and goes out and in as a table', () => {
    const { list, study } = evaluate(used);
    expect(shoppingText('Job', shoppingList(list.rows), study)).toMatch(/\[ \] second-hand: Bearings/);
    const { columns, rows } = purchaseTable(plain, evaluate(plain).list.rows);
    const edited = {
      columns,
      rows: rows.map((cells, i) => ({
        line: i + 2,
        cells: Object.fromEntries(
          columns.map((c, k) => [c, c === 'second_hand' && cells[0] === 'motor' ? 'Yes' : String(cells[k])]),
        ),
      })),
    };
    const back = readPurchaseTable(plain, evaluate(plain).list.rows, edited);
    expect(back.ok && back.value.changed).toBe(1);
    expect(back.ok && back.value.build.purchase.lines['motor']?.secondHand).toBe(true);
    const wrong = edited.rows.map((r) => ({ ...r, cells: { ...r.cells, second_hand: 'perhaps' } }));
    expect(readPurchaseTable(plain, evaluate(plain).list.rows, { columns, rows: wrong }).ok).toBe(false);
  });

  it('a used pack is not counted as a new one in silence: its age or what it holds is asked for', () => {
    const asked = (build: BuildDocument): string => {
      const { list, known } = evaluate(build);
      const row = list.rows.find(({ key }) => key === 'pack');
      return row === undefined ? '' : askedOfUsed(row, list.rows, known);
    };
    const bought = (pack: Parameters<typeof hub>[0]): BuildDocument =>
      say(hub(pack), 'pack', { secondHand: true });
    expect(asked(plain)).toBe('');
    expect(asked(bought({ pack: { ageYears: unknown, healthPct: unknown } }))).toMatch(/neither its age/);
    expect(asked(bought({ pack: { healthPct: { source: 'assumed', value: 100 } } }))).toMatch(
      /counts on 100 %.*as of a new one/,
    );
    expect(asked(bought({ pack: { ageYears: 4, healthPct: unknown } }))).toBe('');
    // And the bench asks what it still holds: by hand 20 Ah at 80 %, less a twentieth.
    const old = bought({ pack: { capacityAh: 20, healthPct: 80 } });
    expect(keysOf(plain)).not.toContain('pack/capacity');
    expect(bandOf(old, 'pack/capacity')[0]).toBeCloseTo(15.2, 9);
  });
});
