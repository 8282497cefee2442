import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { shippedRules } from '../law/rules.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild, knownInUse } from '../document/known.ts';
import { withQuantity } from '../document/quantity-at.ts';
import { phraseText } from '../quantity/phrase.ts';
import { anyBuild, sample, runs } from '../test/sample.ts';
import { evaluate } from '../test/evaluate.ts';
import { worstState } from '../check/state.ts';
import { type Figure, type FigureId } from './figure.ts';
import { LIMITS } from '../machine/limits.ts';
import { LIMIT_WORDS, limitQuantity } from '../ride/limit-words.ts';

type Changes = Parameters<typeof sample>[0];
function figureOf(build: BuildDocument, id: FigureId): Figure {
  const found = evaluate(build).figures.find((f) => f.id === id);
  if (found === undefined) throw new Error(id);
  return found;
}
const figure = (id: FigureId, changes: Changes = {}, kind?: Parameters<typeof sample>[1]): Figure => {
  // Some motor is chosen: without one the figures are those of a usual one, and promise nothing.
  const meant = { ...changes, drive: { name: 'Hub', ...changes.drive } };
  return figureOf(sample(meant, kind), id);
};
const words = (f: Figure): string => phraseText(f.condition);
/** The same machine with all that decides on a hill read, as large as its defaults: else another value of it might turn the answer. */
function asRead(id: FigureId, changes: Changes = {}): Figure {
  const build = sample({ ...changes, drive: { name: 'Hub', ...changes.drive } });
  const read = knownInUse(build, knownBuild(build))
    .filter(
      ({ source, path }) => source === 'unknown' && /^(drive|controller|donor|packs|gearing)/.test(path),
    )
    .reduce((b, { path, value }) => withQuantity(b, path, { source: 'measured', value }), build);
  return figureOf(read, id);
}

describe('top speed', () => {
  it('is fine at the cruising speed and a look below it', () => {
    expect(figure('top-speed', { brief: { cruiseSpeedKmh: 20 } }).state).toBe('fine');
    expect(figure('top-speed', { brief: { cruiseSpeedKmh: 35 } }).state).toBe('look');
  });

  it('says at what charge, what binds on the level, and when that is assumed', () => {
    expect(words(figure('top-speed'))).toBe('half charge, speed limit (assumed)');
    expect(words(figure('top-speed', { controller: { limitsSpeed: false }, drive: { kvRpmPerV: 25 } }))).toBe(
      'half charge, voltage',
    );
  });
});

describe('the test hill', () => {
  it('names the hill and its grade', () => {
    expect(words(asRead('hill', { brief: { hillName: 'Crate Lane', hillGradePct: 9 } }))).toBe(
      'Crate Lane, 9.0\u00a0%',
    );
  });

  it('stalls in words, not in a number', () => {
    const wall = figure('hill', {
      brief: { hillGradePct: 40, riderMassKg: 150 },
      controller: { phaseCurrentA: 15 },
    });
    expect(wall).toMatchObject({ value: undefined, words: 'Stalls', state: 'stop' });
    expect(wall.working.steps[0]?.label).toBe('Force at standstill');
  });

  it('does not climb what the heat of the motor stops on the way, at whatever speed it sets out', () => {
    const held: Changes = {
      drive: { windingSensor: 'yes' },
      brief: { hillGradePct: 14, hillLengthM: 2000, hillName: 'Crate Lane' },
    };
    const hot = figure('hill', held);
    expect(hot).toMatchObject({ value: undefined, words: 'Stalls, hot', state: 'stop' });
    expect(words(hot)).toMatch(/^held back by heat, stands after [\d.]+\smin of [\d.]+$/);
    expect(figure('heat', held).state).toBe('stop');
    const short = { ...held, brief: { ...held.brief, hillLengthM: 800 } };
    expect(figure('hill', short)).toMatchObject({ words: undefined });
    expect(figure('heat', short).state).not.toBe('stop');
    const whole = evaluate(sample({ ...held, drive: { name: 'Hub', windingSensor: 'yes' } }));
    expect(whole.stages.find((s) => s.id === 'hill')).toMatchObject({ state: 'stop' });
    expect(whole.findings.find((f) => f.code === 'climbs-for-minutes')?.state).toBe('stop');
  });

  it('asks for a lower gear of a motor that pulls through the gears alone, and for fluid where there is a gap for it', () => {
    const hot: Changes = {
      brief: { hillGradePct: 14, hillLengthM: 2000 },
      controller: { batteryCurrentA: 45 },
    };
    const says = (changes: Changes, kind: 'geared-hub' | 'mid-drive') => {
      const whole = evaluate(sample({ ...hot, ...changes, drive: { name: 'One', ...changes?.drive } }, kind));
      const found = whole.findings.find((f) => f.code === 'climbs-for-minutes');
      return phraseText(found?.detail ?? []);
    };
    expect(says({}, 'geared-hub')).toMatch(/\. Less current, air-gap fluid or a pause lets it last/);
    expect(says({ drive: { fluid: true, fluidFactor: 1.05 } }, 'geared-hub')).toMatch(
      /\. Less current or a pause/,
    );
    const middle = says({ drive: { resistanceOhm: 0.4 }, controller: { phaseCurrentA: 60 } }, 'mid-drive');
    expect(middle).toMatch(/\. A lower gear, less (phase )?current/);
  });

  it('below walking pace wants a look on two wheels, not on three (common practice)', () => {
    const donor = { massKg: 15, crr: 0.008, cdaM2: 0.55 };
    const slow: Changes = {
      brief: { hillGradePct: 8, hillLengthM: 100, riderMassKg: 130 },
      controller: { batteryCurrentA: 7, phaseCurrentA: 100 },
      donor,
    };
    const two = asRead('hill', slow);
    expect(two.value).toBeLessThan(6);
    expect(two.state).toBe('look');
    expect(asRead('hill', { ...slow, donor: { ...donor, style: 'trike', wheelCount: 3 } }).state).toBe(
      'fine',
    );
  });
});

describe('the start', () => {
  it('stops where the hill is steeper than it can start on, and looks where it is near', () => {
    const start = asRead('start').value ?? 0;
    expect(asRead('start', { brief: { hillGradePct: start - 6 } }).state).toBe('fine');
    expect(asRead('start', { brief: { hillGradePct: start - 1 } }).state).toBe('look');
    expect(asRead('start', { brief: { hillGradePct: start + 1 } }).state).toBe('stop');
  });

  it('says which of three things decides', () => {
    expect(words(asRead('start'))).toContain('force at rest');
    expect(words(asRead('start', { donor: { tyreGrip: 0.05 } }))).toContain('tyre grip');
    const tall: Changes = { donor: { massAheadMm: 60, massHeightMm: 1500, tyreGrip: 1 } };
    expect(words(asRead('start', tall))).toContain('front wheel lifts');
  });
});

describe('range', () => {
  it.each(['range', 'consumption'] as const)(
    'names in the working of %s by what it is ridden, and what the legs give of themselves',
    (id) => {
      const rows = (throttle: 'full' | 'none') => {
        const build = sample({
          controls: { assistSensor: 'cadence', throttle, throttleSharePct: { source: 'unknown' } },
        });
        return evaluate(build).figures.find((f) => f.id === id)?.working.inputs ?? [];
      };
      const share = rows('full').find(({ symbol }) => symbol === 'phi');
      expect([share?.value, share?.source]).toEqual([20, 'unknown']);
      const given = (throttle: 'full' | 'none') =>
        rows(throttle).find(({ label }) => label.startsWith('Given of'))?.value;
      // 0.6 behind the sensor, all of it on the fifth by the hand.
      expect(given('full')).toBeCloseTo(68, 9);
      expect(given('none')).toBeCloseTo(60, 9);
      expect(rows('none').some(({ symbol }) => symbol === 'phi')).toBe(false);
    },
  );

  it('is fine when the near end reaches, a look when only the far end does, a stop when none does', () => {
    const { value: near = 0, upTo: far = 0 } = figure('range');
    expect(figure('range', { brief: { distanceKm: near - 1 } }).state).toBe('fine');
    expect(figure('range', { brief: { distanceKm: near + 1 } }).state).toBe('look');
    expect(figure('range', { brief: { distanceKm: far + 1 } }).state).toBe('stop');
  });

  it('is what the machine gives where the speed is not held, and says so', () => {
    const slower = figure('range', { brief: { cruiseSpeedKmh: 45, distanceKm: 5 } });
    expect(slower.value).toBeGreaterThan(10);
    expect(slower.state).toBe('look');
    expect(words(slower)).toMatch(/^at 24\.\d\u00a0km\/h at most, not 45\u00a0km\/h$/);
    expect(figure('consumption', { brief: { cruiseSpeedKmh: 45 } })).toMatchObject({ state: 'look' });
  });

  it('is none, in words, only for a machine that does not move', () => {
    const none = figure('range', {
      controls: { throttle: 'none', assistSensor: 'none' },
      brief: { riderPowerW: 0 },
    });
    expect(none).toMatchObject({ value: undefined, words: 'None', state: 'stop' });
  });

  it('says how far in all where the wanted speed is held for a part of the charge only', () => {
    const near = figure('range', {
      controller: { limitsSpeed: false, batteryCurrentA: 30 },
      brief: { cruiseSpeedKmh: 34, riderPowerW: 40 },
    });
    expect(words(near)).toMatch(/^at 34\u00a0km\/h; \d+\u00a0km in all$/);
  });

  it('always says what it leaves out', () => {
    expect(figure('range').working.leftOut.join(' ')).toContain('15 % off');
  });
});

describe('class', () => {
  const settled: Changes = {
    drive: { ratedPowerW: 250 },
    controller: { assistCutoffKmh: 24.9, assistTaperKmh: 1, lifted: 'no' },
    controls: { pedalHelpStops: 'yes', classLabel: 'yes' },
  };

  it.each([
    ['inside', settled, 'EAPC', 'fine', 'inside, Great Britain'],
    [
      'to check',
      { ...settled, controller: { ...settled.controller, assistCutoffKmh: 25 } },
      'EAPC',
      'look',
      '1 to check, GB',
    ],
    ['not to tell', { ...settled, drive: {} }, 'Cannot tell', 'unknown', 'Continuous rated power'],
    [
      'in a class that needs approval',
      { ...settled, brief: { place: 'eu' }, drive: { ratedPowerW: 500 } },
      'L1e-A',
      'stop',
      'approval needed, EU',
    ],
    [
      'in one that needs approval, or past that too',
      { ...settled, brief: { place: 'eu' }, drive: { ratedPowerW: 500 }, controller: { lifted: 'no' } },
      'L1e-A',
      'stop',
      'approval at best, EU',
    ],
    ['outside', { ...settled, drive: { ratedPowerW: 1000 } }, 'Motor vehicle', 'stop', '1 clause broken, GB'],
  ] as const)('is said when it is %s', (_name, changes, name, state, condition) => {
    const found = figure('class', changes);
    expect(found).toMatchObject({ words: name, state });
    expect(words(found)).toBe(condition);
  });

  it('counts in tray, list and working by one class, for any build in any place', () => {
    fc.assert(
      fc.property(anyBuild, fc.constantFrom(...shippedRules().map((p) => p.id)), (any, place) => {
        const { figures, law, stages } = evaluate({ ...any, brief: { ...any.brief, place } });
        const found = figures.find((f) => f.id === 'class');
        const rows = (state: string): number =>
          found?.working.steps.filter((s) => s.label.endsWith(`: ${state}`)).length ?? NaN;
        expect(rows('fail')).toBe(law.here.failing.length);
        expect(rows('unknown') + rows('check')).toBe(law.here.unsettled.length);
        if (law.here.outcome === 'outside' && law.here.failing.length > 0)
          expect(stages.find((s) => s.id === 'law')?.words).toBe(`outside by ${String(rows('fail'))}`);
      }),
      runs(80),
    );
  });

  it('carries every clause in its working, with source and certainty', () => {
    const { steps } = figure('class', settled).working;
    expect(steps.length).toBeGreaterThan(6);
    for (const step of steps) expect(step.origin).toMatch(/certainty (high|medium|low)/);
  });
});

describe('limits', () => {
  it('all have a name, and a quantity or a reason for none', () => {
    const { known } = evaluate(sample());
    for (const limit of LIMITS) {
      expect(LIMIT_WORDS[limit]).not.toBe('');
      const quantity = limitQuantity(limit, known);
      if (!['voltage', 'pack-power', 'no-motor'].includes(limit)) expect(quantity?.value).toBeGreaterThan(0);
    }
  });
});

describe('worstState', () => {
  it('puts stop before unknown before look before fine', () => {
    expect(worstState(['fine', 'look', 'unknown', 'stop'])).toBe('stop');
    expect(worstState(['fine', 'unknown', 'look'])).toBe('unknown');
    expect(worstState(['look', 'fine'])).toBe('look');
    expect(worstState([])).toBe('fine');
  });
});

describe('hottest winding', () => {
  it('stops for damage on the hill, asks for a look where twice the hill is too much, and is fine beyond', () => {
    const hot = { drive: { windingSensor: 'no' as const }, brief: { hillGradePct: 12 } };
    const length = (hillLengthM: number) => ({ ...hot, brief: { ...hot.brief, hillLengthM } });
    expect(asRead('heat', length(60)).state).toBe('fine');
    expect(asRead('heat', length(9000)).state).toBe('stop');
    const states = [60, 300, 700, 1200, 2000, 4000, 9000].map((m) => asRead('heat', length(m)).state);
    expect(states).toContain('look');
    // The longer the hill the worse.
    const rank = { fine: 0, look: 1, unknown: 1, stop: 2 } as const;
    const ranks = states.map((s) => rank[s]);
    expect([...ranks].sort()).toEqual(ranks);
  });

  it('says how long the climb is borne, or that it is never too hot', () => {
    expect(words(asRead('heat', { brief: { hillGradePct: 10 } }))).toMatch(
      /^[\d.]+\smin asked, [\d.]+ borne$/,
    );
    expect(words(asRead('heat', { brief: { hillGradePct: 0.5 } }))).toBe('lasts: never too hot');
  });

  it('of a machine that stalls has no temperature, and says what a stalled motor does', () => {
    const stalled = figure('heat', {
      brief: { hillGradePct: 40, riderPowerW: 0 },
      controller: { phaseCurrentA: 5 },
    });
    expect(stalled).toMatchObject({ state: 'stop', value: undefined, words: 'Stalls' });
  });

  it('shows fluid and sensor in its working only where there are any', () => {
    const labels = (changes: Parameters<typeof figure>[1]): string =>
      figure('heat', changes)
        .working.inputs.map((row) => row.label)
        .join('; ');
    expect(labels({})).not.toMatch(/Fluid|Controller holds back/);
    expect(labels({ drive: { fluid: true, windingSensor: 'yes' } })).toMatch(/Fluid.*holds back from/);
  });
});
