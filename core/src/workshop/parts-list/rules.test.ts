import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED } from '../../document/harness.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { evaluate } from '../../test/evaluate.ts';
import { anyBuild, runs } from '../../test/sample.ts';
import { RULES } from './rules/rules.ts';
import { usualPort } from '../harness/ports.ts';
import { list, type Case, made, none, box, light, hub, fromCells, laidDown } from '../../test/parts-lists.ts';

/** A throttle's cable of 500 mm along the frame, whose parts bring 100 mm; through an adapter or not. */
function wired(tailMm: number, adapter: boolean): BuildDocument {
  const build = made([{ controls: { throttle: 'full' } }]);
  const half = usualPort('throttle', 'throttle plug', 'pins', false);
  return {
    ...build,
    harness: {
      ...build.harness,
      ports: {
        'throttle/plug': { ...half, tailMm },
        'controller/throttle': { ...half, sex: 'sockets', tailMm: 0 },
      },
      cables: { 'throttle-controller': { ...NOTHING_MEASURED, alongMm: 500, adapter } },
    },
  };
}

/** For each rule a build that needs its line and one that does not; common practice, no source, unless the rule names a check. */
const CASES: Readonly<Record<string, readonly [Case | typeof none, Case | typeof none]>> = {
  'harness-wire': [wired(100, false), wired(2000, false)],
  adapters: [wired(2000, true), wired(2000, false)],
  donor: [[{}], none],
  motor: [[{}], none],
  controller: [[{}], [{ controller: { place: 'motor' } }]],
  'drive-chain': [[{}, 'external'], [{}]],
  sprockets: [[{}, 'external'], [{}]],
  'motor-mount': [
    [{}, 'external'],
    [{}, 'mid-drive'],
  ],
  'offset-ring': [[{}, 'mid-drive'], [{}]],
  pack: [[{}], none],
  charger: [[{}], none],
  fuse: [[{}], none],
  'spare-fuse': [[{ cabling: { protection: 'fuse' } }], [{ cabling: { protection: 'breaker' } }]],
  'pre-charge': [[{ cabling: { inrush: 'resistor' } }], [{ cabling: { inrush: 'anti-spark' } }]],
  combiner: [[{ second: { join: 'combiner', nominalV: 48, capacityAh: 10 } }], [{}]],
  converter: [[{ supply: { means: 'converter', accessories: [light] } }], [{}]],
  'light-cells': [[{ supply: { means: 'own-cells', accessories: [light] } }], [{}]],
  cells: [fromCells, [{}]],
  'cell-holders': [fromCells, [{}]],
  nickel: [fromCells, [{}]],
  insulation: [fromCells, [{}]],
  board: [fromCells, [{}]],
  'pack-wrap': [fromCells, [{}]],
  'block-links': [laidDown, [{}]],
  'torque-arms': [[{ drive: { ...hub, torqueArms: 1 } }], [{}, 'mid-drive']],
  'axle-spacers': [
    [{ donor: { rearOldMm: 135 }, drive: { overLocknutMm: 126 } }],
    [{ donor: { rearOldMm: 135 }, drive: { overLocknutMm: 135 } }],
  ],
  'axle-washers': [[{}], [{}, 'mid-drive']],
  'disc-spacers': [
    [{ donor: { brakeRear: 'cable-disc', caliperGapMm: 0.2 }, drive: { discMount: 'yes' } }],
    [{ donor: { brakeRear: 'rim' } }],
  ],
  'caliper-adapter': [
    [{ donor: { brakeRear: 'cable-disc', rotorMm: 160 }, drive: { discMount: 'yes', rotorMm: 180 } }],
    [{ donor: { brakeRear: 'cable-disc', rotorMm: 160 }, drive: { discMount: 'yes', rotorMm: 160 } }],
  ],
  'shell-sleeve': [
    [{ donor: { shell: 'unthreaded', shellBoreMm: 41 }, drive: { tubeMm: 33.5 } }, 'mid-drive'],
    // A threaded shell as it comes: its thread is no play.
    [{ donor: { shell: 'threaded', shellBoreMm: 34.1 }, drive: { tubeMm: 33.4 } }, 'mid-drive'],
  ],
  'gearbox-spacers': [
    [{ donor: { stayReachMm: 40 }, drive: { gearboxMm: 39, spacerMm: 0 } }, 'mid-drive'],
    [{ donor: { stayReachMm: 30 }, drive: { gearboxMm: 60, spacerMm: 0 } }, 'mid-drive'],
  ],
  'anti-rotation': [
    [{}, 'mid-drive'],
    [{ drive: { bearsOnFrame: 'yes' } }, 'mid-drive'],
  ],
  'axle-adapters': [[{ donor: { axle: 'through' } }], [{ donor: { axle: 'solid' } }]],
  'long-nuts': [
    [{ donor: { rearOldMm: 135, dropoutMm: 8 }, drive: { axleLengthMm: 150, overLocknutMm: 126 } }],
    [{ donor: { rearOldMm: 135, dropoutMm: 6 }, drive: { axleLengthMm: 210 } }],
  ],
  chain: [[{}, 'mid-drive'], [{}]],
  cogs: [
    [{ donor: { cogBody: 'cassette' }, drive: { cogBody: 'freewheel' } }],
    [{ donor: { cogBody: 'cassette' }, drive: { cogBody: 'cassette' } }],
  ],
  idler: [[{ drive: { idler: 'yes' } }, 'external'], [{}]],
  'drive-cover': [
    [{ drive: { covered: 'no' } }, 'external'],
    [{ drive: { covered: 'yes' } }, 'external'],
  ],
  cradle: [[{}], none],
  'rivet-nuts': [[{ donor: { bosses: [] } }], [{ pack: box('rear-rack') }]],
  'rail-bolts': [[{}], [{ pack: box('rear-rack') }]],
  'pack-clamps': [[{ pack: { massKg: 6 } }], [{ pack: { massKg: 2.5 } }]],
  'rack-plate': [[{ pack: box('rear-rack') }], [{}]],
  'rain-cover': [[{ pack: { cover: 'bag' } }], [{ pack: { cover: 'case' } }]],
  'pack-lock': [[{}], [{ pack: box('cargo-box') }]],
  'battery-lead': [[{}], none],
  plugs: [[{}], none],
  rings: [[{ cabling: { passes: ['rings'] } }], [{}]],
  'main-switch': [[{ cabling: { passes: ['pull-plug'] } }], [{}]],
  'charge-socket': [[{ cabling: { passes: ['charge-plug'] } }], [{}]],
  'phase-lead': [
    [{ cabling: { phaseMm: 400 } }],
    [{ cabling: { phaseMm: 400 }, controller: { place: 'motor' } }],
  ],
  'heat-shrink': [[{}], none],
  ties: [[{}], none],
  grommets: [[{ controller: { place: 'box' } }], [{}]],
  'second-controller': [[{ drive: { motors: 'pair' } }], [{}]],
  'motor-plug': [[{}], [{ controller: { place: 'motor' } }]],
  'brake-sensors': [
    [{ donor: { brakeFront: 'hydraulic-disc', brakeRear: 'hydraulic-disc', levers: 'hydraulic' } }],
    [{ donor: { levers: 'cut-off' }, controls: { brakeCutoffs: 'yes' } }],
  ],
  'brake-cables': [
    [{ donor: { brakeFront: 'rim', brakeRear: 'rim', levers: 'plain' } }],
    [{ donor: { brakeFront: 'rim', brakeRear: 'rim', levers: 'cut-off' } }],
  ],
  'brake-outers': [
    [{ donor: { brakeFront: 'rim', brakeRear: 'rim', levers: 'plain' } }],
    [{ donor: { brakeFront: 'rim', brakeRear: 'rim', levers: 'cut-off' } }],
  ],
  'hose-fittings': [
    [{ donor: { brakeFront: 'hydraulic-disc', levers: 'plain' }, controls: { brakeCutoffs: 'no' } }],
    [{ donor: { brakeFront: 'hydraulic-disc', levers: 'hydraulic' } }],
  ],
  'spare-hanger': [
    [{ gearing: { cogTeeth: [11, 34] } }, 'mid-drive'],
    [{ gearing: { cogTeeth: [18] } }, 'mid-drive'],
  ],
  'assist-sensor': [[{ controls: { assistSensor: 'cadence' } }], [{ controls: { assistSensor: 'none' } }]],
  'shift-sensor': [[{}, 'mid-drive'], [{}]],
  throttle: [[{ controls: { throttle: 'full' } }], [{ controls: { throttle: 'none' } }]],
  display: [[{}], none],
  'speed-sensor': [[{ controller: { limitsSpeed: true } }, 'mid-drive'], [{}]],
  key: [[{ controls: { throttle: 'full' } }], [{}]],
  accessories: [[{ supply: { means: 'converter', accessories: [light] } }], [{}]],
  lamps: [
    [{ brief: { place: 'de' } }],
    [{ brief: { place: 'de' }, supply: { means: 'converter', accessories: [light] } }],
  ],
  spokes: [[{ drive: { lacing: 'own' } }], [{ drive: { lacing: 'comes-laced' } }]],
  tyre: [
    [{ donor: { ownBeadMm: 622, beadMm: 559, tyreMm: 50 } }],
    [{ donor: { ownBeadMm: 622, beadMm: 622 } }],
  ],
  'other-wheel': [
    [{ donor: { ownBeadMm: 622, beadMm: 507, tyreMm: 40, bracketHeightMm: 270, crankMm: 170 } }],
    [
      {
        donor: {
          ownBeadMm: 622,
          beadMm: 507,
          tyreMm: 40,
          bracketHeightMm: 270,
          crankMm: 170,
          bothRims: true,
        },
      },
    ],
  ],
  'brake-pads': [
    [
      {
        donor: { massKg: 30, brakeFront: 'rim', brakeRear: 'rim' },
        brief: { riderMassKg: 120, loadMassKg: 90 },
      },
    ],
    none,
  ],
  'programming-lead': [[{ controller: { reached: 'lead' } }], [{ controller: { reached: 'display' } }]],
  bell: [[{ brief: { place: 'br' } }], [{ brief: { place: 'gb' } }]],
  mirror: [[{ brief: { place: 'br' } }], [{ brief: { place: 'gb' } }]],
  plate: [[{ brief: { place: 'sg' } }], [{ brief: { place: 'gb' } }]],
  reflectors: [[{ brief: { place: 'gb' } }], [{ brief: { place: 'ch' } }]],
  'rim-tape': [[{ drive: { lacing: 'comes-laced' } }], [{ drive: { lacing: 'own' } }]],
  label: [[{ brief: { place: 'gb' }, drive: { ratedPowerW: 250 } }], [{ controls: { classLabel: 'yes' } }]],
  'thread-lock': [[{}], none],
  grease: [[{}], none],
  cleaner: [[{}], none],
  tape: [[{}], none],
  'hydraulic-bleed': [
    [{ donor: { brakeFront: 'hydraulic-disc', brakeRear: 'hydraulic-disc', levers: 'plain' } }],
    [{ donor: { brakeFront: 'rim', brakeRear: 'rim', levers: 'plain' } }],
  ],
  'crank-puller': [[{ donor: { cranks: 'square' } }, 'mid-drive'], [{ controls: { assistSensor: 'none' } }]],
  'shell-tool': [[{ donor: { shell: 'threaded' } }, 'mid-drive'], [{}]],
  'torque-wrench': [[{}], none],
  'spoke-key': [[{}], [{}, 'mid-drive']],
  'cog-tool': [[{}], [{ drive: { wheel: 'front' } }]],
  'crimp-tool': [[{ cabling: { passes: ['rings'] } }], [{}]],
  meter: [[{}], none],
  iron: [[{}], none],
  'chain-tool': [[{}, 'mid-drive'], [{}]],
  'spot-welder': [fromCells, [{}]],
  'lock-ring-tool': [[{}, 'mid-drive'], [{}]],
  'rivet-tool': [[{ donor: { bosses: [] } }], [{ pack: box('rear-rack') }]],
};

const buildOf = (one: Case | typeof none): BuildDocument => ('schemaVersion' in one ? one : made(one));
const has = (build: BuildDocument, rule: string): boolean =>
  list(build).some(({ key }) => key === rule || key.startsWith(`${rule}/`));

describe('the rules of the parts list', () => {
  it('are all tried, and there are enough of them', () => {
    expect(RULES.map((r) => r.id).filter((id) => CASES[id] === undefined)).toEqual([]);
    expect(RULES.length).toBeGreaterThanOrEqual(45);
    expect(new Set(RULES.map((r) => r.id)).size).toBe(RULES.length);
  });

  it.each(Object.entries(CASES))(
    '%s: on the list of a build that needs it, and not of one that does not',
    (id, [needs, not]) => {
      expect(has(buildOf(needs), id)).toBe(true);
      expect(has(buildOf(not), id)).toBe(false);
    },
  );

  it('ask for nothing that the fit check beside them finds fine', () => {
    const MENDS: Readonly<Record<string, string>> = {
      'shell-sleeve': 'shell-bore',
      'gearbox-spacers': 'gearbox-stay',
      'disc-spacers': 'caliper-gap',
      cogs: 'cog-body',
      'caliper-adapter': 'rotor-size',
    };
    fc.assert(
      fc.property(anyBuild, (build) => {
        const { study, list: asked } = evaluate(build);
        const states = new Map(study.checks.map((c) => [c.id, c.state]));
        for (const { key } of asked.rows) {
          const mends = MENDS[key];
          if (mends !== undefined) expect(states.get(mends), key).not.toBe('fine');
        }
      }),
      runs(50),
    );
  });

  it('never ask for a default at the counter without saying so', () => {
    const words = (build: BuildDocument): string =>
      phraseText(list(build).find((l) => l.key === 'rings')?.what ?? []);
    expect(words(made([{ cabling: { passes: ['rings'] } }]))).toContain('size by the power chain');
    expect(words(made([{ cabling: { passes: ['rings'], leadMm2: 5 } }]))).not.toContain('not known');
  });

  // Both schools hold where they are done well: each has its own tools.
  it('ask for the tools of how contacts are put on, and for no iron where all are crimped', () => {
    const keys = (joints: 'unknown' | 'crimped' | 'soldered' | 'both'): readonly string[] =>
      list(made([{ cabling: { joints } }]))
        .filter(({ rule }) => rule === 'crimp-tool' || rule === 'iron')
        .map(({ key }) => key)
        .sort();
    expect(keys('crimped')).toEqual(['crimp-tool/contacts', 'iron/heat-gun']);
    expect(keys('soldered')).toEqual(['iron']);
    expect(keys('both')).toEqual(['crimp-tool/contacts', 'iron']);
    expect(keys('unknown')).toEqual(['iron']);
  });

  it('say what, why and from where, in whole words', () => {
    for (const [needs] of Object.values(CASES))
      for (const line of list(buildOf(needs))) {
        expect(phraseText(line.what).trim(), line.key).not.toBe('');
        expect(phraseText(line.why).trim(), line.key).not.toBe('');
        expect(line.origin, line.key).not.toBe('');
      }
  });

  it('never make two lines of one key or a broken number, whatever the build', () => {
    fc.assert(
      fc.property(anyBuild, (build) => {
        const lines = list({ ...build, drive: { ...build.drive, name: 'Motor' } });
        expect(new Set(lines.map((l) => l.key)).size).toBe(lines.length);
        for (const { quantity, what, why } of lines) {
          expect(quantity).toBeGreaterThan(0);
          expect(Number.isFinite(quantity)).toBe(true);
          expect(`${phraseText(what)} ${phraseText(why)}`).not.toMatch(/NaN|Infinity|undefined/);
        }
      }),
      runs(50),
    );
  });
});
