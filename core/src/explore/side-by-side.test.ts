import { describe, expect, it } from 'vitest';
import { readyMade } from '../document/money-plans.ts';
import { evaluate } from '../test/evaluate.ts';
import { longtail, tandem } from '../test/demo.ts';
import { leaderOf, sideBySide, stagesBeside, type Contestant } from './side-by-side.ts';

const build = (document: typeof longtail): Contestant => ({ kind: 'build', verdict: evaluate(document) });
const leaflet: Contestant = {
  kind: 'ready',
  ready: readyMade.parse({ price: 4290, massKg: 47.5, rangeKm: 60, features: ['warranty'] }),
};
const light = {
  ...longtail,
  donor: { ...longtail.donor, massKg: { source: 'measured' as const, value: 15 } },
};

describe('side by side', () => {
  const rows = sideBySide([build(longtail), build(light), build(tandem), leaflet]);
  const row = (id: string) => rows.find((r) => r.id === id);

  it('puts what differs most first, and what is level last', () => {
    const spreads = rows.map((r) => r.spread);
    expect(spreads).toEqual([...spreads].sort((a, b) => b - a));
    const twins = sideBySide([build(longtail), build(longtail)]);
    expect(twins.every((r) => r.spread === 0 && r.best.length === 0)).toBe(true);
  });

  it('marks the best, never one that is not known, and all that are level at the decimals shown', () => {
    expect(row('mass')?.best).toEqual([1]);
    expect(row('heat')?.cells[3]?.value).toBeUndefined();
    expect(row('heat')?.best).not.toContain(3);
    expect(row('price')?.cells[3]?.value).toBe(4290);
    const alike = sideBySide([build(longtail), build(longtail), build(light)]);
    expect(alike.find((r) => r.id === 'energy')?.best).toEqual([]);
    const slower = alike.find((r) => r.id === 'hill');
    expect(slower?.best).toEqual([2]);
  });

  it('says what a leaflet does not say, and how each stage stands', () => {
    expect(row('weakest')?.cells[3]).toMatchObject({ state: 'unknown', words: 'not on the leaflet' });
    expect(row('mended')?.cells.map((c) => c.state)).toEqual(['fine', 'fine', 'fine', 'look']);
    const stages = stagesBeside([build(longtail), leaflet]);
    expect(stages).toHaveLength(12);
    expect(stages.every((s) => s.cells[1]?.state === 'unknown')).toBe(true);
  });

  it('tells the bicycles themselves apart: what each costs, its fork, the room and the volts', () => {
    const priced = (price: number | null, forkKind: 'rigid' | 'suspension') => ({
      ...longtail,
      donor: { ...longtail.donor, forkMaterial: 'aluminium' as const, forkKind },
      purchase: {
        ...longtail.purchase,
        lines: { ...longtail.purchase.lines, donor: { ...longtail.purchase.lines['donor'], price } },
      },
    });
    const beside = sideBySide([
      build(priced(250, 'rigid') as typeof longtail),
      build(priced(900, 'suspension') as typeof longtail),
      leaflet,
    ]);
    const of = (id: string) => beside.find((r) => r.id === id);
    expect(of('donor')?.cells.map((c) => c.value)).toEqual([250, 900, undefined]);
    expect(of('donor')?.best).toEqual([0]);
    expect(of('fork')?.cells.map((c) => c.words)).toEqual([
      'aluminium, rigid',
      'aluminium, sprung',
      'not on the leaflet',
    ]);
    const packs = sideBySide([build(longtail), build(tandem)]);
    expect(packs.find((r) => r.id === 'volts')?.cells.map((c) => c.value)).toEqual([
      evaluate(longtail).known.packs[0].nominalV.value,
      evaluate(tandem).known.packs[0].nominalV.value,
    ]);
    expect(packs.find((r) => r.id === 'room')?.cells.every((c) => c.value !== undefined)).toBe(true);
  });

  it('leads who is best or level in most of what differs, if nobody else is as often', () => {
    const lead = leaderOf(rows);
    const counts = [0, 1, 2, 3].map((i) => rows.filter((r) => r.best.includes(i)).length);
    if (lead === undefined) expect(counts.filter((c) => c === Math.max(...counts)).length).toBeGreaterThan(1);
    else expect(counts[lead.index]).toBe(Math.max(...counts));
    expect(leaderOf(sideBySide([build(longtail), build(longtail)]))).toBeUndefined();
  });
});
