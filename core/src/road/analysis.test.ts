import { describe, expect, it } from 'vitest';
import { analyzeLog } from './analysis.ts';
import { LogReader, guessLogColumns, headOf, logColumns, type LogColumns } from './columns.ts';
import { CHANNEL_IDS, CHANNELS, type Recording } from './channels.ts';
import { withReadings } from './measured.ts';
import { newRide, type RideRecord } from './ride-record.ts';

/**
 * Twelve rows worked by hand: a start, a climb, a roll with current coming back, a stop, and on. Derived; the sums stand beside
 * each expectation. Rows 2 s apart, but for the last, which comes after 20 s without one.
 */
const ROWS: readonly (readonly number[])[] = [
  // s, km, km/h, V, A, elevation m, winding C
  [0, 0, 0, 54, 0, 100, 15],
  [2, 0.005, 18, 52, 10, 100, 16],
  [4, 0.015, 18, 52, 10, 101, 17],
  [6, 0.025, 18, 50, 20, 104, 20],
  [8, 0.035, 18, 50, 20, 107, 24],
  [10, 0.045, 18, 50, 20, 110, 28],
  [12, 0.055, 18, 54, 0, 110, 30],
  [14, 0.065, 18, 55, -4, 107, 29],
  [16, 0.07, 0, 54, 0, 106, 29],
  [18, 0.07, 0, 54, 0, 106, 29],
  [20, 0.07, 0, 54, 0, 106, 29],
  [40, 0.08, 18, 54, 0, 106, 28],
];
const HEADS = [
  'Time (s)',
  'Distance (km)',
  'Speed km/h',
  'Battery voltage',
  'Battery current (A)',
  'Altitude m',
  'Motor temp °C',
];
const columns = (): LogColumns => {
  const guess = guessLogColumns(HEADS, ROWS[1]?.map(String) ?? [], ',');
  if (guess === undefined) throw new Error('not known');
  return guess;
};
function recorded(rows: readonly (readonly (number | string)[])[], as: LogColumns = columns()): Recording {
  const reader = new LogReader(as);
  for (const row of rows) expect(reader.take(row.map(String))).toBeUndefined();
  return reader.finish();
}

describe('a recording of twelve rows, worked by hand', () => {
  const a = analyzeLog(recorded(ROWS));

  it('says how far, how long, and what was missing', () => {
    expect(a.rows).toBe(12);
    expect(a.seconds).toBe(40);
    // 0.08 km by the counter; the 10 m of the gap are its own.
    expect(a.metres).toBeCloseTo(80, 9);
    expect(a.gapsS).toBe(20);
    // Mean speeds above 0.5 m/s: from 0 to 16 s.
    expect(a.movingS).toBe(16);
    expect(a.standingS).toBe(4);
    expect(a.topMs).toBeCloseTo(5, 6);
  });

  it('says what went out of the pack and back into it', () => {
    // W: 0 520 520 1000 1000 1000 0 -220 0 0 0. Means over 2 s: 260 520 760 1000 1000 500 -110 -110.
    expect(a.outWh).toBeCloseTo(((260 + 520 + 760 + 1000 + 1000 + 500) * 2) / 3600, 6);
    expect(a.backWh).toBeCloseTo(((110 + 110) * 2) / 3600, 6);
    // A: 5 10 15 20 20 10, back 2 2.
    expect(a.outAh).toBeCloseTo((80 * 2) / 3600, 9);
    expect(a.backAh).toBeCloseTo((4 * 2) / 3600, 9);
    expect(a.movingWh).toBeCloseTo(a.outWh - a.backWh, 9);
    expect(a.mostA).toBe(20);
    expect(a.least).toMatchObject({ volts: 50, amps: 20, atS: 6 });
  });

  it('finds the climb, the stop and the hottest', () => {
    // From 100 m at 5 m to 110 m at 55 m; the lowest place where it begins to rise is the second row.
    expect(a.climbs).toHaveLength(1);
    expect(a.climbs[0]).toMatchObject({ riseM: 10, seconds: 10 });
    expect(a.climbs[0]?.lengthM).toBeCloseTo(50, 6);
    // Means over 2 s: 520 760 1000 1000 500.
    expect(a.climbs[0]?.wh).toBeCloseTo((3780 * 2) / 3600, 6);
    expect(a.stops).toEqual([{ atM: 70, seconds: 24 }]);
    expect(a.hottest.windingC).toEqual({ c: 30, atS: 12 });
  });

  it('finds the resistance from the steps of current', () => {
    // dI 10 10 -20 -4 4: dV -2 -2 4 1 -1. R = (20+20+80+4+4)/(100+100+400+16+16) = 128/632.
    expect(a.packOhm?.steps).toBe(5);
    expect(a.packOhm?.ohm).toBeCloseTo(128 / 632, 6);
  });

  it('fills what nobody typed, and leaves what somebody did', () => {
    const ride: RideRecord = newRide({
      kind: 'everyday',
      on: '2026-03-02',
      planVersion: 1,
      distanceKm: 0.081,
      who: 'R. Quince',
    });
    const read = withReadings(ride, a);
    expect(read.distanceKm).toBe(0.081);
    expect(read.energyWh).toBeCloseTo(2.24, 2);
    expect(read.hottestC).toBe(30);
    expect(read.packMohm).toBeCloseTo(202.5, 1);
    expect(read.riderW).toBeNull();
  });
});

describe('a wheel that counts by the motor', () => {
  it('is pointed out where the track goes on while it coasts', () => {
    const rows = Array.from({ length: 60 }, (_, i) => [
      i,
      Math.min(i, 20) * 5,
      i < 20 ? 8 : 0,
      51 + (i * 5) / 111_195,
    ]);
    const as: LogColumns = {
      separator: ',',
      decimal: '.',
      heads: 1,
      time: { column: 0, as: 's' },
      channels: [
        { channel: 'distance', column: 1, unit: 'm' },
        { channel: 'amps', column: 2, unit: 'A' },
        { channel: 'latDeg', column: 3, unit: 'deg' },
        { channel: 'lonDeg', column: 4, unit: 'deg' },
      ],
    };
    const a = analyzeLog(
      recorded(
        rows.map((r) => [...r, 1]),
        as,
      ),
    );
    expect(a.trackM).toBeCloseTo(295, 0);
    expect(a.metres).toBe(100);
    expect(a.coasting?.wheelM).toBe(0);
    expect(a.coasting?.trackM).toBeGreaterThan(150);
  });
});

describe('columns of a table', () => {
  it('are known by their heads, with their units', () => {
    const { channels, time } = columns();
    expect(time).toEqual({ column: 0, as: 's' });
    expect(channels.map((c) => `${c.channel} ${c.unit}`)).toEqual([
      'distance km',
      'speed km/h',
      'volts V',
      'amps A',
      'elevation m',
      'windingC C',
    ]);
    expect(logColumns.safeParse(columns()).success).toBe(true);
  });

  it.each([
    ['timestamp', '2026-03-02T08:15:00Z', 'date'],
    ['Elapsed', '0:01:30', 'clock'],
    ['t_ms', '1500', 'ms'],
    ['time', '1772438100123', 'ms'],
    ['minutes', '1.5', 'min'],
  ])('tell the time of "%s" by %s', (head, cell, as) => {
    const guess = guessLogColumns(
      [head === 'minutes' ? 'time (minutes)' : head, 'speed mph'],
      [cell, '3'],
      ',',
    );
    expect(guess?.time.as ?? 's').toBe(head === 't_ms' ? 'ms' : as);
    expect(guess?.channels[0]).toMatchObject({ channel: 'speed', unit: 'mph' });
  });

  it('of ours are read back as they were written', () => {
    const heads = ['Time (s)', ...CHANNEL_IDS.map(headOf)];
    const guess = guessLogColumns(
      heads,
      heads.map(() => '1'),
      ',',
    );
    expect(guess?.channels.map((c) => [c.channel, c.unit])).toEqual(
      CHANNEL_IDS.map((id) => [id, CHANNELS[id].unit]),
    );
  });

  it('with decimal commas are read where something else parts them', () => {
    const guess = guessLogColumns(['Zeit time', 'volts'], ['0', '51,5'], ';');
    expect(guess?.decimal).toBe(',');
    const reader = new LogReader(guess as LogColumns);
    expect(reader.take(['0,5', '51,5'])).toBeUndefined();
    expect(reader.finish().columns.volts?.[0]).toBeCloseTo(51.5);
  });

  it('without a time or anything else known are not guessed', () => {
    expect(guessLogColumns(['speed'], ['1'], ',')).toBeUndefined();
    expect(guessLogColumns(['time', 'mood'], ['1', '2'], ',')).toBeUndefined();
  });
});

describe('rows that cannot be taken', () => {
  it.each([
    [['x', '1'], 'no time in "x"'],
    [['3', 'NaN'], 'is no number'],
    [['3', 'Infinity'], 'is no number'],
    [['3', '0x10'], 'is no number'],
    [['3', '1e999'], 'is no number'],
    [['1', '5'], 'runs backwards'],
    [['3', '900'], 'beyond what there is'],
  ])('%j: %s', (row, why) => {
    const guess = guessLogColumns(['time', 'volts'], ['0', '50'], ',') as LogColumns;
    const reader = new LogReader(guess);
    expect(reader.take(['2', '50'])).toBeUndefined();
    expect(reader.take(row)).toContain(why);
    expect(reader.rows).toBe(1);
    // Nothing said is no value, and no fault.
    expect(reader.take(['4', ''])).toBeUndefined();
    expect(reader.finish().columns.volts?.[1]).toBeNaN();
  });
});
