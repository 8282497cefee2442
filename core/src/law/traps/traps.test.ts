import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { judgeBook } from '../judge.ts';
import { shippedRules } from '../rules.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { evaluate } from '../../test/evaluate.ts';
import { sample } from '../../test/sample.ts';
import type { Trap } from './trap.ts';
import { traps } from './traps.ts';

type Changes = Parameters<typeof sample>[0];
const build = (
  changes: Changes = {},
  place = 'gb',
  kind: BuildDocument['drive']['kind'] = 'geared-hub',
): BuildDocument => {
  const one = sample(changes, kind);
  return { ...one, brief: { ...one.brief, place } };
};
function all(b: BuildDocument): readonly Trap[] {
  const { law } = evaluate(b);
  const facts = law.ways[0]?.facts;
  if (facts === undefined) throw new Error('no facts');
  return traps(b, facts, law.here, judgeBook(shippedRules(), law.ways));
}
const trap = (b: BuildDocument, code: string): Trap => {
  const found = all(b).find((t) => t.code === code);
  if (found === undefined) throw new Error(code);
  return found;
};
const words = (t: Trap): string => phraseText(t.detail).replaceAll('\u00a0', ' ');

describe('the usual mistakes', () => {
  it('are all held against every build, each with words', () => {
    const codes = all(build()).map((t) => t.code);
    expect(new Set(codes).size).toBe(codes.length);
    expect(codes).toEqual(
      expect.arrayContaining([
        'rating',
        'volts',
        'wheel',
        'switch',
        'throttle',
        'label',
        'mass',
        'brakes',
        'strict',
        'elsewhere',
        'kit',
        'status',
      ]),
    );
    for (const t of all(build())) expect(words(t).length, t.code).toBeGreaterThan(20);
  });

  it('tell input, rating and what is held apart: 48 V and 20 A are 960 W of input (48 x 20)', () => {
    const rated = build({
      pack: { nominalV: 48 },
      controller: { batteryCurrentA: 20, phaseCurrentA: 60 },
      drive: { ratedPowerW: 250 },
    });
    expect(words(trap(rated, 'rating'))).toContain('960 W of electrical input');
    expect(trap(rated, 'rating').state).toBe('look');
    expect(trap(build(), 'rating').state).toBe('unknown');
    // Where no class limits the rating there is nothing to look at.
    expect(trap(build({}, 'jp'), 'rating').state).toBe('fine');
  });

  it('say by how much the wheel in the controller is wrong: 2096 for 2312 makes 25 into 27.6 (2312 / 2096)', () => {
    const wrong = build({
      donor: { rolloutMm: 2312 },
      controller: { limitsSpeed: true, assistCutoffKmh: 25, setRolloutMm: 2096 },
    });
    expect(trap(wrong, 'wheel').state).toBe('stop');
    expect(words(trap(wrong, 'wheel'))).toContain('10.3 % too fast');
    expect(evaluate(wrong).law.ways[0]?.facts.assistEndKmh?.high).toBeCloseTo(27.58, 2);
    expect(
      trap(build({ donor: { rolloutMm: 2000 }, controller: { setRolloutMm: 2100 } }), 'wheel').state,
    ).toBe('look');
    expect(
      trap(build({ donor: { rolloutMm: 2100 }, controller: { setRolloutMm: 2100 } }), 'wheel').state,
    ).toBe('fine');
    expect(trap(build(), 'wheel').state).toBe('unknown');
  });

  it('see volts and gears raise the speed where nothing limits it', () => {
    expect(trap(build({ controller: { limitsSpeed: false } }), 'volts').state).toBe('look');
    expect(words(trap(build({ controller: { limitsSpeed: false } }, 'gb', 'mid-drive'), 'volts'))).toContain(
      'tallest gear',
    );
    expect(trap(build(), 'volts').state).toBe('fine');
    // A setting that the rider can switch to has no limit, or the throttle is not held by it.
    const street = { name: 'Off street', limitsSpeed: false, cutoffKmh: null, batteryA: null } as const;
    const switched = build({
      controller: { profiles: [{ ...street, throttle: 'same', reach: 'rider' }] },
    });
    expect(trap(switched, 'volts').state).toBe('look');
    expect(words(trap(switched, 'volts'))).toContain('in “Off street” nothing does');
    const free = build({
      controls: { assistSensor: 'cadence', throttle: 'full', limitHoldsThrottle: 'no' },
    });
    expect(words(trap(free, 'volts'))).toContain('does not hold the throttle');
  });

  it('see a way around the limit, and ask where nobody has said', () => {
    expect(trap(build({ controller: { lifted: 'yes' } }), 'switch').state).toBe('look');
    expect(trap(build(), 'switch').state).toBe('unknown');
    expect(trap(build({ controller: { lifted: 'no' } }), 'switch').state).toBe('fine');
  });

  it('stop for a throttle in a pedal-assist country, and only warn elsewhere', () => {
    const throttled = { controls: { throttle: 'full' as const }, drive: { ratedPowerW: 500 } };
    expect(trap(build(throttled, 'gb'), 'throttle').state).toBe('stop');
    expect(
      trap(
        build(
          {
            ...throttled,
            controls: { ...throttled.controls, classLabel: 'yes', pedalHelpStops: 'yes' },
          },
          'us-nc',
        ),
        'throttle',
      ).state,
    ).toBe('look');
    expect(trap(build(), 'throttle').state).toBe('fine');
  });

  it('hold the label against the settings', () => {
    const label = (speed: number, power: number) =>
      trap(
        build({
          drive: { ratedPowerW: 250 },
          controller: { assistCutoffKmh: 24.9 },
          controls: { classLabel: 'yes', labelSpeedKmh: speed, labelPowerW: power },
        }),
        'label',
      ).state;
    expect(label(25, 250)).toBe('fine');
    expect(label(20, 250)).toBe('stop');
    expect(label(25, 200)).toBe('stop');
    expect(trap(build({ controls: { classLabel: 'yes' } }), 'label').state).toBe('unknown');
    expect(trap(build({ controls: { classLabel: 'no' } }), 'label').state).toBe('look');
  });

  it('stop for a single brake, and say where a limit means less than', () => {
    expect(trap(build({ donor: { brakeFront: 'none', brakeRear: 'coaster' } }), 'brakes').state).toBe('stop');
    expect(
      trap(
        build({ donor: { brakeFront: 'rim', brakeRear: 'rim' }, controls: { brakeCutoffs: 'yes' } }),
        'brakes',
      ).state,
    ).toBe('fine');
    expect(trap(build({ drive: { ratedPowerW: 750 } }, 'us-fed'), 'strict').state).toBe('look');
    expect(words(trap(build({}, 'us-fed'), 'strict'))).toContain('fail at equality');
    // At most 6 km/h of walk help, by a default of 6: allowed there, and not known.
    const walking = build({ controls: { throttle: 'walk', walkCutoffKmh: { source: 'unknown' } } }, 'eu');
    expect(trap(walking, 'strict').state).toBe('look');
    expect(words(trap(walking, 'strict'))).toContain('which it allows');
    expect(words(trap(walking, 'strict'))).not.toContain('less than');
  });
});
