import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_MEASURED } from '../../document/harness.ts';
import { newBuild } from '../../document/template.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { shippedRules } from '../../law/rules.ts';
import { evaluate } from '../../test/evaluate.ts';
import { RUNS, anyBuild, sample, type Changes } from '../../test/sample.ts';
import type { Line } from './line.ts';
import { RULES } from './rules/rules.ts';
import type { PartOf } from '../../parts/part.ts';
import { usualPort } from '../harness/ports.ts';

const list = (build: BuildDocument): readonly Line[] =>
  evaluate(build).list.rows.flatMap(({ line }) => line ?? []);
type Kind = BuildDocument['drive']['kind'];
type Case = readonly [changes: Changes, kind?: Kind];

/** A build of a hub motor, at the rear unless it says else, with a name for its motor. */
function made([changes, kind = 'geared-hub']: Case): BuildDocument {
  return sample({ ...changes, drive: { name: 'Motor', ...changes.drive } }, kind);
}
const none = newBuild('Nothing chosen');
const box = (place: BuildDocument['packs'][number]['boxes'][number]['place'], count = 1) => ({
  boxes: Array.from({ length: count }, () => ({ place, at: null })),
});
const light = { name: 'Lamp', volts: 12, watts: 5, onPct: 100, light: true };
const hub = { flatsMm: 10, axleMm: 12 };
const fromCells: Case = [{ pack: { make: 'cells', cellsInSeries: 13 }, cell: { parallel: 4 } }];
const laidDown: Case = [{ pack: { chemistry: 'lead-acid', ...box('deck', 4) } }];

/** For each rule a build that needs its line and one that does not; common practice, no source, unless the rule names a check. */
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

const CHARGER: PartOf<'charger'> = {
  id: 'charger',
  type: 'charger',
  name: 'Charger',
  maker: 'Arden',
  price: null,
  priceTo: null,
  currency: 'GBP',
  massKg: 0.6,
  leadDays: null,
  ports: {},
  volts: 42,
  currentA: 2,
  efficiencyPct: 88,
};

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
  display: [[{}], [{ donor: { keeps: ['display'] } }]],
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
      RUNS,
    );
  });

  it('never ask for a default at the counter without saying so', () => {
    const words = (build: BuildDocument): string =>
      phraseText(list(build).find((l) => l.key === 'rings')?.what ?? []);
    expect(words(made([{ cabling: { passes: ['rings'] } }]))).toContain('size by the power chain');
    expect(words(made([{ cabling: { passes: ['rings'], leadMm2: 5 } }]))).not.toContain('not known');
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
      RUNS,
    );
  });
});

describe('what a mechanic looks for on the list', () => {
  const line = (build: BuildDocument, key: string): Line | undefined =>
    list(build).find((l) => l.key === key);
  const words = (build: BuildDocument, key: string): string => {
    const found = line(build, key);
    return found === undefined ? '' : `${phraseText(found.what)}: ${phraseText(found.why)}`;
  };

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

  it('asks of a pack what is asked of its kind', () => {
    expect(line(made([{}]), 'pack')?.ask).toContain('Lithium');
    expect(line(made(laidDown), 'pack')?.ask).toContain('one batch');
  });

  it('says what is fed by the pack’s own volts', () => {
    const horn = { name: 'Horn', volts: 0, watts: 20, onPct: 1, light: false };
    expect(
      words(made([{ supply: { means: 'converter', accessories: [horn] } }]), 'accessories/horn'),
    ).toMatch(/^Horn, at the pack’s volts, 20.W/);
  });

  it('asks for the spare fuse at the rating of the fuse', () => {
    const build = made([{ cabling: { protection: 'fuse', fuseA: 25 } }]);
    expect(words(build, 'fuse')).toMatch(/25.A/);
    expect(words(build, 'spare-fuse')).toMatch(/25.A/);
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

  it('asks for a charger and a board of the pack’s own chemistry, and offers no other', () => {
    const built = (chemistry: 'nmc' | 'lfp' | 'lead-acid', cellsInSeries: number) =>
      made([{ pack: { make: 'cells', chemistry, cellsInSeries }, cell: { parallel: 2 } }]);
    const offers = (build: BuildDocument, volts: number): boolean | undefined =>
      line(build, 'charger')?.from?.suits({ ...CHARGER, volts });
    // Sixteen cells of iron phosphate end at 58.4 V, sixteen of NMC at 67.2 V, fourteen at 58.8 V.
    const lfp = built('lfp', 16);
    expect(words(lfp, 'charger')).toMatch(/ends at 58\.4.V/);
    expect([58.4, 58.8, 67.2].map((volts) => offers(lfp, volts))).toEqual([true, false, false]);
    expect(offers(built('nmc', 16), 67.2)).toBe(true);
    expect(words(lfp, 'board')).toMatch(/16S.*lithium iron phosphate.*3\.65.V a cell/);
    expect(words(built('nmc', 13), 'board')).toMatch(/13S.*4\.20.V a cell/);
    // Four 12 V blocks: from float to absorption.
    const lead = made([{ pack: { chemistry: 'lead-acid', cellsInSeries: 24, ...box('deck', 4) } }]);
    expect(words(lead, 'charger')).toMatch(/lead-acid.*54\.0.*58\.8.V/);
    expect([54.6, 57.6, 67.2].map((volts) => offers(lead, volts))).toEqual([true, true, false]);
    // Cells that nobody has counted are no ground to order on.
    const uncounted = made([{ pack: { cellsInSeries: { source: 'unknown' } } }]);
    expect(words(uncounted, 'charger')).toContain('not known');
    // Nor to price it by: it may cost what any of them costs.
    expect([42, 54.6, 84].map((volts) => offers(uncounted, volts))).toEqual([true, true, true]);
    // What cells take is stated where they are, and not where nobody has read their sheet.
    const cells = (chargeA: number | { source: 'unknown' }): BuildDocument =>
      made([{ pack: { make: 'cells', cellsInSeries: 13 }, cell: { parallel: 4, chargeA } }]);
    expect(words(cells(1.5), 'charger')).toMatch(/at most 6\.0.A/);
    expect(words(cells({ source: 'unknown' }), 'charger')).not.toContain('at most');
  });

  it('rates what sits in the battery lead so that the power chain lets it pass, whatever is drawn', () => {
    const amps = (build: BuildDocument, key: string): number => {
      const found = line(build, key);
      const [said] = (found?.what ?? []).flatMap((w) => (typeof w !== 'string' && w.unit === 'A' ? [w] : []));
      if (said === undefined) throw new Error(`${key}: ${words(build, key)}`);
      return said.value;
    };
    const open = { source: 'unknown' } as const;
    const cabling = { fuseA: open, pullPlugA: open, connectorA: open } as const;
    type Set = { cabling?: Changes['cabling']; joining?: Changes['joining'] };
    const links: readonly (readonly [key: string, link: string, set: (value: number) => Set])[] = [
      ['fuse', 'fuse', (fuseA) => ({ cabling: { fuseA } })],
      ['main-switch', 'pull-plug', (pullPlugA) => ({ cabling: { pullPlugA } })],
      ['plugs', 'plug', (connectorA) => ({ cabling: { connectorA } })],
      ['combiner', 'join', (ratedA) => ({ joining: { ratedA } })],
    ];
    // A level hill draws little for long; full throttle draws all that the controller lets through.
    for (const batteryCurrentA of [12, 15, 30, 80])
      for (const hillGradePct of [1, 6, 14]) {
        const rated = (more: Set = {}): BuildDocument =>
          made([
            {
              brief: { hillGradePct },
              controller: { batteryCurrentA },
              cabling: { ...cabling, ...more.cabling, passes: ['pull-plug'], protection: 'fuse' },
              joining: { ratedA: open, ...more.joining },
              second: { join: 'switch', nominalV: 48, capacityAh: 10 },
            },
          ]);
        for (const [key, id, set] of links) {
          const found = evaluate(rated(set(amps(rated(), key)))).power.chain.links.find((l) => l.id === id);
          expect([found?.state, key, batteryCurrentA, hillGradePct]).toEqual([
            'fine',
            key,
            batteryCurrentA,
            hillGradePct,
          ]);
        }
      }
    // What is entered is asked for as it is.
    expect(amps(made([{ cabling: { fuseA: 25 } }]), 'fuse')).toBe(25);
    expect(
      amps(made([{ joining: { ratedA: 40 }, second: { join: 'switch', nominalV: 48 } }]), 'combiner'),
    ).toBe(40);
  });

  it('lists a fuse, plugs and a lead for each pack', () => {
    const second = { join: 'parallel', nominalV: 48, capacityAh: 10 } as const;
    const cabling = { leadMm: 800, connectors: 1 as const };
    const count = (key: string, more: Changes = {}): number =>
      line(made([{ cabling, ...more }]), key)?.quantity ?? 0;
    // 800 mm and a tenth is 0.9 m, and 1 m is the least that is bought; twice that is 1.8 m.
    expect([count('battery-lead/red'), count('battery-lead/red', { second })]).toEqual([1, 1.8]);
    // One pair and a spare; with two packs one at each, one at the controller, and a spare.
    expect([count('plugs'), count('plugs', { second })]).toEqual([2, 4]);
    expect(line(made([{}]), 'fuse')?.quantity ?? 1).toBe(1);
    expect(line(made([{ second }]), 'fuse')?.quantity).toBe(2);
    // Whoever has one in the common lead buys none for the branches that he does not want.
    expect(line(made([{ second, joining: { branchFuses: 'no' } }]), 'fuse')?.quantity ?? 1).toBe(1);
    expect(words(made([{ second }]), 'combiner')).not.toContain('fuse');
    const why = (more: Changes): string => phraseText(line(made([{ second, ...more }]), 'fuse')?.why ?? []);
    expect(why({})).toContain('one at each pack');
    expect(why({ joining: { branchFuses: 'no' } })).not.toContain('one at each pack');
  });

  it('says of a fuse what is asked of it, and what the lead that it guards carries', () => {
    const why = (changes: Changes): string => phraseText(line(made([changes]), 'fuse')?.why ?? []);
    const flat = why({
      brief: { hillGradePct: 1 },
      controller: { batteryCurrentA: 30 },
      cabling: { leadMm2: 6 },
    });
    expect(flat).toMatch(/^\d+.A asked for long, 30.A at full throttle; the lead carries \d+.A$/);
    const steep = why({
      brief: { hillGradePct: 30 },
      controller: { batteryCurrentA: 15 },
      cabling: { leadMm2: { source: 'unknown' } },
    });
    expect(steep).toMatch(/^15.A asked$/);
  });

  it('prints no size of a lead that nobody has said', () => {
    const open = { source: 'unknown' } as const;
    const cabling = { leadMm2: open, phaseMm2: open, phaseMm: 600, passes: ['rings' as const] };
    const build = made([{ cabling }]);
    for (const key of ['battery-lead/red', 'rings', 'phase-lead'])
      expect(words(build, key), key).toMatch(/size by the power chain/);
    const blocks = made([{ cabling, pack: { chemistry: 'lead-acid', ...box('deck', 4) } }]);
    expect(words(blocks, 'block-links')).toContain('size by the power chain');
    expect(words(made([{ cabling: { ...cabling, leadMm2: 6 } }]), 'rings')).toMatch(/6\.0.mm²/);
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

  it('lengthens the two leads of a brushed motor, and the three of another', () => {
    const long = (commutation: 'brushes' | 'electronic') =>
      made([{ drive: { commutation }, cabling: { phaseMm: 1000 } }, 'external']);
    expect(words(long('brushes'), 'phase-lead')).toContain('Motor lead, red and black');
    expect(
      [line(long('brushes'), 'phase-lead'), line(long('electronic'), 'phase-lead')].map((l) => l?.quantity),
    ).toEqual([2.2, 3.3]);
  });

  it('says the watts of small lamps as they are, and asks for their volts only without a converter', () => {
    const rear = { ...light, name: 'Rear', watts: 0.6 };
    const on = (means: 'converter' | 'own-cells') => made([{ supply: { means, accessories: [rear] } }]);
    expect(words(on('converter'), 'accessories/rear')).toMatch(/0\.6.W/);
    expect(line(on('converter'), 'accessories/rear')?.ask).toBe('');
    expect(line(on('own-cells'), 'accessories/rear')?.ask).not.toBe('');
  });

  it('asks for no charger of more amps than the pack takes', () => {
    expect(words(made([{ pack: { maxChargeA: 6 } }]), 'charger')).toMatch(/at most 6\.0.A/);
    expect(words(made([{ pack: { maxChargeA: 6 }, charger: { currentA: 3 } }]), 'charger')).toMatch(
      /, 3\.0.A/,
    );
  });

  it('buys no pack that is built here, and says of its cells how they are sent', () => {
    const built = made(fromCells);
    expect(line(built, 'pack')).toBeUndefined();
    expect(line(built, 'cells')?.ask).toContain('Lithium');
    expect(words(built, 'cells')).toContain('NMC');
  });

  it('names the volts of a converter by what is on it', () => {
    const lamp6 = { ...light, name: 'Small lamp', volts: 6 };
    const horn = { ...light, name: 'Horn', volts: 0, light: false };
    const on = (accessories: readonly (typeof light)[]) =>
      words(made([{ supply: { means: 'converter', accessories: [...accessories] } }]), 'converter');
    expect(on([light, horn])).toMatch(/to 12.V/);
    expect(on([light, lamp6])).toMatch(/to 6 and 12.V/);
  });

  it('asks for sizes as they stand on the shelf of any country: millimetres, and leads by gauge as well', () => {
    const build = made([{ drive: { ...hub, torqueArms: 1 }, cabling: { leadMm2: 3.3 } }]);
    const asked = (key: string) => phraseText(line(build, key)?.what ?? [], 'imperial');
    expect(asked('torque-arms')).toMatch(/10\.0.mm/);
    // ASTM B258: 12 AWG is 3.309 mm².
    expect(asked('battery-lead/red')).toMatch(/3\.3.mm² \(12 AWG\)/);
  });
});
