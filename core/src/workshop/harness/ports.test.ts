import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_SEEN, PIN_WORKS, PLUG_SHAPES, type PortDocument } from '../../document/harness.ts';
import { longtail, tandem, trike } from '../../test/demo.ts';
import { sample } from '../../test/sample.ts';
import { harnessOf, type Cable } from './components.ts';
import { facesOfPair } from './plug-face.ts';
import { plugFindings, plugState } from './plug-rules.ts';
import { restAsUsual, usualPort } from './ports.ts';

const PACK = [39, 54.6] as const;
const hub = sample({ drive: { name: 'Hub' }, controls: { throttle: 'full' } });
const cableOf = (build: BuildDocument, key: string): Cable => {
  const found = harnessOf(build).cables.find((c) => c.key === key);
  if (found === undefined) throw new Error(key);
  return found;
};
const halves = (
  build: BuildDocument,
  key: string,
  from: Partial<PortDocument>,
  to: Partial<PortDocument>,
): Cable => {
  const cable = cableOf(build, key);
  const ports = {
    ...build.harness.ports,
    [cable.from.key]: { ...NOTHING_SEEN, ...from },
    [cable.to.key]: { ...NOTHING_SEEN, ...to },
  };
  return cableOf({ ...build, harness: { ...build.harness, ports } }, key);
};
const usualHalves = (build: BuildDocument, key: string): readonly [PortDocument, PortDocument] => {
  const { spec } = cableOf(build, key);
  return [
    usualPort(spec.set, spec.plug, spec.from.sex, false),
    usualPort(spec.set, spec.plug, spec.to.sex, true),
  ];
};
const stateOf = (cable: Cable): string => plugState(plugFindings(cable, PACK));

describe('a plug half as far as it is said', () => {
  it('is not looked at because its cable, its contacts, its name or its face was typed', () => {
    for (const { key } of harnessOf(hub).cables) {
      const [from, to] = usualHalves(hub, key);
      expect(stateOf(halves(hub, key, from, to)), key).toBe('fine');
      for (const said of [
        { tailMm: 900 },
        { tailMm2: 2.5 },
        { plug: from.plug },
        { shape: 'row' as const },
      ]) {
        expect(stateOf(halves(hub, key, said, said)), key).toBe('unknown');
        expect(stateOf(halves(hub, key, from, said)), key).toBe('unknown');
      }
      const sexes = halves(hub, key, { sex: from.sex }, { sex: to.sex });
      expect(stateOf(sexes), key).toBe('unknown');
      expect(sexes.from.pins.map((p) => p.work)).toEqual(cableOf(hub, key).from.pins.map((p) => p.work));
    }
  });

  it('accuses nobody by what is only usual', () => {
    const [from] = usualHalves(hub, 'motor-halls');
    const [a, b, c, ...rest] = from.pins;
    if (a === undefined || b === undefined || c === undefined) throw new Error('six pins');
    // Another order, another count, another name: only the other half can tell whether it meets its like.
    for (const said of [
      { pins: [c, b, a, ...rest] },
      { pins: [...rest] },
      { plug: 'round six, notch between 1 and 6' },
      { sex: 'sockets' as const },
    ]) {
      const found = plugFindings(halves(hub, 'motor-halls', { ...from, ...said }, {}), PACK);
      expect(found.map((f) => f.state)).toEqual(['unknown']);
      expect(found[0]?.words).toContain('Nobody has looked at the half at controller yet');
    }
  });

  it('is joined by an adapter whatever its family and its contacts, before anybody has looked at its pins', () => {
    const [from] = usualHalves(hub, 'motor-halls');
    const other = { plug: 'round six', sex: from.sex };
    const bare = halves(hub, 'motor-halls', from, other);
    expect(plugFindings(bare, PACK).map((f) => f.rule)).toEqual(
      expect.arrayContaining(['same-sex', 'other-family']),
    );
    const joined = { ...bare, spec: { ...bare.spec, adapter: true } };
    expect(plugFindings(joined, PACK).map((f) => f.rule)).not.toContain('other-family');
    expect(plugFindings(joined, PACK).map((f) => f.rule)).not.toContain('same-sex');
    expect(stateOf(joined)).not.toBe('fine');
  });

  it('says what is not said: contacts that can be seen, pins that nobody knows', () => {
    const [from, to] = usualHalves(hub, 'motor-halls');
    const told = (cable: Cable): readonly string[] => plugFindings(cable, PACK).map((f) => f.words);
    expect(told(halves(hub, 'motor-halls', { ...from, sex: 'unknown' }, to))).toEqual([
      'Whether these halves have pins or sockets is not said.',
    ]);
    const [first, ...rest] = from.pins;
    if (first === undefined) throw new Error('a pin');
    const open = { ...from, pins: [{ ...first, work: 'unknown' as const }, ...rest] };
    expect(told(halves(hub, 'motor-halls', open, to))).toEqual(['The work of some pins is not known.']);
  });

  it('keeps what was said where the rest is as usual', () => {
    const usual = usualPort('halls', 'sensor plug', 'pins', false);
    expect(restAsUsual(NOTHING_SEEN, usual)).toEqual(usual);
    expect(restAsUsual({ ...NOTHING_SEEN, sex: 'sockets', tailMm: 900 }, usual)).toEqual({
      ...usual,
      sex: 'sockets',
      tailMm: 900,
    });
    const pins: PortDocument['pins'] = [
      { work: 'unknown', colour: 'VT' },
      { work: 'hall-c', colour: '' },
    ];
    expect(restAsUsual({ ...NOTHING_SEEN, pins }, usual).pins).toEqual([
      { work: 'supply5', colour: 'VT' },
      { work: 'hall-c', colour: '' },
    ]);
  });

  it('never turns fine by saying less of a half', () => {
    const keys = [longtail, tandem, trike, hub].flatMap((build) =>
      harnessOf(build).cables.map((c) => [build, c.key] as const),
    );
    fc.assert(
      fc.property(
        fc.constantFrom(...keys),
        fc.array(fc.constantFrom(...PIN_WORKS), { minLength: 1, maxLength: 6 }),
        fc.boolean(),
        ([build, key], works, near) => {
          const [from, to] = usualHalves(build, key);
          const drawn = { ...from, pins: works.map((work) => ({ work, colour: '' as const })) };
          const [a, b] = near ? [drawn, to] : [from, { ...to, pins: drawn.pins }];
          expect(stateOf(halves(build, key, { ...a, pins: [] }, b))).not.toBe('fine');
          expect(stateOf(halves(build, key, a, { ...b, pins: [] }))).not.toBe('fine');
          expect(stateOf(halves(build, key, { ...a, sex: 'unknown' }, b))).not.toBe('fine');
        },
      ),
      { numRuns: 200, seed: 17 },
    );
  });
});

describe('the open faces of a plug pair', () => {
  it('are those of the six sensor contacts: from the left in the sockets, mirrored in the pins', () => {
    const [from, to] = usualHalves(hub, 'motor-halls');
    const shape = 'two-rows';
    const faces = facesOfPair(
      halves(hub, 'motor-halls', { ...from, sex: 'sockets', shape }, { ...to, sex: 'pins' }),
    );
    const rows = (face: typeof faces.from): readonly (readonly number[])[] =>
      [-0.5, 0.5].map((y) =>
        face.contacts
          .filter((c) => c.y === y)
          .toSorted((p, q) => p.x - q.x)
          .map((c) => c.pin),
      );
    expect(rows(faces.from)).toEqual([
      [1, 2, 3],
      [4, 5, 6],
    ]);
    expect(rows(faces.to)).toEqual([
      [3, 2, 1],
      [6, 5, 4],
    ]);
    expect(faces.from.assumed).toBe(false);
    expect(facesOfPair(cableOf(hub, 'motor-halls')).from.assumed).toBe(true);
  });

  it('lay equal numbers on each other when the halves are pushed together, and no two contacts on one place', () => {
    fc.assert(
      fc.property(
        fc.constantFrom(...PLUG_SHAPES),
        fc.integer({ min: 1, max: 16 }),
        fc.constantFrom('pins', 'sockets', 'bare', 'unknown'),
        (shape, count, sex) => {
          const pins = Array.from({ length: count }, () => ({ work: 'none' as const, colour: '' as const }));
          const { from, to } = facesOfPair(
            halves(hub, 'motor-halls', { pins, sex }, { pins, shape, sex: 'sockets' }),
          );
          const gaps = from.contacts.flatMap((p, i) =>
            from.contacts.slice(i + 1).map((q) => Math.hypot(p.x - q.x, p.y - q.y)),
          );
          expect(Math.min(1, ...gaps)).toBeGreaterThan(0.99);
          for (const face of [from, to])
            for (const { x, y } of face.contacts) {
              expect(Math.abs(x) + 0.49).toBeLessThan(face.halfWide);
              expect(Math.abs(y) + 0.49).toBeLessThan(face.halfHigh);
            }
          from.contacts.forEach((c, i) => {
            expect(to.contacts[i]?.x).toBeCloseTo(-c.x, 9);
            expect(to.contacts[i]?.y).toBeCloseTo(c.y, 9);
          });
        },
      ),
      { numRuns: 200, seed: 17 },
    );
  });
});
