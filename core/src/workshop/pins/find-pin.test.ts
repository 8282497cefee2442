import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { findPins, type Found } from './find-pin.ts';
import type { PinReading } from './pin-reading.ts';
import { PLUG_TYPES, plugTypeOf, type PlugType } from './plug-types.ts';
import { spansOf, type PinRole, type Volts } from './spans.ts';

/** As the meter shows the pack now. */
const PACK: Volts = [48.8, 49.2];

/** One true plug: an order of its roles, with volts of its own within the spans, seeded. */
function truth(type: PlugType, random: () => number) {
  const variant = type.variants[Math.floor(random() * type.variants.length)] ?? [];
  const order = [...variant];
  for (let i = order.length - 1; i > 0; i -= 1) {
    const j = Math.floor(random() * (i + 1));
    const [a, b] = [order[i], order[j]];
    if (a !== undefined && b !== undefined) [order[i], order[j]] = [b, a];
  }
  const spans = spansOf(PACK);
  const packV = PACK[0] + random() * (PACK[1] - PACK[0]);
  const inside = ([low, high]: Volts): number => low + random() * (high - low);
  const pins = order.map((role) => {
    const isPack = role === 'pack' || role === 'lock';
    const rest = isPack ? packV : inside(spans[role].rest);
    if (!type.works.includes(role)) return { rest, lowest: rest, highest: rest };
    const fixed = (span: Volts): number =>
      span[0] === spans[role].rest[0] && span[1] === spans[role].rest[1] ? rest : inside(span);
    const [lowest, highest] = [fixed(spans[role].lowest), fixed(spans[role].highest)];
    return { rest, lowest: Math.min(lowest, rest), highest: Math.max(highest, rest) };
  });
  /** A meter off by half a percent and a digit. */
  const meter = (volts: number): number =>
    Math.round((volts * (1 + 0.005 * (2 * random() - 1)) + 0.01 * (2 * random() - 1)) * 100) / 100;
  const read = (red: number, black: number, state: PinReading['state']): PinReading => {
    const [a, b] = [pins[red], pins[black]];
    if (a === undefined || b === undefined) throw new Error('no pin');
    if (state === 'rest') {
      const volts = meter(a.rest - b.rest);
      return { red, black, state, low: volts, high: volts };
    }
    if (type.inTurn === true)
      return {
        red,
        black,
        state,
        low: meter(Math.min(a.lowest - b.rest, a.rest - b.highest)),
        high: meter(Math.max(a.highest - b.rest, a.rest - b.lowest)),
      };
    // Two that both move are out of step: the ends meet.
    return { red, black, state, low: meter(a.lowest - b.highest), high: meter(a.highest - b.lowest) };
  };
  return { order, read };
}

const plain = (role: PinRole): PinRole => (role === 'p1' ? 'p0' : role);

/** Asks as the solver says until it has no question. */
function solved(
  type: PlugType,
  random: () => number,
): { found: Found; readings: number; order: readonly PinRole[] } {
  const plug = truth(type, random);
  const readings: PinReading[] = [];
  let found = findPins(type, readings, PACK);
  while (found.kind === 'open' && found.next !== undefined && readings.length < 30) {
    const { red, black, state } = found.next;
    readings.push(plug.read(red, black, state));
    found = findPins(type, readings, PACK);
    if (found.kind === 'contradiction') break;
    for (const { pin, roles } of found.pins)
      if (!roles.includes(plain(plug.order[pin] ?? 'ground')))
        throw new Error(`the truth was ruled out on ${type.id}`);
  }
  return { found, readings: readings.length, order: plug.order };
}

const seeded = (seed: number): (() => number) => {
  let s = seed;
  return () => {
    s = (s * 1_664_525 + 1_013_904_223) % 4_294_967_296;
    return s / 4_294_967_296;
  };
};

describe('the pins of an unknown plug', () => {
  it.each(PLUG_TYPES.filter((t) => t.id !== 'nine'))(
    '$name: the true order is never ruled out, and is found in no more readings than pins less one, on the mean',
    (type) => {
      const random = seeded(20261128);
      const runs = 120;
      let sum = 0;
      let ended = 0;
      const pins = type.variants[0]?.length ?? 0;
      for (let i = 0; i < runs; i += 1) {
        const { found, readings } = solved(type, random);
        expect(found.kind).not.toBe('contradiction');
        sum += readings;
        if (found.kind === 'found') ended += 1;
        // Two that are alike to a meter are named as such.
        if (found.kind === 'alike') expect(found.alike.length).toBeGreaterThan(0);
        // Each wire against another once at rest and once at work is the most that there is to ask.
        expect(readings).toBeLessThanOrEqual(2 * (pins - 1));
      }
      expect(sum / runs).toBeLessThanOrEqual(Math.max(1, pins - 0.5));
      // Display and key lines stay alike at times; all others end with one order.
      if (!['display5', 'throttle6'].includes(type.id)) expect(ended).toBeGreaterThan(0.8 * runs);
    },
  );

  it('of nine are narrowed down, and the truth is kept', () => {
    const nine = plugTypeOf('nine');
    if (nine === undefined) throw new Error('nine');
    const random = seeded(7);
    for (let i = 0; i < 4; i += 1) {
      const { found, readings } = solved(nine, random);
      expect(found.kind).not.toBe('contradiction');
      if (found.kind !== 'contradiction') expect(found.left).toBeLessThan(20);
      expect(readings).toBeLessThanOrEqual(16);
    }
  });

  it('of a throttle are solved by typed readings, by hand', () => {
    // Brown 5.0, grey ground, violet the lever: brown to grey 4.95, brown to violet 4.1, at rest.
    const throttle = plugTypeOf('throttle3');
    if (throttle === undefined) throw new Error('throttle3');
    const rest = (red: number, black: number, volts: number): PinReading => ({
      red,
      black,
      state: 'rest',
      low: volts,
      high: volts,
    });
    const first = findPins(throttle, [rest(0, 1, 4.95)], PACK);
    expect(first).toMatchObject({ left: 1, kind: 'found' });
    const lever = findPins(throttle, [rest(0, 2, 4.1)], PACK);
    if (lever.kind === 'contradiction') throw new Error('contradiction');
    expect(lever.pins[0]?.roles).toEqual(['supply5']);
    expect(lever.pins[2]?.roles).toEqual(['throttle']);
  });

  it('are told fewer readings than in a fixed order', () => {
    const type = plugTypeOf('hall6');
    if (type === undefined) throw new Error('hall6');
    const [asked, fixed] = [seeded(5), seeded(5)];
    let [own, plainly] = [0, 0];
    for (let i = 0; i < 60; i += 1) {
      own += solved(type, asked).readings;
      const plug = truth(type, fixed);
      const readings: PinReading[] = [];
      const pairs = Array.from({ length: 6 }, (_, a) =>
        Array.from({ length: 5 - a }, (__, b) => [a, a + b + 1] as const),
      ).flat();
      for (const state of ['rest', 'action'] as const)
        for (const [a, b] of pairs) {
          const now = findPins(type, readings, PACK);
          if (now.kind === 'found') break;
          readings.push(plug.read(a, b, state));
        }
      plainly += readings.length;
    }
    expect(own).toBeLessThan(plainly);
  });

  it('that contradict each other name the reading to take again', () => {
    const type = plugTypeOf('torque4');
    if (type === undefined) throw new Error('torque4');
    const random = seeded(11);
    let noticed = 0;
    let right = 0;
    for (let i = 0; i < 60; i += 1) {
      const plug = truth(type, random);
      const readings = [
        plug.read(0, 1, 'rest'),
        plug.read(0, 2, 'rest'),
        plug.read(0, 3, 'rest'),
        plug.read(1, 2, 'rest'),
        plug.read(2, 3, 'rest'),
      ];
      const wrong = i % readings.length;
      // The probes turned round.
      const turned = readings.map((r, j) => (j === wrong ? { ...r, low: -r.low, high: -r.high } : r));
      const found = findPins(type, turned, PACK);
      if (found.kind !== 'contradiction') continue;
      noticed += 1;
      if (found.suspects.includes(wrong)) right += 1;
    }
    expect(noticed).toBeGreaterThan(30);
    expect(right).toBe(noticed);
  });

  it('warns where pack volts may stand between two of them', () => {
    const display = plugTypeOf('display5');
    if (display === undefined) throw new Error('display5');
    const found = findPins(display, [], PACK);
    expect(found.kind === 'open' && found.next?.packVolts).toBe(true);
    const throttle = plugTypeOf('throttle3');
    const safe = throttle === undefined ? undefined : findPins(throttle, [], PACK);
    expect(safe?.kind === 'open' && safe.next?.packVolts).toBe(false);
  });

  it('does not take a reading of a wire that is not there', () => {
    const [type] = PLUG_TYPES;
    if (type === undefined) throw new Error('none');
    fc.assert(
      fc.property(fc.integer({ min: 3, max: 20 }), (pin) => {
        expect(() => findPins(type, [{ red: 0, black: pin, state: 'rest', low: 0, high: 0 }], PACK)).toThrow(
          RangeError,
        );
      }),
      { numRuns: 10, seed: 1 },
    );
  });
});
