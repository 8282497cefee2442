import { describe, expect, it } from 'vitest';
import { longtail, tandem, trike } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';

describe('the range drawn against speed', () => {
  it.each([longtail, tandem, trike].map((build) => [build.name, build] as const))(
    '%s has none at a speed that legs at rest do not let it hold',
    (_name, build) => {
      const { chart } = evaluate(build).range;
      for (const p of chart)
        expect(p.nearKm > 0, `${String(p.kmh)} km/h`).toBe(p.restedWhPerKm !== undefined);
      // A motor through gears spends more on itself when slow; from 15 km/h on faster is never farther.
      const near = chart.filter((p) => p.kmh > 15).map((p) => p.nearKm);
      expect(near).toEqual(near.toSorted((a, b) => b - a));
    },
  );
});
