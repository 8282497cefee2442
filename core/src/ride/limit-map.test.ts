import { describe, expect, it } from 'vitest';
import { assemble } from '../machine/assemble.ts';
import { evenHill } from '../route/route.ts';
import { pace, ride } from '../test/rides.ts';
import { bearableC, continuousAt } from './continuous.ts';
import { limitMap } from './limit-map.ts';
import { longtail } from '../test/demo.ts';

const machineOf = (place: 'plate' | 'motor') => ({
  ...assemble({ ...longtail, controller: { ...longtail.controller, place } }),
  heldGear: null,
});
const machine = machineOf('plate');
const [gear] = machine.gears.filter((g) => g.cogTeeth === 26);
if (gear === undefined) throw new Error('no such cog');

describe('how long a point of the map is borne', () => {
  // Two-second heat steps, and the map's exact exponentials; in the shell, what the controller loses is there at once.
  it.each([
    ['plate', 0.03],
    ['motor', 0.08],
  ] as const)('is how long the ride at that speed on that grade bears it, controller %s', (place, within) => {
    const machine = machineOf(place);
    const v = 3.2;
    const [cell] = limitMap(machine, 0.5, gear, [v], [9]);
    expect(cell).toMatchObject({ reached: true });
    const level = { ...machine, road: { ...machine.road, headwind: 0 } };
    const one = ride(level, evenHill('', 100_000, 9), {
      pace: pace(v * 3.6),
      gear,
      charge: 0.5,
      draining: 'stays',
      speed: v,
      untilC: bearableC(machine),
      mostSeconds: 3 * 3600,
    });
    expect(one.ends).toBe('hot');
    expect(Math.abs((cell?.bears ?? 0) / one.seconds - 1)).toBeLessThan(within);
  });

  it('is for ever just where the power for ever is enough', () => {
    const v = 4;
    const { forceN } = continuousAt(machine, gear, v);
    const grades = Array.from({ length: 120 }, (_, i) => i * 0.1);
    const cells = limitMap(machine, 0.5, gear, [v], grades).filter((c) => c.reached);
    const lasting = cells.filter((c) => c.bears === undefined).at(-1);
    const weight = machine.road.massKg * 9.80665;
    // Force for ever and the legs hold this grade, less rolling and air (small angles; within half a per cent of grade).
    const legs = (machine.rider.powerW * machine.chainEfficiency) / v;
    const air = 0.5 * machine.road.airDensity * machine.road.cdaM2 * v * v;
    const byForce = 100 * ((forceN + legs - air) / weight - machine.road.crr);
    expect(Math.abs((lasting?.gradePct ?? 0) - byForce)).toBeLessThan(0.6);
  });
});
