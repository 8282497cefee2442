import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { withLine } from '../../document/purchase.ts';
import { part } from '../../parts/part.ts';
import { tandem } from '../../test/demo.ts';
import shelfFile from '../../../../demo/parts.json' with { type: 'json' };
import { evaluate } from '../../test/evaluate.ts';
import { parcelsOf, type Parcel } from './parcels.ts';

const TODAY = '2026-03-02';
const shelf = shelfFile.map((file) => part.parse(file));
const parcels = (build: BuildDocument): readonly Parcel[] =>
  parcelsOf(evaluate(build, shelf).list.rows, TODAY);
const leads = (list: readonly Parcel[]): readonly (readonly string[])[] =>
  list
    .map((p) => p.rows.filter((r) => r.key.startsWith('harness-wire/')).map((r) => r.key))
    .filter((keys) => keys.length > 0);

describe('what comes together', () => {
  it('are the leads of a harness, colour by colour, as long as nobody says from where', () => {
    expect(leads(parcels(tandem))).toEqual([
      ['rd', 'bk', 'ye', 'gn', 'bu', 'wh'].map((colour) => `harness-wire/0.22/${colour}`),
    ]);
  });

  it('are not those that are ordered elsewhere, or are there', () => {
    const red = 'harness-wire/0.22/rd';
    const ordered = withLine(tandem, red, { state: 'ordered', orderedOn: '2026-02-24', supplier: 'Ostler' });
    expect(leads(parcels(ordered)).map((keys) => keys.length)).toEqual([1, 5]);
    const there = parcels(withLine(tandem, red, { state: 'arrived' }));
    expect(leads(there).map((keys) => keys.length)).toEqual([5]);
  });

  it('is every line that comes, once, and nothing else', () => {
    const rows = evaluate(tandem, shelf).list.rows.filter(
      (r) => r.broughtBy === undefined && (r.state === 'needed' || r.state === 'ordered'),
    );
    const keys = parcels(tandem).flatMap((p) => p.rows.map((r) => r.key));
    expect(keys.toSorted()).toEqual(rows.map((r) => r.key).toSorted());
  });
});
