import { describe, expect, it } from 'vitest';
import { FRAME_STYLES } from '../frame/names.ts';
import { sample } from '../test/sample.ts';
import { comparePlaces } from './pack-places.ts';

const taken = { outline: 'measured' as const, bosses: [], bracketHeightMm: 285 };
const box = { boxLengthMm: 340, boxHeightMm: 86, boxWidthMm: 90, massKg: 6 };

describe('places for the pack', () => {
  const rows = comparePlaces(sample({ donor: taken, pack: box }));
  const of = (place: string) => {
    const found = rows.find((r) => r.place === place);
    if (found === undefined) throw new Error(place);
    return found;
  };

  it('are those of the frame, each with what stands nearest', () => {
    expect(rows.map((r) => r.place)).toEqual(['down-tube', 'seat-tube', 'behind-seat-tube', 'rear-rack']);
    expect(rows.filter((r) => r.here).map((r) => r.place)).toEqual(['down-tube']);
    // On a carrier nothing stands near.
    for (const row of rows) expect(row.nearest === undefined).toBe(row.place === 'rear-rack');
  });

  // Statics: 6 kg on the rack stand higher and further back than on the down tube.
  it('on the rack lift the centre of mass and take load off the front', () => {
    expect(of('rear-rack').centreUpMm).toBeGreaterThan(of('down-tube').centreUpMm + 10);
    expect(of('rear-rack').frontSharePct).toBeLessThan(of('down-tube').frontSharePct - 1);
    expect(of('rear-rack').liftPct).toBeLessThan(of('down-tube').liftPct);
  });

  it('say what is in the way, and what waits', () => {
    expect(of('down-tube')).toMatchObject({ state: 'fine', trouble: undefined });
    expect(of('rear-rack')).toMatchObject({ state: 'unknown', trouble: 'Load on the carrier' });
    const long = comparePlaces(sample({ donor: taken, pack: { ...box, boxLengthMm: 600 } }));
    expect(long.find((r) => r.place === 'down-tube')).toMatchObject({
      state: 'stop',
      trouble: 'Room round the pack',
    });
  });

  it('have the balance that was entered, where one was', () => {
    const entered = comparePlaces(
      sample({ donor: { ...taken, massHeightMm: 1000, massAheadMm: 450 }, pack: box }),
    );
    expect(new Set(entered.map((r) => r.centreUpMm))).toEqual(new Set([1000]));
  });

  it.each(FRAME_STYLES)('on a %s are at least one', (style) => {
    expect(comparePlaces(sample({ donor: { style } })).length).toBeGreaterThan(0);
  });
});
