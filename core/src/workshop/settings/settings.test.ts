import * as fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import type { BuildDocument } from '../../document/document.ts';
import { NOTHING_SET, type ToldSetting } from '../../document/settings.ts';
import { newBuild } from '../../document/template.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { evaluate } from '../../test/evaluate.ts';
import { RUNS, anyBuild, sample, type Changes } from '../../test/sample.ts';
import { gaugeShare, gaugeTable } from './gauge.ts';
import { withFurtherPack } from '../../document/further-pack.ts';
import { knownBuild } from '../../document/known.ts';
import { withQuantity, withValue } from '../../document/quantity-at.ts';
import { builtAsSet } from './as-set.ts';
import { askedRows } from './asked.ts';
import type { SettingRow } from './settings.ts';

const hub = (changes: Changes = {}): BuildDocument =>
  sample({ ...changes, drive: { name: 'Hub', ...changes.drive } });
const told = (
  build: BuildDocument,
  lines: Readonly<Record<string, Partial<ToldSetting>>>,
): BuildDocument => ({
  ...build,
  settings: {
    ...build.settings,
    lines: Object.fromEntries(Object.entries(lines).map(([key, line]) => [key, { ...NOTHING_SET, ...line }])),
  },
});
function row(build: BuildDocument, key: string): SettingRow {
  const found = evaluate(build).settings.find((r) => r.setting.key === key);
  if (found === undefined) throw new Error(key);
  return found;
}
const keys = (build: BuildDocument): readonly string[] => evaluate(build).settings.map((r) => r.setting.key);

describe('the settings sheet', () => {
  const build = hub({
    controller: { lowVoltageCutoffV: 42, batteryCurrentA: 30 },
    pack: { cellsInSeries: 14, nominalV: 52 },
  });

  it('parts what was put in wrong from what was not taken, and what was not read from what is the same', () => {
    const at = (line: Partial<ToldSetting>) => row(told(build, { 'low-volts': line }), 'low-volts').stands;
    expect(at({})).toMatchObject({ kind: 'not-entered', state: 'unknown' });
    expect(at({ entered: 42 })).toMatchObject({ kind: 'not-read', state: 'unknown' });
    expect(at({ entered: 42, readBack: 42 })).toMatchObject({ kind: 'same', state: 'fine' });
    const taken = at({ entered: 42, readBack: 43 });
    expect(taken).toMatchObject({ kind: 'not-taken', state: 'look' });
    expect('by' in taken ? taken.by : 0).toBeCloseTo(1, 9);
    expect(at({ entered: 44, readBack: 44 })).toMatchObject({ kind: 'wrong', state: 'stop' });
    // Read without having been put in: as it came from its maker.
    expect(at({ readBack: 39 })).toMatchObject({ kind: 'wrong', state: 'stop' });
  });

  it.each([
    ['30 V on fourteen lithium cells', { lowVoltageCutoffV: 30 }, 'low-volts', 'stop', '2.14'],
    ['42 V on fourteen lithium cells', { lowVoltageCutoffV: 42 }, 'low-volts', undefined, ''],
    [
      'a motor’s cut-off below its board’s',
      { lowVoltageCutoffV: 41 },
      'lights-reserve',
      'stop',
      'board opens',
    ],
    ['80 A through a plug for 20', { batteryCurrentA: 80 }, 'battery-amps', 'look', 'Plug'],
  ] as const)('marks a plan that is not to be put in: %s', (_name, controller, key, state, words) => {
    const planned = hub({
      controller: { batteryCurrentA: 25, ...controller },
      pack: { cellsInSeries: 14, nominalV: 52, boardCutoffV: 41.5, bmsCurrentA: 100 },
      supply: { accessories: [{ name: 'Lamp', volts: 12, watts: 6, onPct: 50, light: true }] },
      cabling: { leadMm2: 2, leadMm: 600, connectorA: 20, phaseMm2: 4, phaseConnectorA: 60 },
    });
    const { amiss } = row(planned, key).setting;
    expect(amiss?.state).toBe(state);
    expect(phraseText(amiss?.why ?? [])).toContain(words);
    // Put in and read back as planned, it is still not as it should be.
    const put = row(planned, key).setting.plan ?? 0;
    const taken = row(told(planned, { [key]: { entered: put, readBack: put } }), key);
    expect(taken.stands).toEqual({ kind: 'same', state: state ?? 'fine' });
  });

  it('leaves nothing for lamps where no board opens, and goes by the first of several boards to open', () => {
    const lit = (pack: Changes['pack'], second?: Changes['pack']): BuildDocument => {
      const one = hub({
        controller: { lowVoltageCutoffV: 42 },
        pack: { cellsInSeries: 14, nominalV: 52, boardCutoffV: 39, ...pack },
        supply: { accessories: [{ name: 'Lamp', volts: 12, watts: 6, onPct: 50, light: true }] },
      });
      return second === undefined
        ? one
        : { ...one, packs: [one.packs[0], sample({ pack: { cellsInSeries: 14, ...second } }).packs[0]] };
    };
    expect(keys(lit({ board: 'no' }))).not.toContain('lights-reserve');
    expect(phraseText(row(lit({ board: 'no' }), 'low-volts').setting.because)).toContain('no board below');
    expect(phraseText(row(lit({}), 'low-volts').setting.because)).not.toContain('no board below');
    expect(row(lit({}, { boardCutoffV: 40.5 }), 'lights-reserve').setting.plan).toBeCloseTo(1.5, 9);
    expect(row(lit({}, { boardCutoffV: 43 }), 'lights-reserve').setting.amiss?.state).toBe('stop');
    expect(row(lit({}, { board: 'no', boardCutoffV: 43 }), 'lights-reserve').setting.plan).toBe(3);
    const unread = row(lit({}, {}), 'lights-reserve').setting;
    expect(unread.plan).toBeUndefined();
    expect(phraseText(unread.because)).toContain('not known');
  });

  it('tells a limit of watts to be put in, where one is planned', () => {
    const limited = hub({ controller: { limitsPower: true, powerLimitW: 250 } });
    expect(row(limited, 'power-limit').setting).toMatchObject({ plan: 250, unit: 'W' });
    const set = told(limited, { 'power-limit': { entered: 250, readBack: 500 } });
    expect(row(set, 'power-limit').stands).toMatchObject({ kind: 'not-taken' });
    expect(builtAsSet(set, knownBuild(set)).controller.powerLimitW).toMatchObject({ value: 500 });
    expect(keys(hub())).not.toContain('power-limit');
  });

  it('tells the current that weakens the field, where the controller does so', () => {
    const weakens = hub({ controller: { weakens: 'yes', weakeningA: 20 } });
    expect(row(weakens, 'weakening-amps').setting).toMatchObject({ plan: 20, unit: 'A' });
    const set = told(weakens, { 'weakening-amps': { entered: 30, readBack: 30 } });
    expect(builtAsSet(set, knownBuild(set)).controller.weakeningA).toMatchObject({ value: 30 });
    for (const other of [hub(), hub({ controller: { weakens: 'unknown' } })])
      expect(keys(other)).not.toContain('weakening-amps');
  });

  it('tells every limit that the law is held against: the fade, and the throttle’s own', () => {
    const limited = hub({
      controller: { limitsSpeed: true, assistCutoffKmh: 25, assistTaperKmh: 1.5 },
      controls: { throttle: 'full', throttleLimited: true, throttleCutoffKmh: 20 },
    });
    expect(row(limited, 'help-fades').setting).toMatchObject({ plan: 1.5, unit: 'km/h' });
    expect(row(limited, 'throttle-ends').setting).toMatchObject({ plan: 20, unit: 'km/h' });
    const set = told(limited, {
      'help-fades': { entered: 1.5, readBack: 0 },
      'throttle-ends': { entered: 25, readBack: 25 },
    });
    const is = builtAsSet(set, knownBuild(set));
    expect(is.controller.assistTaperKmh).toMatchObject({ value: 0 });
    expect(is.controls.throttleCutoffKmh).toMatchObject({ value: 25 });
    const free = hub({
      controller: { limitsSpeed: false },
      controls: { throttle: 'none', throttleLimited: true },
    });
    for (const key of ['help-fades', 'throttle-ends']) expect(keys(free)).not.toContain(key);
  });

  it('tells what drifts: the plan moves, and what was the same no longer is', () => {
    const set = told(build, { 'battery-amps': { entered: 30, readBack: 30 } });
    expect(row(set, 'battery-amps').stands.kind).toBe('same');
    const moved = {
      ...set,
      controller: { ...set.controller, batteryCurrentA: { source: 'measured' as const, value: 25 } },
    };
    expect(row(moved, 'battery-amps').stands).toMatchObject({ kind: 'wrong', by: 5 });
  });

  it('tells of a value that is only assumed that it is, also where it comes with a new build', () => {
    const assumed = { source: 'assumed' as const, value: 18 };
    const because = (batteryCurrentA: { source: 'assumed' | 'label'; value: number }) =>
      phraseText(
        row({ ...build, controller: { ...build.controller, batteryCurrentA } }, 'battery-amps').setting
          .because,
      );
    expect(because(assumed)).toMatch(/^only assumed so far; /);
    expect(because({ source: 'label', value: 18 })).not.toContain('assumed');
    expect(row(newBuild('New'), 'battery-amps').setting.because[0]).toBe('only assumed so far; ');
  });

  it('says beside amps that the weakest link does not carry that it does not', () => {
    const because = (changes: Changes) => phraseText(row(hub(changes), 'battery-amps').setting.because);
    const carries = { pack: { bmsCurrentA: 18 }, controller: { batteryCurrentA: 15 } };
    expect(because(carries)).toMatch(/^weakest link/);
    expect(because({ ...carries, controller: { batteryCurrentA: 30 } })).toMatch(
      /^more than it carries for long: weakest/,
    );
    // Two controllers draw twice as much.
    expect(because({ ...carries, drive: { motors: 'each-wheel' } })).toMatch(
      /^more than it carries for long/,
    );
  });

  it('has no plan for what nobody has said: a default is never put into a controller in silence', () => {
    const bare = hub();
    expect(row(bare, 'low-volts').setting.plan).toBeUndefined();
    expect(phraseText(row(bare, 'roll-out').setting.because)).toContain('measure one turn');
    expect(row(told(bare, { 'low-volts': { entered: 42, readBack: 42 } }), 'low-volts').stands).toEqual({
      kind: 'no-plan',
      state: 'unknown',
    });
  });

  it('plans no end of regeneration, and tells no volts a cell or pole pairs, out of defaults', () => {
    const bare = hub({ controller: { regenerates: 'yes' } });
    expect(row(bare, 'regen-volts').setting.plan).toBeUndefined();
    expect(
      row(hub({ controller: { regenerates: 'yes' }, pack: { cellsInSeries: 14 } }), 'regen-volts').setting
        .plan,
    ).toBeCloseTo(58.8, 6);
    for (const key of ['poles', 'low-volts', 'low-volts-fold'])
      expect(phraseText(row(bare, key).setting.because), key).toContain('not known');
    // Cells are known, the cut-off is not.
    expect(phraseText(row(hub({ pack: { cellsInSeries: 14 } }), 'low-volts').setting.because)).toContain(
      'not known',
    );
  });

  it('follows the build: regeneration, walk help, heat, profiles, lights', () => {
    expect(keys(hub({ controller: { regenerates: 'yes' } }))).toEqual(
      expect.arrayContaining(['regen-amps', 'regen-volts']),
    );
    expect(keys(hub({ controller: { regenerates: 'no' } }))).not.toContain('regen-amps');
    expect(keys(hub({ controls: { throttle: 'walk' } }))).toContain('walk-ends');
    expect(keys(hub({ drive: { windingSensor: 'yes' } }))).toContain('heat-start');
    expect(keys(hub())).not.toContain('heat-start');
    expect(keys(sample({ drive: { name: 'Mid' } }, 'mid-drive'))).not.toContain('poles');
    const two = hub({
      controller: {
        profiles: [
          { name: 'Field', reach: 'rider', limitsSpeed: true, cutoffKmh: 32, batteryA: 20, throttle: 'same' },
        ],
      },
    });
    expect(keys(two)).toEqual(expect.arrayContaining(['profile-1/battery-amps', 'profile-1/help-ends']));
  });

  it('ends regeneration where the lowest of the packs is full, and gives back what the weakest of them takes', () => {
    const one = hub({
      controller: { regenerates: 'yes', regenA: 5 },
      pack: { cellsInSeries: 14, maxChargeA: 10 },
    });
    const [pack] = one.packs;
    const lower = withValue(
      withValue(withFurtherPack(one), 'packs.1.cellsInSeries', 13),
      'packs.1.maxChargeA',
      6,
    );
    expect(row(one, 'regen-volts').setting.plan).toBeCloseTo(58.8, 6);
    // By hand: 13 x 4.2 V.
    expect(row(lower, 'regen-volts').setting.plan).toBeCloseTo(54.6, 6);
    expect(phraseText(row(lower, 'regen-volts').setting.because)).toContain('pack 2, the lowest');
    expect(phraseText(row(lower, 'regen-amps').setting.because)).toMatch(/cells take 6\sA/);
    expect(phraseText(row({ ...one, packs: [pack] }, 'regen-volts').setting.because)).not.toContain('lowest');
    const uncounted = withQuantity(lower, 'packs.1.cellsInSeries', { source: 'unknown' });
    expect(row(uncounted, 'regen-volts').setting.plan).toBeUndefined();
  });

  it('says of two controllers that each is set so, and what both draw together', () => {
    const words = (motors: 'one' | 'pair', key: string): string =>
      phraseText(row(hub({ drive: { motors }, controller: { batteryCurrentA: 14 } }), key).setting.because);
    expect(words('pair', 'battery-amps')).toMatch(/each of the two controllers, together 28\sA/);
    expect(words('pair', 'phase-amps')).toMatch(/each of the two controllers/);
    expect(words('one', 'battery-amps')).not.toMatch(/two controllers/);
  });

  it('reckons pulses a turn from pole pairs and reduction (by hand: 8 pairs, 5 to 1, 40)', () => {
    expect(row(hub({ drive: { polePairs: 8, reduction: 5 } }), 'poles').setting.plan).toBe(40);
    // A hub whose rotor is the wheel has nothing to count but its magnets.
    const direct = (polePairs?: number): SettingRow['setting'] =>
      row(sample(polePairs === undefined ? {} : { drive: { polePairs } }, 'direct-drive-hub'), 'poles')
        .setting;
    expect(direct(23).plan).toBe(23);
    expect(phraseText(direct().because)).toBe('not known yet: pole pairs');
  });

  it('tells the end of help in turns of the wheel too (by hand: 25 km/h on 2.1 m are 198.4 a minute)', () => {
    const said = hub({ controller: { limitsSpeed: true, assistCutoffKmh: 25 }, donor: { rolloutMm: 2100 } });
    expect(phraseText(row(said, 'help-ends').setting.because)).toMatch(/198\srpm/);
    const unsaid = hub({
      controller: { limitsSpeed: true, assistCutoffKmh: { source: 'unknown' } },
      donor: { rolloutMm: 2100 },
    });
    expect(phraseText(row(unsaid, 'help-ends').setting.because)).not.toContain('rpm');
  });

  it('tells no roll-out to be put in that a default makes', () => {
    const wheel = (beadMm: number | { source: 'unknown' }) =>
      row(hub({ donor: { beadMm, tyreMm: 42, rolloutMm: { source: 'unknown' } } }), 'roll-out');
    expect(wheel(622).setting.plan).toBeGreaterThan(2100);
    expect(wheel({ source: 'unknown' }).setting.plan).toBeUndefined();
  });

  it('spans the throttle clear of what the lever gives, once it is read, and says where the reading comes from', () => {
    const lever = (restV: number | null, fullV: number | null, simulated = false): BuildDocument => {
      const bare = hub({ controls: { throttle: 'full' } });
      return { ...bare, settings: { ...bare.settings, throttle: { restV, fullV, simulated } } };
    };
    expect(row(lever(null, null), 'throttle-start').stands.kind).toBe('no-plan');
    expect(row(lever(0.86, null), 'throttle-end').setting.plan).toBeUndefined();
    expect(row(lever(0.86, 4.12), 'throttle-start').setting.plan).toBeCloseTo(0.96, 9);
    expect(row(lever(0.86, 4.12), 'throttle-end').setting.plan).toBeCloseTo(4.02, 9);
    const because = (build: BuildDocument) => phraseText(row(build, 'throttle-start').setting.because);
    // Typed the wrong way about, or a lever that gives nothing: no threshold is planned from it.
    for (const [rest, full] of [
      [4.12, 0.86],
      [0.9, 1.0],
    ] as const) {
      expect(row(lever(rest, full), 'throttle-start').setting.plan).toBeUndefined();
      expect(row(lever(rest, full), 'throttle-end').setting.plan).toBeUndefined();
      expect(because(lever(rest, full))).toContain('read both again');
    }
    expect(because(lever(0.86, 4.12, true))).toContain('simulated');
    expect(because(lever(0.86, 4.12))).not.toContain('simulated');
    for (const throttle of ['none', 'walk'] as const)
      expect(keys(hub({ controls: { throttle } }))).not.toContain('throttle-start');
  });

  it('asks nothing of what is left to taste, and holds it like the rest once it is chosen', () => {
    const bare = hub();
    const chosen = { ...bare, settings: { ...bare.settings, chosen: { softStartS: 0.5, autoOffMin: null } } };
    expect(row(bare, 'soft-start').stands).toEqual({ kind: 'left', state: 'unknown' });
    expect(askedRows(evaluate(bare).settings).map((r) => r.setting.key)).not.toContain('soft-start');
    expect(row(chosen, 'soft-start').stands.kind).toBe('not-entered');
    expect(row(chosen, 'auto-off').stands.kind).toBe('left');
    const taken = told(chosen, { 'soft-start': { entered: 0.5, readBack: 2 } });
    expect(row(taken, 'soft-start').stands.kind).toBe('not-taken');
    // What the start spares follows the drive.
    const words = (kind: 'mid-drive' | 'direct-drive-hub') =>
      phraseText(row(hub({ drive: { kind } }), 'soft-start').setting.because);
    expect(words('mid-drive')).toContain('chain');
    expect(words('direct-drive-hub')).toContain('dropouts');
  });

  it('is worked out of every build, each setting once, fine only where plan, entered and read back agree', () => {
    fc.assert(
      fc.property(anyBuild, (drawn) => {
        const rows = evaluate(drawn).settings;
        expect(new Set(rows.map((r) => r.setting.key)).size).toBe(rows.length);
        for (const { setting, stands, told: said } of rows) {
          if (setting.plan !== undefined) expect(Number.isFinite(setting.plan), setting.key).toBe(true);
          if (stands.state === 'fine') expect(said.readBack).not.toBeNull();
        }
      }),
      RUNS,
    );
  });
});

describe('a gauge', () => {
  it('set for another pack says 60 % of a full one (by hand)', () => {
    // 13 in series full are 54.6 V; a gauge for 14 goes from 42 to 58.8: 12.6 of 16.8 is three quarters; for 15 it is 9.6 of 18.
    expect(gaugeShare(54.6, 14, 'nmc')).toBeCloseTo(0.75, 6);
    expect(gaugeShare(54.6, 15, 'nmc')).toBeCloseTo(0.533, 3);
    expect(gaugeShare(54.6, 13, 'nmc')).toBe(1);
  });

  it('falls with the charge, and never leaves its face', () => {
    const { machine } = evaluate(hub({ pack: { cellsInSeries: 13, nominalV: 46.8 } })).study;
    const rows = gaugeTable(machine.pack, 14);
    rows.slice(1).forEach((r, i) => {
      expect(r.shown).toBeLessThanOrEqual(rows[i]?.shown ?? 1);
      expect(r.shown).toBeGreaterThanOrEqual(0);
    });
  });
});

describe('a limit by a wheel that the controller holds wrongly', () => {
  // 24 put in by a wheel held 3 % too small is ridden at 24.7: what is put in stays 24, and the wheel is what is put right.
  const build = hub({
    controller: { limitsSpeed: true, assistCutoffKmh: 24, setRolloutMm: 2040 },
    controls: { throttle: 'walk', walkCutoffKmh: 6 },
    donor: { rolloutMm: 2100 },
  });

  it('is planned as it is put in, not as it is then ridden', () => {
    expect(row(build, 'help-ends').setting.plan).toBe(24);
    expect(row(build, 'walk-ends').setting.plan).toBe(6);
    expect(row(build, 'roll-out').setting.plan).toBe(2100);
    expect(row(told(build, { 'help-ends': { entered: 24, readBack: 24 } }), 'help-ends').stands.kind).toBe(
      'same',
    );
  });

  it('is told as turns of the wheel that it is ridden on', () => {
    // 24 km/h on 2.1 m a turn: 24,000 / 60 / 2.1.
    expect(phraseText(row(build, 'help-ends').setting.because)).toContain('190');
  });
});
