import { describe, expect, it } from 'vitest';
import { supplyAt } from '../machine/battery.ts';
import { cadenceRpm } from '../machine/driveline.ts';
import { assemble } from '../machine/assemble.ts';
import { roadForce } from '../machine/road-load.ts';
import { GearBox } from './gear-box.ts';
import { longtail } from '../test/demo.ts';

const machine = { ...assemble(longtail), heldGear: null };
const supply = supplyAt(machine.pack, 0.6);
const { cadenceMinRpm, cadenceMaxRpm } = machine.rider;

describe('the gear ridden in', () => {
  it('keeps the legs within reach at every speed where a gear does', () => {
    const box = new GearBox(machine, 'best');
    for (let v = 2; v < 6.5; v += 0.1) {
      const gear = box.choose(supply, v, roadForce(machine.road, v, 1), 2);
      const cadence = cadenceRpm(gear, v);
      const reachable = machine.gears.some((g) => {
        const c = cadenceRpm(g, v);
        return c >= cadenceMinRpm && c <= cadenceMaxRpm;
      });
      if (!reachable) continue;
      expect(cadence).toBeGreaterThanOrEqual(cadenceMinRpm);
      expect(cadence).toBeLessThanOrEqual(cadenceMaxRpm);
    }
  });

  it('is not changed at every moment: not within a second and a half, nor for nothing', () => {
    const box = new GearBox(machine, 'best');
    const first = box.choose(supply, 4, 60, 5);
    expect(box.choose(supply, 4.05, 61, 0.5)).toBe(first);
    expect(box.choose(supply, 4.05, 61, 5)).toBe(first);
  });

  it('is the one held, whatever the legs say', () => {
    const [lowest] = machine.gears;
    if (lowest === undefined) throw new Error('no gear');
    const box = new GearBox(machine, lowest);
    expect(box.choose(supply, 9, 50, 5)).toBe(lowest);
  });

  it('of a hub is the legs’ own: kept while it suits them, else the one nearest the middle of their span', () => {
    const hub = { ...machine, kind: 'geared-hub' as const };
    const box = new GearBox(hub, 'best');
    const gear = box.choose(supply, 5, 60, 1);
    const middle = (cadenceMinRpm + cadenceMaxRpm) / 2;
    const nearest = Math.min(...machine.gears.map((g) => Math.abs(cadenceRpm(g, 5) - middle)));
    expect(Math.abs(cadenceRpm(gear, 5) - middle)).toBeCloseTo(nearest, 9);
    expect(box.choose(supply, 5.1, 60, 9)).toBe(gear);
  });
});
