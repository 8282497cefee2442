import ICAL from 'ical.js';
import { describe, expect, it } from 'vitest';
import { longtail, tandem } from '../test/demo.ts';
import type { ChargeRecord, RideRecord, UpkeepRecord } from './ride-record.ts';
import { newRide } from './ride-record.ts';
import { batteryBook, capacityTold } from './battery-book.ts';
import { upkeepOf } from './upkeep.ts';
import { trulyRidden } from './measured.ts';
import { kmADay, upkeepDiary } from './upkeep-diary.ts';
import { firstPack } from '../machine/packs-aboard.ts';
import { chargeAtRest, supplyAt } from '../machine/battery.ts';
import { knownBuild } from '../document/known.ts';

const rides = (...km: number[]) =>
  km.map((distanceKm, i) => ({ on: `2026-03-0${String(i + 1)}`, distanceKm }));
const done = (task: string, on: string, km: number): UpkeepRecord => ({
  task,
  on,
  km,
  note: '',
  paid: null,
  who: 'R. Quince',
});

describe('upkeep', () => {
  it('asks for spokes after 50 km of a hub motor, then each 300 (common practice, no source)', () => {
    const at = (km: number, ...records: UpkeepRecord[]) =>
      upkeepOf(tandem, rides(km), records, '2026-03-02').rows.find((r) => r.task.key === 'spokes');
    expect(at(20)).toMatchObject({ state: 'soon', dueKm: 50, leftKm: 30 });
    expect(at(51)?.state).toBe('due');
    expect(at(51, done('spokes', '2026-03-01', 51))).toMatchObject({ state: 'later', dueKm: 351 });
    expect(at(352, done('spokes', '2026-03-01', 51))?.state).toBe('due');
  });

  it('asks a motor in the middle for its ring and, sooner, for its chain', () => {
    const keys = (build: typeof longtail) =>
      upkeepOf(build, rides(1), [], '2026-03-01').rows.map((r) => r.task.key);
    expect(keys(longtail)).toContain('lockring');
    expect(keys(longtail)).not.toContain('spokes');
    const chain = (build: typeof longtail) =>
      upkeepOf(build, rides(1), [], '2026-03-01').rows.find((r) => r.task.key === 'chain')?.dueKm;
    expect(chain(longtail)).toBeLessThan(chain(tandem) ?? 0);
  });

  it('asks a motor with brushes for its brushes, and no other', () => {
    const keysOf = (commutation: 'brushes' | 'electronic') =>
      upkeepOf(
        { ...longtail, drive: { ...longtail.drive, commutation } },
        rides(1),
        [],
        '2026-03-01',
      ).rows.map((r) => r.task.key);
    expect(keysOf('brushes')).toContain('motor-brushes');
    expect(keysOf('electronic')).not.toContain('motor-brushes');
  });

  it('asks an external drive for its mount and its own chain', () => {
    const external = { ...longtail, drive: { ...longtail.drive, kind: 'external' as const } };
    const keys = upkeepOf(external, rides(1), [], '2026-03-01').rows.map((r) => r.task.key);
    expect(keys).toContain('external');
    expect(keys).not.toContain('lockring');
    expect(upkeepOf(longtail, rides(1), [], '2026-03-01').rows.map((r) => r.task.key)).not.toContain(
      'external',
    );
  });

  it('counts what was truly ridden where Set up knows what the display shows too much', () => {
    const kept = (distanceKm: number | null, shownTimes: number | null) => ({
      ride: { on: '2026-03-01', distanceKm },
      told: { shownTimes },
    });
    const truly = trulyRidden([
      kept(40, 0.9),
      kept(20, null),
      kept(null, 0.9),
      { ...kept(5, null), told: undefined },
    ]);
    expect(truly.map((r) => r.distanceKm)).toEqual([36, 20, null, 5]);
    expect(upkeepOf(tandem, truly, [], '2026-03-02').km).toBe(61);
  });

  it('counts days too, and nothing before the first ride', () => {
    const rows = upkeepOf(tandem, rides(1), [], '2026-09-10').rows;
    expect(rows.find((r) => r.task.key === 'plugs')).toMatchObject({ state: 'due', dueOn: '2026-08-28' });
    expect(upkeepOf(tandem, [], [], '2026-09-10').rows.every((r) => r.state === 'unknown')).toBe(true);
  });

  it('comes out as a calendar that another library reads, the same twice', () => {
    const upkeep = upkeepOf(tandem, rides(30, 30), [], '2026-03-02');
    const pace = kmADay(rides(30, 30), '2026-03-02');
    expect(pace).toBeCloseTo(60 / 7, 6);
    const text = upkeepDiary('Choir tandem', 'job', upkeep, pace, '2026-03-02');
    expect(upkeepDiary('Choir tandem', 'job', upkeep, pace, '2026-03-02')).toBe(text);
    const events = new ICAL.Component(ICAL.parse(text) as unknown[]).getAllSubcomponents('vevent');
    expect(events).toHaveLength(upkeep.rows.length);
    const spokes = events.find((e) => String(e.getFirstPropertyValue('summary')).includes('Spokes'));
    // Due by now: it stands on today.
    expect(String(spokes?.getFirstPropertyValue('dtstart'))).toBe('2026-03-02');
    // 50 km is 31 miles.
    const unfolded = (file: string): string => file.replaceAll('\r\n ', '');
    expect(unfolded(text)).toMatch(/Due at 50\skm/);
    const american = unfolded(upkeepDiary('Choir tandem', 'job', upkeep, pace, '2026-03-02', 'imperial'));
    expect(american).toMatch(/Due at 31\smi/);
    expect(american).not.toMatch(/\skm/);
  });
});

describe('the battery book', () => {
  const pack = firstPack(longtail, knownBuild(longtail));
  const rest = (charge: number): number => supplyAt(pack, charge).openVolts;
  const charge = (more: Partial<ChargeRecord>): { key: string; data: ChargeRecord } => ({
    key: 'c',
    data: {
      on: '2026-03-01',
      pack: 0,
      voltsBefore: null,
      voltsAfter: null,
      energyWh: null,
      chargeAh: null,
      hours: null,
      untilPct: null,
      lowestV: null,
      highestV: null,
      note: '',
      who: 'R. Quince',
      simulated: false,
      ...more,
    },
  });

  it('knows the charge by the volts at rest, both ways', () => {
    for (const c of [0.1, 0.35, 0.6, 0.95]) expect(chargeAtRest(pack, rest(c))).toBeCloseTo(c, 6);
    expect(chargeAtRest(pack, 1000)).toBe(1);
    expect(chargeAtRest(pack, 0)).toBe(0);
  });

  it('tells the capacity from amp-hours between two rests, and not from too few of them', () => {
    const told = capacityTold(pack, 8, rest(0.4), rest(0.9));
    expect(told?.ah).toBeCloseTo(16, 3);
    expect(told?.sd).toBeGreaterThan(0.2);
    expect(capacityTold(pack, 2, rest(0.8), rest(0.9))).toBeUndefined();
    expect(capacityTold(pack, null, rest(0.4), rest(0.9))).toBeUndefined();
  });

  it('weighs charges and rides, keeps the spread and the habit', () => {
    const ride: RideRecord = newRide({
      kind: 'range',
      on: '2026-03-03',
      planVersion: 1,
      chargeAh: 9,
      voltsBefore: rest(0.95),
      voltsAfter: rest(0.35),
      packMohm: 140,
      pedalled: 'yes',
      who: 'R. Quince',
    });
    const charges = [
      charge({
        voltsBefore: rest(0.4),
        voltsAfter: rest(0.9),
        chargeAh: 8,
        untilPct: 85,
        lowestV: 4.0,
        highestV: 4.03,
      }),
      charge({ on: '2026-03-02', untilPct: 100 }),
    ];
    const book = batteryBook(longtail, 0, charges, [ride]);
    expect(book?.capacity?.ah).toBeGreaterThan(15);
    expect(book?.capacity?.ah).toBeLessThan(16);
    expect(book?.capacity?.from).toBe(2);
    expect(book?.rows[0]?.spreadV).toBeCloseTo(0.03, 9);
    expect(book?.untilPct).toBeCloseTo(92.5, 9);
    expect(book?.partial).toBe(1);
    expect(book?.resistances).toEqual([{ on: '2026-03-03', mohm: 140 }]);
    expect(batteryBook(longtail, 3, charges, [ride])).toBeUndefined();
  });

  it('tells no charge of a pack whose cells nobody has counted, and no share of a label that nobody has read', () => {
    const unknown = { source: 'unknown' } as const;
    const [first] = longtail.packs;
    const charges = [charge({ voltsBefore: rest(0.4), voltsAfter: rest(0.9), chargeAh: 8 })];
    const uncounted = { ...longtail, packs: [{ ...first, cellsInSeries: unknown }] as typeof longtail.packs };
    const book = batteryBook(uncounted, 0, charges, []);
    expect(book?.capacity).toBeUndefined();
    expect(book?.rows[0]?.from).toBeUndefined();
    const unread = { ...longtail, packs: [{ ...first, capacityAh: unknown }] as typeof longtail.packs };
    expect(batteryBook(unread, 0, charges, [])?.capacity).toMatchObject({ labelAh: undefined });
  });
});
