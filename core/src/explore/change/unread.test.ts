import { describe, expect, it } from 'vitest';
import type { BuildDocument, QuantityPath } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import { withQuantity } from '../../document/quantity-at.ts';
import { part } from '../../parts/part.ts';
import { phraseText, type Phrase } from '../../quantity/phrase.ts';
import type { UnitSystem } from '../../quantity/unit-system.ts';
import { longtail } from '../../test/demo.ts';
import { gainsOf, one, partOf } from '../../test/gains.ts';
import { stepsFor, type StepGains } from './gains.ts';

const ofLongtail = gainsOf(longtail);
/** As it is read, with plain blanks. */
const read = (phrase: Phrase | undefined, system: UnitSystem = 'metric'): string =>
  phraseText(phrase ?? [], system).replaceAll('\u00a0', ' ');

describe('what nobody has read of the part in hand', () => {
  const unread = (path: QuantityPath): StepGains =>
    gainsOf(withQuantity(longtail, path, { source: 'unknown' }));

  it.each([
    { path: 'controller.batteryCurrentA', id: 'amps/ctl-30', what: 'Controller to 30 A', against: /^\d+ A$/ },
    {
      path: 'packs.0.capacityAh',
      id: 'pack/pack-48-24',
      what: /^Pack to 24\.\d Ah/,
      against: /^\d+\.\d Ah$/,
    },
    {
      path: 'controller.phaseCurrentA',
      id: 'amps/ctl-30',
      what: 'Controller 22 to 30 A',
      against: /^\d+ A of phase current$/,
    },
    {
      path: 'controller.lowVoltageCutoffV',
      id: 'amps/ctl-30',
      what: 'Controller 22 to 30 A',
      against: /^a cut-off at \d+\.\d V$/,
    },
    { path: 'drive.kvRpmPerV', id: 'motor', what: /^Motor /, against: /^a usual motor of \d+ W$/ },
    { path: 'drive.resistanceOhm', id: 'motor', what: /^Motor /, against: /^a usual motor of \d+ W$/ },
    { path: 'donor.crr', id: 'tyre/tyre-50', what: /^Tyres to /, against: /usual rolling/ },
    {
      path: 'brief.cruiseSpeedKmh',
      id: 'cruise/slower',
      what: /^Ride at \d+ km\/h$/,
      against: /^\d+ km\/h$/,
    },
    {
      path: 'controller.assistCutoffKmh',
      id: 'speed-limit/off',
      what: 'Speed limit lifted',
      against: /km\/h$/,
    },
  ] as const)('is not told as what a step leaves: $path', ({ path, id, what, against }) => {
    const kind = id.split('/')[0];
    const steps = unread(path).steps.filter((s) => s.kind === kind);
    const step = steps.find((s) => s.id === id) ?? steps[0];
    expect(read(step?.what)).toMatch(what);
    expect(read(step?.against)).toMatch(against);
    // As it is read, there is nothing to be held against.
    for (const s of ofLongtail.steps.filter((o) => o.kind === kind)) expect(s.against).toEqual([]);
  });

  it('leaves no part out for being what stands in', () => {
    const build = withQuantity(longtail, 'controller.batteryCurrentA', { source: 'unknown' });
    const usual = knownBuild(build).controller.batteryCurrentA.value;
    const like = part.parse({ ...partOf('ctl-30'), id: 'like', name: 'Like', batteryCurrentA: usual });
    expect(stepsFor(build, [like]).map((s) => s.part?.name)).toContain('Like');
    const read = withQuantity(longtail, 'controller.batteryCurrentA', { source: 'label', value: usual });
    expect(stepsFor(read, [like]).map((s) => s.part?.name)).not.toContain('Like');
  });

  it('offers no like pack beside one of which neither volts nor cells were read, and no load to leave at home', () => {
    const bare = withQuantity(
      withQuantity(longtail, 'packs.0.nominalV', { source: 'unknown' }),
      'packs.0.cellsInSeries',
      {
        source: 'unknown',
      },
    );
    const kinds = gainsOf(bare).steps.map((s) => s.kind);
    expect(ofLongtail.steps.map((s) => s.kind)).toContain('second-pack');
    expect(kinds).not.toContain('second-pack');
    expect(kinds).toContain('pack');
    expect(unread('brief.loadMassKg').steps.map((s) => s.kind)).not.toContain('load');
  });

  it('sets no cut-off by cells that nobody has counted', () => {
    const bare = withQuantity(longtail, 'packs.0.cellsInSeries', { source: 'unknown' });
    const is = one(gainsOf(bare), 'pack/pack-52-20');
    expect(is.also.join()).toContain('cut-off set anew for 14 cells in series');
    expect(is.build.controller.lowVoltageCutoffV.source).toBe('unknown');
    // A pack of the same label is cut off where the one before was.
    const alike = one(gainsOf(bare), 'pack/pack-48-24');
    expect(alike.also.join()).not.toContain('cut-off');
    expect(alike.build.controller.lowVoltageCutoffV).toEqual(longtail.controller.lowVoltageCutoffV);
    expect(one(ofLongtail, 'pack/pack-52-20').also.join()).toMatch(/cut-off set to \d/);
  });

  it('speaks in the reader’s units of what is ridden, carried and limited', () => {
    const words = ofLongtail.steps.map((s) => read(s.what, 'imperial'));
    expect(words).toContainEqual(expect.stringMatching(/^Ride at \d+ mph instead of \d+ mph$/));
    expect(words).toContain('22 lb less on board');
    expect(words.join('; ')).not.toMatch(/\bk(m|g)\b/);
  });

  it('is told where a step asks more of it than was asked before', () => {
    const volts = unread('controller.ratedV');
    expect(one(volts, 'pack/pack-72-20').opens).toContain('Full charge against the controller');
    expect(one(volts, 'pack/pack-48-24').opens).not.toContain('Full charge against the controller');
    const plug = unread('cabling.connectorA');
    expect(one(plug, 'amps/ctl-30').opens).toContain('Plug');
    for (const s of plug.steps.filter((o) => o.kind === 'tyre')) expect(s.opens).toEqual([]);
    expect(one(ofLongtail, 'amps/ctl-30').opens).toEqual([]);
  });

  it('is told where a step asks for more of it: a second pack for its branch fuses', () => {
    expect(one(ofLongtail, 'second-pack/pack-48-17').opens).toContain('A fuse or breaker at each pack');
    expect(one(ofLongtail, 'cruise/slower').opens).toEqual([]);
  });
});

describe('a pack that has lost some of its capacity', () => {
  const aged = (value: number | undefined): BuildDocument =>
    withQuantity(
      longtail,
      'packs.0.healthPct',
      value === undefined ? { source: 'unknown' } : { source: 'measured', value },
    );
  const like = (build: BuildDocument) =>
    gainsOf(build).steps.find((s) => s.part === build.packs[0].name && s.kind === 'pack');

  it('gains by a new one like it what it has lost, and only once that is known', () => {
    const worn = like(aged(62));
    expect(read(worn?.what)).toContain('A new pack like it');
    // By hand: a hundred for sixty-two.
    const before = gainsOf(aged(62)).now.plannedKm?.high ?? 0;
    expect((worn?.is.plannedKm?.high ?? 0) / before).toBeGreaterThan(1.5);
    expect((worn?.is.plannedKm?.high ?? 0) / before).toBeLessThan(1.7);
    expect(like(aged(97))).toBeUndefined();
  });

  it('is held against what stands in for its age, where nobody knows it', () => {
    const open = withQuantity(aged(undefined), 'packs.0.ageYears', { source: 'unknown' });
    expect(read(one(gainsOf(open), 'pack/pack-48-24').against)).toContain('85 % of its capacity left');
    expect(read(one(gainsOf(aged(97)), 'pack/pack-48-24').against)).not.toContain('capacity');
  });
});
