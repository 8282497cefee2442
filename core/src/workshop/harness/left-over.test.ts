import { describe, expect, it } from 'vitest';
import shelfFile from '../../../../demo/parts.json' with { type: 'json' };
import type { BuildDocument } from '../../document/document.ts';
import { LEFT_OVER_WORKS, leftOverAs, type LeftOver, type LeftOverWork } from '../../document/harness.ts';
import { readBuild } from '../../document/read.ts';
import { applyPart } from '../../parts/apply-part.ts';
import { part } from '../../parts/part.ts';
import { evaluate } from '../../test/evaluate.ts';
import { hub, keysOf, pointOf } from '../../test/bench-points.ts';
import { sample, type Changes } from '../../test/sample.ts';
import { leftOverRows, offeredLeftOver } from './left-over.ts';

/** A machine with one lead noted. */
const noted = (work: LeftOverWork, told: Partial<LeftOver>, changes: Changes = {}): BuildDocument => {
  const build = hub(changes);
  return {
    ...build,
    harness: { ...build.harness, leftOver: { 'one-1': { ...leftOverAs(work), ...told } } },
  };
};
const stateOf = (...args: Parameters<typeof noted>): string => leftOverRows(noted(...args))[0]?.state ?? '';
const wordsOf = (...args: Parameters<typeof noted>): string => leftOverRows(noted(...args))[0]?.words ?? '';

// Common practice, no source.
describe('what hangs from a controller and the plan joins nothing to', () => {
  it('is fine in no kind before somebody has looked', () => {
    for (const work of LEFT_OVER_WORKS) {
      expect(stateOf(work, {}), work).toBe('unknown');
      expect(stateOf(work, { ends: 'open' }), work).toBe('unknown');
      // What tells a display its speed is all right once somebody has looked.
      if (work !== 'speed') expect(stateOf(work, { ends: 'joined' }), work).not.toBe('fine');
    }
  });

  it('open, it has each contact covered; bare with the volts of a pack on it stops', () => {
    expect(stateOf('lamp', { ends: 'open', covered: 'yes' })).toBe('fine');
    expect(stateOf('lamp', { ends: 'open', covered: 'no' })).toBe('look');
    expect(stateOf('lamp', { ends: 'open', covered: 'no', volts: 5 })).toBe('look');
    expect(stateOf('lamp', { ends: 'open', covered: 'no', volts: 48 })).toBe('stop');
  });

  it('one that lifts the limit of the plan stops it, and is no news where the plan has none', () => {
    const limited = { controller: { limitsSpeed: true, lifted: 'no' as const } };
    expect(stateOf('limit', { ends: 'joined', limit: 'lifted' }, limited)).toBe('stop');
    expect(wordsOf('limit', { ends: 'joined', limit: 'lifted' }, limited)).toMatch(/another class/);
    expect(stateOf('limit', { limit: 'lifted' }, { controller: { limitsSpeed: false } })).toBe('fine');
  });

  it('an acting limit agrees with what Law is told of it: sealed and not to be lifted, or to be looked at', () => {
    const at = (lifted: 'yes' | 'no' | 'unknown', covered: 'yes' | 'no' | 'unknown'): string =>
      stateOf('limit', { limit: 'acts', covered }, { controller: { limitsSpeed: true, lifted } });
    expect(at('no', 'yes')).toBe('fine');
    expect(at('no', 'unknown')).toBe('look');
    expect(at('no', 'no')).toBe('look');
    expect(at('unknown', 'yes')).toBe('unknown');
    expect(at('unknown', 'unknown')).toBe('unknown');
    expect(at('yes', 'yes')).toBe('look');
  });

  it('joined, each is held against what the plan says elsewhere', () => {
    const cruise = (brakeCutoffs: 'yes' | 'no'): string =>
      stateOf('cruise', { ends: 'joined' }, { controls: { brakeCutoffs } });
    expect(cruise('no')).toBe('stop');
    expect(cruise('yes')).toBe('look');
    expect(stateOf('reverse', { ends: 'joined' })).toBe('look');
    expect(stateOf('reverse', { ends: 'joined' }, { donor: { wheelCount: 3 } })).toBe('unknown');
    expect(stateOf('learn', { ends: 'joined' })).toBe('look');
    expect(stateOf('steps', { ends: 'joined' })).toBe('look');
    expect(stateOf('brake-high', { ends: 'joined', volts: 12 })).toBe('fine');
    expect(stateOf('lamp', { ends: 'joined', volts: 6 })).toBe('fine');
  });
});

describe('a left-over plug goes through the rest', () => {
  const bare = noted('lamp', { ends: 'open', covered: 'no', volts: 48, name: 'red, black' });

  it('stops the wiring stage and the card, is looked at on the bench, and is read back', () => {
    const { findings, stages } = evaluate(bare);
    expect(findings.find(({ code }) => code === 'left-over-one-1')).toMatchObject({
      stage: 'wire',
      state: 'stop',
      title: expect.stringContaining('Lamp out, red, black: 48 V') as string,
    });
    expect(stages.find(({ id }) => id === 'wire')?.state).toBe('stop');
    expect(pointOf(bare, 'cold/left-over').evidence).toMatchObject({
      items: [expect.stringMatching(/^Lamp out, red, black: open/) as string],
    });
    expect(keysOf(hub())).not.toContain('cold/left-over');
    const read = readBuild(JSON.parse(JSON.stringify(bare)));
    expect(read.ok && read.value.harness.leftOver).toEqual(bare.harness.leftOver);
  });

  it('is a tick of its own on the bench, also where two have one name', () => {
    const two: BuildDocument = {
      ...bare,
      harness: {
        ...bare.harness,
        leftOver: { 'other-1': leftOverAs('other'), 'other-2': leftOverAs('other') },
      },
    };
    expect(pointOf(two, 'cold/left-over').evidence).toMatchObject({
      items: ['Something else (1): as it is found', 'Something else (2): as it is found'],
    });
  });

  it('goes with the controller that it hangs from', () => {
    const shelf = shelfFile.map((file) => part.parse(file));
    const other = shelf.find(({ type }) => type === 'controller');
    if (other === undefined) throw new Error('no controller on the shelf');
    const named = { ...bare, controller: { ...bare.controller, name: 'Old box' } };
    expect(applyPart(named, other).harness.leftOver).toEqual({});
  });

  it('is offered once, something else again and again', () => {
    expect(offeredLeftOver(bare)).not.toContain('lamp');
    expect(offeredLeftOver(noted('other', {}))).toContain('other');
    expect(offeredLeftOver(sample())).toEqual(LEFT_OVER_WORKS);
  });
});
