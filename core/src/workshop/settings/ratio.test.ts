import { describe, expect, it } from 'vitest';
import { explainRatio, speedCauses, type SpeedFacts } from './ratio.ts';

const FACTS: SpeedFacts = {
  rolloutMm: 2174,
  polePairs: 23,
  reduction: 1,
  readRolloutMm: undefined,
  readPulses: undefined,
};
const GEARED: SpeedFacts = { ...FACTS, rolloutMm: 1570, polePairs: 8, reduction: 5 };

/** Numbers from a seed. Park and Miller, 1988; a normal draw by Box and Muller, 1958. */
function drawn(seed: number): { next: () => number; normal: () => number } {
  let state = seed;
  const next = (): number => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
  return { next, normal: () => Math.sqrt(-2 * Math.log(next())) * Math.cos(2 * Math.PI * next()) };
}

const ids = (e: { causes: readonly { id: string }[] }): string =>
  e.causes
    .map((c) => c.id)
    .sort()
    .join(' ');

describe('what explains a ratio', () => {
  it('names the usual ones (by hand)', () => {
    // 25 shown for 40.2 true: a mile for a kilometre.
    expect(ids(explainRatio(40.2 / 25, 0.01, FACTS)[0] ?? { causes: [] })).toBe('miles-as-km');
    // Half the speed: magnets for pairs before all others.
    expect(ids(explainRatio(2, 0.01, FACTS)[0] ?? { causes: [] })).toBe('magnets-for-pairs');
    // 2.22: 46 magnets for 23 pairs, and a smaller wheel.
    const [best] = explainRatio(2.22, 0.005, { ...FACTS, readRolloutMm: 1959, readPulses: 46 });
    expect(ids(best ?? { causes: [] })).toBe('poles-read roll-out-read');
    expect(best?.left).toBeCloseTo(1, 2);
    expect(ids(explainRatio(1.001, 0.01, FACTS)[0] ?? { causes: [] })).toBe('');
  });

  it('has a single cause in the first two nine times in ten, two in the first five three times in four, at one per cent of noise', () => {
    const random = drawn(20_261_128);
    for (const [count, first, least] of [
      [1, 2, 0.9],
      [2, 5, 0.75],
    ] as const) {
      let good = 0;
      const draws = 600;
      for (let i = 0; i < draws; i += 1) {
        const facts = i % 2 === 0 ? FACTS : GEARED;
        const causes = speedCauses(facts);
        const pick = () => causes[Math.floor(random.next() * causes.length)];
        const a = pick();
        let b = pick();
        while (count === 2 && (b === undefined || b.group === a?.group)) b = pick();
        const list = [a, ...(count === 2 ? [b] : [])].flatMap((c) => c ?? []);
        // What a cause makes is off by its own spread: a typed wheel against the tyre that is on.
        const ratio = list.reduce(
          (r, c) => r * c.factor * Math.exp(c.spread * random.normal()),
          Math.exp(0.01 * random.normal()),
        );
        const wanted = ids({ causes: list });
        if (
          explainRatio(ratio, 0.01, facts)
            .slice(0, first)
            .some((e) => ids(e) === wanted)
        )
          good += 1;
      }
      expect(good / draws, `${String(count)} causes`).toBeGreaterThanOrEqual(least);
    }
  });

  it('strikes out what was read back as right', () => {
    const read = { ...FACTS, readRolloutMm: 2174, readPulses: 23 };
    const causes = speedCauses(read).map((c) => c.setting);
    expect(causes).not.toContain('roll-out');
    expect(causes).not.toContain('poles');
    expect(ids(explainRatio(2, 0.01, read)[0] ?? { causes: [] })).toBe('one-magnet');
  });

  it('shares all it says among its explanations, never more than one', () => {
    for (const r of [0.3, 0.5, 0.9, 1, 1.6, 2.2, 3.7]) {
      const all = explainRatio(r, 0.01, GEARED);
      const sum = all.reduce((s, e) => s + e.share, 0);
      expect(sum).toBeLessThanOrEqual(1 + 1e-9);
      for (const e of all) expect(e.left * e.factor).toBeCloseTo(r, 9);
    }
  });
});
