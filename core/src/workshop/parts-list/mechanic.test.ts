import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { shippedRules } from '../../law/rules.ts';
import { evaluate } from '../../test/evaluate.ts';
import { type Changes } from '../../test/sample.ts';
import { line, made, words, light, hub } from '../../test/parts-lists.ts';

describe('what a mechanic looks for on the list', () => {
  it('has no new levers where those that are there have a switch, joined to the controller yet or not', () => {
    const asked = (levers: 'cut-off' | 'plain', brakeCutoffs: 'yes' | 'planned' | 'unknown') =>
      line(made([{ drive: hub, donor: { levers }, controls: { brakeCutoffs } }]), 'brake-sensors') !==
      undefined;
    for (const told of ['yes', 'planned', 'unknown'] as const) {
      expect(asked('cut-off', told)).toBe(false);
      expect(asked('plain', told)).toBe(true);
    }
  });

  it('is twice there where there are two motors, on a pair as in each wheel', () => {
    const count = (motors: 'one' | 'pair' | 'each-wheel', key: string): number =>
      line(
        made([
          {
            drive: { ...hub, motors, lacing: 'own', spokes: 36, torqueArms: 2 },
            cabling: { phaseMm: 800, phaseMm2: 2.5, connectors: 1 },
          },
        ]),
        key,
      )?.quantity ?? NaN;
    for (const key of [
      'motor',
      'controller',
      'torque-arms',
      'axle-washers',
      'spokes',
      'motor-plug',
      'phase-lead',
    ])
      for (const motors of ['pair', 'each-wheel'] as const)
        expect(count(motors, key), `${key}, ${motors}`).toBeCloseTo(2 * count('one', key), 6);
    // One more pair for the branch.
    expect(count('pair', 'plugs')).toBe(count('one', 'plugs') + 1);
    const tape = (motors: 'one' | 'pair') => line(made([{ drive: { motors } }]), 'rim-tape')?.quantity;
    expect([tape('one'), tape('pair')]).toEqual([1, 2]);
  });

  it('has a lever for walk help where the harness and the bench have one: a key at the display is none', () => {
    const at = (throttleKind: BuildDocument['controls']['throttleKind']) => {
      const verdict = evaluate(
        made([{ controls: { throttle: 'walk', throttleKind, assistSensor: 'cadence' } }]),
      );
      return {
        bought: verdict.list.rows.some((r) => r.key === 'throttle'),
        joined: verdict.wiring.wires.some((w) => w.cable.key === 'throttle-controller'),
        tried: verdict.bench.some((p) => p.key === 'sensors/throttle-rest'),
      };
    };
    for (const kind of ['thumb', 'unknown'] as const)
      expect(at(kind)).toEqual({ bought: true, joined: true, tried: true });
    expect(at('display')).toEqual({ bought: false, joined: false, tried: false });
    expect(words(made([{ controls: { throttle: 'walk', assistSensor: 'cadence' } }]), 'throttle')).toContain(
      'Lever for walk help',
    );
  });

  it('has two rivet nuts for every rail on a tube without bosses, and none for one that has them', () => {
    const on = (
      bosses: BuildDocument['donor']['bosses'],
      ...places: ('down-tube' | 'seat-tube' | 'lateral-tube')[]
    ) => {
      const build = made([{ donor: { bosses } }]);
      const [first] = build.packs;
      const packs = places.map((place) => ({ ...first, boxes: [{ place, at: null }] }));
      const [one, ...more] = packs;
      if (one === undefined) throw new Error('no pack');
      return line({ ...build, packs: [one, ...more] }, 'rivet-nuts')?.quantity ?? 0;
    };
    expect(on([], 'down-tube')).toBe(2);
    expect(on([], 'down-tube', 'seat-tube')).toBe(4);
    expect(on(null, 'down-tube', 'seat-tube')).toBe(4);
    // Bosses on one tube carry no rail on another.
    expect(on([{ tube: 'seat-tube', alongMm: 190 }], 'lateral-tube')).toBe(2);
  });

  // 16 CFR 1512.19 speaks of labelling: no bell is asked for by its letters.
  it('takes no fitting from letters inside of another word', () => {
    expect(line(made([{ brief: { place: 'us-ca' } }]), 'bell')).toBeUndefined();
  });

  // Whole words only: what a shipped duty names and asks for, it also says in `fits`.
  it('is told by every shipped duty what it wants beside lamps and a label', () => {
    const NAMES = {
      bell: /\b(bell|horn)\b/i,
      mirror: /\bmirror\b/i,
      reflectors: /\b(retro-)?reflectors?\b/i,
    };
    const duties = shippedRules().flatMap((place) => [
      ...place.duties.map(({ duty }) => duty),
      ...place.tests.flatMap((test) => test.categories.flatMap((category) => category.duties)),
    ]);
    const missing = duties.flatMap(({ asked, text, fits }) =>
      asked === 'yes' || asked === 'varies'
        ? Object.entries(NAMES)
            .filter(([name, words]) => words.test(text) && !(fits ?? []).some((f) => f === name))
            .map(([name]) => `${name}: ${text}`)
        : [],
    );
    expect(duties.length).toBeGreaterThan(100);
    // Either does there, and a lamp is asked for already.
    expect(missing).toEqual(missing.filter((one) => one.includes('rear reflector or lamp')));
  });

  // Motor Vehicles Rules of India, rule 126A: reflectors; lamps are not named.
  it('asks for what the place asks, in its words', () => {
    const india = made([{ brief: { place: 'in' } }]);
    expect(line(india, 'lamps')).toBeUndefined();
    expect(words(india, 'reflectors')).toContain('white front, red rear');
    expect(words(made([{ brief: { place: 'gb' } }]), 'reflectors')).toContain('pedal reflectors');
  });

  // Common practice, no source: a sensor about the spindle goes on with the crank off, a torque sensor with the bracket out.
  it('lays out crank and bracket tools for a sensor about the spindle', () => {
    const torque = made([{ controls: { assistSensor: 'torque' }, donor: { shell: 'threaded' } }]);
    expect(words(torque, 'crank-puller')).toContain('sensor');
    expect(words(torque, 'shell-tool')).toContain('sensor');
    const cadence = made([{ controls: { assistSensor: 'cadence' } }]);
    expect(words(cadence, 'crank-puller')).toContain('split');
    expect(line(cadence, 'shell-tool')).toBeUndefined();
    expect(line(made([{ controls: { assistSensor: 'none' } }]), 'crank-puller')).toBeUndefined();
  });

  // Common practice, no source: a freewheel screws on by hand, a cassette is held by its lock ring.
  it('asks for the tool of the cogs that are worked on', () => {
    const moved = made([{ donor: { cogBody: 'cassette' }, drive: { cogBody: 'cassette' } }]);
    expect(words(moved, 'cog-tool')).toContain('the cogs move');
    const screwed = made([{ donor: { cogBody: 'cassette' }, drive: { cogBody: 'freewheel' } }]);
    expect(line(screwed, 'cog-tool')).toBeUndefined();
    const pushed = made([{ donor: { cogBody: 'freewheel' }, drive: { cogBody: 'cassette' } }]);
    expect(words(pushed, 'cog-tool')).toContain('lock ring');
  });

  it('asks for an outer each, and for olives only where a hose is opened', () => {
    const both = made([{ donor: { brakeFront: 'rim', brakeRear: 'cable-disc', levers: 'plain' } }]);
    expect(line(both, 'brake-outers/front')?.quantity).toBe(1);
    expect(words(both, 'brake-outers/rear')).toContain('rear brake');
    expect(line(both, 'brake-cables')?.quantity).toBe(2);
    expect(line(both, 'hose-fittings')).toBeUndefined();
    const mixed = made([
      {
        donor: { brakeFront: 'hydraulic-disc', brakeRear: 'rim', levers: 'plain' },
        controls: { brakeCutoffs: 'no' },
      },
    ]);
    expect(line(mixed, 'hose-fittings')?.quantity).toBe(1);
    expect(line(mixed, 'brake-outers/front')).toBeUndefined();
    expect(line(mixed, 'hydraulic-bleed')).toBeDefined();
  });

  it('asks for a spare hanger where motor or motor wheel bends one', () => {
    const gears = { gearing: { cogTeeth: [11, 34] } };
    expect(words(made([gears, 'mid-drive']), 'spare-hanger')).toContain('hanger');
    expect(line(made([{ ...gears, drive: { wheel: 'rear' } }]), 'spare-hanger')).toBeDefined();
    expect(line(made([{ ...gears, drive: { wheel: 'front' } }]), 'spare-hanger')).toBeUndefined();
  });

  it('takes a sensor of torque for what it is: no kit brings it as the simple one, nor is it priced so', () => {
    const kit = (assistSensor: 'cadence' | 'torque', brings: string): BuildDocument => {
      const build = made([{ controls: { assistSensor } }]);
      return { ...build, purchase: { ...build.purchase, brings: { motor: { [brings]: 1 }, pack: null } } };
    };
    const by = (build: BuildDocument): string | undefined =>
      evaluate(build).list.rows.find((r) => r.key === 'assist-sensor')?.broughtBy;
    expect(by(kit('cadence', 'assist-sensor'))).toBe('motor');
    expect(by(kit('torque', 'assist-sensor'))).toBeUndefined();
    expect(by(kit('torque', 'torque-sensor'))).toBe('motor');
    expect(line(kit('torque', 'x'), 'assist-sensor')?.kind).toBe('torque-sensor');
  });

  it('asks for what an external motor needs: a mount, and both sprockets by teeth and pitch', () => {
    const drive = { motorSprocketTeeth: 11, wheelSprocketTeeth: 72, pitchMm: 6.35, freewheel: true };
    const build = made([{ drive }, 'external']);
    expect(words(build, 'sprockets/motor')).toMatch(/Sprocket.*11 teeth, 6\.35.mm pitch/);
    expect(words(build, 'sprockets/wheel')).toMatch(/72 teeth.*on a freewheel/);
    expect(line(build, 'motor-mount')?.ask).toContain('diameter');
    expect(
      words(made([{ drive: { ...drive, medium: 'belt', freewheel: false } }, 'external']), 'sprockets/wheel'),
    ).toMatch(/Pulley.*bolted/);
    expect(
      words(made([{ drive: { motorSprocketTeeth: { source: 'unknown' } } }, 'external']), 'sprockets/motor'),
    ).toContain('not known');
    for (const key of ['torque-wrench', 'thread-lock', 'grease'])
      expect(words(build, key), key).not.toMatch(/crank|lock ring|shell|arm/);
  });

  it('asks for a chain by the cogs that it runs on, and of one by its width', () => {
    const on = (cogTeeth: readonly number[]) =>
      words(made([{ gearing: { cogTeeth: [...cogTeeth] } }, 'mid-drive']), 'chain');
    expect(on([19])).toContain('Chain for one cog, 1/8 in wide');
    expect(on([11, 13, 15])).toContain('Chain for 3 cogs');
  });

  it('asks for as many torque arms as the check of fit does, at each axle', () => {
    // Strong and turned round by regeneration: one on each side.
    const strong: Changes = {
      donor: { frameMaterial: 'steel', forkMaterial: 'steel' },
      drive: { torqueArms: 0, freewheel: false, kvRpmPerV: 9, reduction: 1 },
      controller: { regenerates: 'yes', phaseCurrentA: 80 },
    };
    const count = (changes: Changes) =>
      line(
        made([{ ...strong, ...changes, drive: { ...strong.drive, ...changes.drive } }, 'direct-drive-hub']),
        'torque-arms',
      )?.quantity;
    expect(count({})).toBe(2);
    expect(count({ drive: { motors: 'each-wheel' } })).toBe(4);
    expect(count({ drive: { torqueArms: 2 } })).toBe(2);
    expect(count({ controller: { regenerates: 'no', phaseCurrentA: 10 } })).toBeUndefined();
  });

  it('buys no default in silence: what is assumed stands beside what is asked for', () => {
    const amps = (source: 'assumed' | 'label') =>
      words(made([{ controller: { batteryCurrentA: { source, value: 18 } } }]), 'controller');
    expect(amps('assumed')).toContain('(assumed: look first)');
    expect(amps('label')).not.toContain('assumed');
  });

  it('says the watts of small lamps as they are, and asks for their volts only without a converter', () => {
    const rear = { ...light, name: 'Rear', watts: 0.6 };
    const on = (means: 'converter' | 'own-cells') => made([{ supply: { means, accessories: [rear] } }]);
    expect(words(on('converter'), 'accessories/rear')).toMatch(/0\.6.W/);
    expect(line(on('converter'), 'accessories/rear')?.ask).toBe('');
    expect(line(on('own-cells'), 'accessories/rear')?.ask).not.toBe('');
  });
});
