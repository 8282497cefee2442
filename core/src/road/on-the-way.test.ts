import { describe, expect, it } from 'vitest';
import { firstPack } from '../machine/packs-aboard.ts';
import { supplyAt } from '../machine/battery.ts';
import { knownBuild } from '../document/known.ts';
import { longtail } from '../test/demo.ts';
import { gaugeSeen, wayRows } from './on-the-way.ts';
import { newRide, rideRecord, type RideRecord, type WayReading } from './ride-record.ts';

const pack = firstPack(longtail, knownBuild(longtail));
const rest = (charge: number): number => supplyAt(pack, charge).openVolts;
const stop = (km: number, more: Partial<WayReading> = {}): WayReading => ({
  km,
  restV: null,
  gauge: null,
  windingC: null,
  ...more,
});
const ride = (way: readonly WayReading[], more: Partial<RideRecord> = {}): RideRecord =>
  newRide({
    kind: 'range',
    on: '2026-03-02',
    planVersion: 1,
    who: 'R.',
    distanceKm: 20,
    gaugeOf: 5,
    way: [...way],
    ...more,
  });
const asTyped = { shownTimes: null };
/** Full at the beginning, empty after 40 km, a winding that warms by 2 C a km from 20 C. */
const plan = {
  metres: [0, 10_000, 40_000],
  charge: [1, 0.75, 0],
  windingC: [20, 40, 100],
};

describe('what is read on the way', () => {
  it('is told from the volts at rest, beside what the plan had there', () => {
    const kept = { ride: ride([stop(10, { restV: rest(0.6), gauge: 3, windingC: 55 })]), told: asTyped };
    const [row] = wayRows(kept, pack, plan);
    expect(row).toMatchObject({ km: 10, toGoKm: 10, gauge: 3, gaugeShare: 0.6, planned: 0.75, plannedC: 40 });
    expect(row?.inPack).toBeCloseTo(0.6, 6);
    expect(row?.flatters).toBeUndefined();
  });

  it('says by how much a gauge flatters at the least: a bar stays until the next goes out', () => {
    const shows = (gauge: number, charge: number, gaugeOf: number) =>
      wayRows(
        { ride: ride([stop(5, { restV: rest(charge), gauge })], { gaugeOf }), told: asTyped },
        pack,
        plan,
      )[0]?.flatters;
    // Three of five bars stand for 40 to 60 %, or for 60 to 80 %: 25 % is 15 % short of the least of them.
    expect(shows(3, 0.25, 5)).toBeCloseTo(0.15, 6);
    expect(shows(3, 0.35, 5)).toBeUndefined();
    expect(shows(3, 0.95, 5)).toBeCloseTo(-0.15, 6);
    expect(shows(3, 0.75, 5)).toBeUndefined();
    // A gauge in per cent has no such room.
    expect(shows(60, 0.45, 100)).toBeCloseTo(0.14, 6);
    expect(shows(60, 0.55, 100)).toBeUndefined();
  });

  it('says nothing of what nobody read, of packs whose volts do not tell, and beyond the road of the plan', () => {
    const kept = { ride: ride([stop(50, { gauge: 2 }), stop(3)], { gaugeOf: null }), told: asTyped };
    const [first, second] = wayRows(kept, undefined, plan);
    expect(first).toMatchObject({ km: 3, toGoKm: 17, restV: null, gauge: null });
    expect(second).toMatchObject({ km: 50, gauge: 2 });
    for (const id of ['toGoKm', 'gaugeShare', 'inPack', 'planned', 'plannedC', 'flatters'] as const)
      expect(second?.[id], id).toBeUndefined();
  });

  it('has nothing to go where the display stood at the end, or a digit beyond it', () => {
    const way = wayRows({ ride: ride([stop(20), stop(20.04), stop(20.2)]), told: asTyped }, pack, plan);
    expect(way.map((row) => row.toGoKm)).toEqual([0, 0, undefined]);
  });

  it('is put right by what Set up knows of the display', () => {
    const [row] = wayRows({ ride: ride([stop(10)]), told: { shownTimes: 0.9 } }, pack, plan);
    expect(row?.km).toBeCloseTo(9, 9);
    expect(row?.toGoKm).toBeCloseTo(9, 9);
    expect(row?.planned).toBeCloseTo(0.775, 9);
  });

  it('gathers what a bar stood for over the rides, the fullest first', () => {
    const one = { ride: ride([stop(4, { gauge: 4 }), stop(12, { gauge: 1 })]), told: asTyped };
    const other = {
      ride: ride([stop(6, { gauge: 50 })], { gaugeOf: 100, on: '2026-03-05' }),
      told: undefined,
    };
    const seen = gaugeSeen([one, other], pack);
    expect(seen.map((s) => `${String(s.row.gauge)}/${String(s.gaugeOf)} ${s.on}`)).toEqual([
      '4/5 2026-03-02',
      '50/100 2026-03-05',
      '1/5 2026-03-02',
    ]);
    expect(gaugeSeen([{ ride: ride([stop(4)]), told: undefined }], pack)).toEqual([]);
  });

  it('reads rides from before stops could be noted, and refuses what no gauge shows', () => {
    const { way, gaugeOf, ...before } = ride([]);
    expect([way, gaugeOf]).toEqual([[], 5]);
    expect(rideRecord.parse(before)).toMatchObject({ way: [], gaugeOf: null });
    for (const odd of [
      { way: [stop(-1)] },
      { way: [stop(3, { gauge: 101 })] },
      { gaugeOf: 1 },
      { gaugeOf: 2.5 },
    ])
      expect(rideRecord.safeParse({ ...before, ...odd }).success, JSON.stringify(odd)).toBe(false);
  });
});
