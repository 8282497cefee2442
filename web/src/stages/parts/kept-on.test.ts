import { describe, expect, it } from 'vitest';
import { evenHill, newBuild, rideRounds, type RoundsRidden } from '@apple-cart/core';
import { keptOn, rangeRoad, roadRange } from './kept-on.ts';

const shown = (value: number, unit: string) => ({ text: value.toFixed(0), unit });
const level = { ...evenHill('Quay', 2500, 0), andBack: true };
const ridden = rideRounds(newBuild('Build'), level);
/** Ridden as far as this before the pack was empty. */
const far = (metres: number, damageAfter?: number): RoundsRidden => ({
  ...ridden,
  reserve: 0.2,
  whole: { ...ridden.whole, metres },
  once: { ...ridden.once, damageAfter },
});

describe('what may be planned on a road', () => {
  it('keeps the reserve back and holds the rest against what is wanted', () => {
    expect(keptOn(level, far(50_000), 30)).toEqual({ km: 40, hot: false, state: 'fine', name: 'Quay' });
    expect(keptOn(level, far(50_000), 36).state).toBe('look');
    expect(keptOn(level, far(50_000), 40.1).state).toBe('stop');
  });

  it('is not to be ridden where something is harmed on the way, however far it would go', () => {
    const kept = keptOn(level, far(50_000, 600), 30);
    expect(kept.state).toBe('stop');
    expect(roadRange(kept, 30, shown)).toEqual({ words: 'too hot on Quay', state: 'stop' });
    // Too short and hot: the distance says it.
    expect(roadRange(keptOn(level, far(20_000, 600), 30), 30, shown).words).toBe('16 km on Quay');
  });

  it('is asked of the same round for the same road', () => {
    const road = evenHill('Up', 1000, 5);
    expect(rangeRoad(road)).toBe(rangeRoad(road));
    expect(rangeRoad(road).turned).toBe(true);
    expect(rangeRoad(level)).toEqual({ road: level, turned: false });
  });
});
