import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../document/document.ts';
import { tourer } from '../test/demo.ts';
import { evaluate } from '../test/evaluate.ts';
import { anyBuild, runs } from '../test/sample.ts';

const label = (value: number) => ({ source: 'label' as const, value });

/** The district nurse’s tourer, which is inside its class, with levels that part the speed up to an end of help. */
function toured(
  cutKmh: number,
  changes: { [S in 'controls' | 'controller']?: Partial<BuildDocument[S]> } = {},
): BuildDocument {
  return {
    ...tourer,
    controls: {
      ...tourer.controls,
      assistSensor: 'cadence',
      levelsBy: 'speed',
      levels: 5,
      throttle: 'none',
      ...changes.controls,
    },
    controller: {
      ...tourer.controller,
      limitsSpeed: true,
      assistCutoffKmh: label(cutKmh),
      ...changes.controller,
    },
  };
}
const outcomes = (build: BuildDocument) => evaluate(build).law.levels.map((one) => one.outcome);

describe('the class of a level', () => {
  it('is that of the build for the highest', () => {
    fc.assert(
      fc.property(anyBuild, (drawn) => {
        const { here, levels } = evaluate(drawn).law;
        if (levels.length > 0) expect(levels.at(-1)?.outcome).toBe(here.outcome);
      }),
      runs(20),
    );
  });

  // Regulation (EU) 168/2013, 2(2)(h), and SI 1983/1168: help ends at 25 and at 15.5 mph (24.9 km/h).
  it('parts at the speed where help has to end: 45 in five steps leaves 9 and 18 inside', () => {
    const classes = outcomes(toured(45));
    expect(classes).toHaveLength(5);
    for (const within of classes.slice(0, 2)) expect(['inside', 'check']).toContain(within);
    for (const above of classes.slice(2)) expect(['outside', 'other-class']).toContain(above);
  });

  it('does not become surer by a share of what nobody has said', () => {
    const unsaid = toured(25, {
      controls: { levelsBy: 'amps' },
      controller: { batteryCurrentA: { source: 'unknown' } },
    });
    const { here, levels } = evaluate(unsaid).law;
    for (const one of levels) expect(one.outcome).toBe(here.outcome);
  });

  it('is no less behind a hand control, which gives all at every level', () => {
    const hand = toured(45, { controls: { throttle: 'full' } });
    const { here, levels } = evaluate(hand).law;
    for (const one of levels) expect(one.outcome).toBe(here.outcome);
  });
});
