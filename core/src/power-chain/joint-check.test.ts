import { describe, expect, it } from 'vitest';
import { evaluate } from '../test/evaluate.ts';
import { hub, pointOf } from '../test/bench-points.ts';
import type { Changes } from '../test/sample.ts';

const stateOf = (cabling: Changes['cabling']): string | undefined =>
  evaluate(hub({ cabling: cabling ?? {} })).study.powerChecks.find(({ id }) => id === 'joints')?.state;

// Common practice, no source: crimped, soldered, or one after the other.
describe('how contacts are put onto the leads', () => {
  it('is fine in either school on copper, and nothing is said before it is decided', () => {
    for (const joints of ['crimped', 'soldered', 'both'] as const)
      expect(stateOf({ joints }), joints).toBe('fine');
    expect(stateOf({ joints: 'unknown' })).toBeUndefined();
  });

  it('solder does not wet aluminium, and a hot ring melts it', () => {
    expect(stateOf({ joints: 'soldered', conductor: 'aluminium' })).toBe('look');
    expect(stateOf({ joints: 'both', conductor: 'copper-clad' })).toBe('look');
    expect(stateOf({ joints: 'crimped', conductor: 'aluminium' })).toBe('fine');
    expect(stateOf({ joints: 'soldered', passes: ['rings'] })).toBe('look');
    expect(stateOf({ joints: 'both', passes: ['rings'] })).toBe('fine');
  });

  it('decides what the bench looks at, and what nobody has decided is looked at all the same', () => {
    const items = (joints: 'unknown' | 'crimped' | 'soldered' | 'both'): string =>
      JSON.stringify(pointOf(hub({ cabling: { joints } }), 'cold/joints').evidence);
    expect(items('crimped')).toMatch(/pulled by hand/);
    expect(items('crimped')).not.toMatch(/older/);
    expect(items('soldered')).toMatch(/no grey or cold one/);
    expect(items('both')).toMatch(/never tinned/);
    expect(items('unknown')).toMatch(/pulled by hand/);
  });
});
