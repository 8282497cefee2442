import { describe, expect, it } from 'vitest';
import { firstOf } from '../quantity/first-of.ts';
import { beyondRoad, cutRecording, cutRide } from './cut.ts';
import { analyzeLog } from './analysis.ts';
import type { Recording } from './channels.ts';
import { withReadings } from './measured.ts';
import { newRide, rideRecord } from './ride-record.ts';

/**
 * A logger that stood for 60 s, was ridden 2,000 m at 5 m/s with 100 W from the pack, and then went home on a car: 6,500 m at 20 m/s
 * with nothing drawn. A row a second, by hand.
 */
const LOG: Recording = (() => {
  const seconds = Array.from({ length: 786 }, (_, i) => i);
  const speed = seconds.map((t) =>
    firstOf(
      [
        [t <= 60, 0],
        [t <= 460, 5],
      ],
      20,
    ),
  );
  const distance = seconds.map((t) => 5 * Math.min(400, Math.max(0, t - 60)) + 20 * Math.max(0, t - 460));
  const ridden = seconds.map((t) => t > 60 && t <= 460);
  return {
    seconds: Float64Array.from(seconds),
    columns: {
      speed: Float64Array.from(speed),
      distance: Float64Array.from(distance),
      volts: Float64Array.from(seconds, () => 50),
      amps: Float64Array.from(ridden, (on) => (on ? 2 : 0)),
      windingC: Float64Array.from(seconds, (t) => (t <= 460 ? 20 + t / 20 : 60)),
    },
  };
})();
const RIDE = newRide({ kind: 'range', on: '2026-03-02', planVersion: 1, who: 'L. Ladder' });
const WHOLE = withReadings(RIDE, analyzeLog(LOG));

describe('a recording that is longer than its road', () => {
  it('is told with what of it is the ride: from where it rolled, as far as the road is long', () => {
    expect(beyondRoad(LOG, 2000)).toEqual({ fromM: 0, toM: 2000 });
    expect(beyondRoad(LOG, 8500)).toBeUndefined();
    // A little longer than the road is the road, ridden a little beside its line; four times along it is along it.
    expect(beyondRoad(LOG, 8300)).toBeUndefined();
    expect(beyondRoad(LOG, 8500 / 4)).toBeUndefined();
    expect(beyondRoad(LOG, 20_000)).toBeUndefined();
    expect(beyondRoad(LOG, 0)).toBeUndefined();
    expect(beyondRoad(LOG, NaN)).toBeUndefined();
  });
});

describe('a ride that is cut', () => {
  const cut = cutRide(WHOLE, LOG, { fromM: 0, toM: 2000 });

  it('counts what is left of its recording alone (by hand: 2 km, 400 s, 100 W: 11.1 Wh)', () => {
    expect(WHOLE.distanceKm).toBeCloseTo(8.5, 2);
    expect(cut.cutFromS).toBe(60);
    expect(cut.cutToS).toBe(460);
    expect(cut.distanceKm).toBeCloseTo(2, 2);
    expect(cut.minutes).toBeCloseTo(400 / 60, 1);
    expect(cut.energyWh).toBeCloseTo((100 * 400) / 3600, 1);
    expect(cut.topKmh).toBeCloseTo(18, 1);
    expect(cut.hottestC).toBeCloseTo(43, 0);
    expect(rideRecord.safeParse(cut).success).toBe(true);
  });

  it('keeps what a person typed, whatever the recording says', () => {
    const typed = cutRide({ ...WHOLE, energyWh: 40, voltsBefore: 54.2 }, LOG, { fromM: 0, toM: 2000 });
    expect(typed.energyWh).toBe(40);
    expect(typed.voltsBefore).toBe(54.2);
    expect(typed.distanceKm).toBeCloseTo(2, 2);
  });

  it('is whole again once the cut is taken back', () => {
    const back = cutRide(cut, LOG, undefined);
    expect(back).toEqual({ ...WHOLE, cutFromS: null, cutToS: null });
  });

  it('has a clock of its own, and the rows between its ends', () => {
    const part = cutRecording(LOG, cut);
    expect(part.seconds[0]).toBe(0);
    expect(part.seconds.at(-1)).toBe(400);
    expect(part.columns.volts?.length).toBe(part.seconds.length);
    expect(analyzeLog(part).metres).toBeCloseTo(2000, 0);
    expect(cutRecording(LOG, WHOLE)).toBe(LOG);
  });

  it('that leaves nothing is a recording without rows, and no broken number', () => {
    const none = cutRecording(LOG, { cutFromS: 9000, cutToS: 9100 });
    expect(none.seconds.length).toBe(0);
    expect(JSON.stringify(cutRide(WHOLE, LOG, { fromM: 9e6, toM: 9e6 }))).not.toMatch(/NaN/);
  });

  it('was never cut where an older record says nothing of it', () => {
    const older = Object.fromEntries(Object.entries(WHOLE).filter(([key]) => !key.startsWith('cut')));
    const read = rideRecord.parse(older);
    expect([read.cutFromS, read.cutToS]).toEqual([null, null]);
  });
});
