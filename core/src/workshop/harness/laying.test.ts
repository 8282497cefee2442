import { describe, expect, it } from 'vitest';
import { NOTHING_MEASURED } from '../../document/harness.ts';
import { courier, longtail, tandem, tourer, trike } from '../../test/demo.ts';
import { wiring } from '../../test/harnesses.ts';
import { layingOf, layingOfAll } from './laying.ts';

const ids = (build: typeof tandem, key: string): readonly string[] => {
  const wire = wiring(build).wires.find((w) => w.cable.key === key);
  if (wire === undefined) throw new Error(key);
  return layingOf({ build, ...wire }).map((one) => one.id);
};

describe('how a cable is laid', () => {
  it('follows from its way: short phases, a loop at the head, a joint out of the wet', () => {
    // The tandem's phase leads are 410 mm too short for their measured way.
    expect(ids(tandem, 'motor-phases')).toEqual(['phases', 'joint', 'relief', 'rattle']);
    expect(ids(tandem, 'display-controller')).toContain('loop');
    expect(ids(tandem, 'display-controller')).not.toContain('joint');
    expect(ids(tandem, 'motor-halls')).not.toContain('loop');
    // A front lamp turns with the fork, a rear one does not.
    expect(ids(tandem, 'accessory-1-supply')).toContain('loop');
    expect(ids(tandem, 'accessory-2-supply')).not.toContain('loop');
  });

  it('asks for a cord through a tube, and a cover that opens to its plugs, only where it passes a hole', () => {
    const drilled = {
      ...tandem,
      harness: {
        ...tandem.harness,
        cables: { ...tandem.harness.cables, 'display-controller': { ...NOTHING_MEASURED, holeMm: 9 } },
      },
    };
    for (const id of ['tube', 'cover']) {
      expect(ids(tandem, 'display-controller')).not.toContain(id);
      expect(ids(drilled, 'display-controller')).toContain(id);
    }
  });

  it.each([courier, longtail, tandem, tourer, trike].map((b) => [b.name, b] as const))(
    'of %s says each rule once, for the cables that it is for, and nothing of the charger’s',
    (_, build) => {
      const { wires } = wiring(build);
      const all = layingOfAll(build, wires);
      expect(new Set(all.map((one) => one.id)).size).toBe(all.length);
      const charging = wires.filter((w) => w.cable.toComponent.startsWith('charger'));
      expect(charging.length).toBeGreaterThan(0);
      for (const wire of charging) expect(layingOf({ build, ...wire })).toEqual([]);
      for (const { id, cables } of all)
        for (const wire of wires)
          expect(cables.includes(wire.cable.number)).toBe(
            layingOf({ build, ...wire }).some((one) => one.id === id),
          );
    },
  );
});
