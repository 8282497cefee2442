import { describe, expect, it } from 'vitest';
import old from '../../../demo/older/choir-tandem-v1.json' with { type: 'json' };
import recent from '../../../demo/older/choir-tandem-v4.json' with { type: 'json' };
import joined from '../../../demo/older/kiln-courier-v5.json' with { type: 'json' };
import united from '../../../demo/older/tide-flat-trike-v6.json' with { type: 'json' };
import priced7 from '../../../demo/older/orchard-longtail-v7.json' with { type: 'json' };
import before from '../../../demo/older/tide-flat-trike-v2.json' with { type: 'json' };
import { SCHEMA_VERSION } from './document.ts';
import { priceOfLine } from './purchase.ts';
import { FRAME_STYLES } from '../frame/names.ts';
import { PRESETS } from '../frame/presets/index.ts';
import { evaluate } from '../test/evaluate.ts';
import { usualPlace } from './migrate.ts';
import { readBuild } from './read.ts';

const read = (data: unknown) => {
  const result = readBuild(data);
  if (!result.ok) throw new Error(JSON.stringify(result.issues.slice(0, 3)));
  return result.value;
};

describe('a document of version 1', () => {
  const build = read(old);

  it('is read as one of the version of today, with everything it said', () => {
    expect(build.schemaVersion).toBe(SCHEMA_VERSION);
    expect(build.name).toBe(old.name);
    expect(build.brief).toMatchObject(old.brief);
    expect(build.donor).toMatchObject(old.donor);
    expect(build.drive).toMatchObject(old.drive);
    const { currency, budget, other } = old.money;
    expect(build.money).toEqual({ currency, budget, pricePerKwh: null });
    for (const key of ['donor', 'motor', 'pack', 'controller'] as const)
      expect(priceOfLine(build, key)).toBe(old.money[key]);
    expect(build.purchase.rest).toBe(other);
  });

  it('knows nothing of what it was never asked', () => {
    expect(build.donor.rearOldMm).toEqual({ source: 'unknown' });
    expect(build.donor.frameMaterial).toBe('unknown');
    expect(build.donor.bosses).toBeNull();
    expect(build.controller.regenerates).toBe('unknown');
    expect(build.shelf).toEqual({});
    const { checks } = evaluate(build).fit;
    expect(checks.filter((c) => c.state === 'unknown').length).toBeGreaterThan(15);
  });

  it('has its pack where its style has it', () => {
    expect(build.packs[0].boxes).toEqual([{ place: 'lateral-tube', at: null }]);
  });

  it('keeps the centre of mass that was entered in it', () => {
    const { known } = evaluate(build);
    expect(known.donor.massAheadMm).toMatchObject({ value: 695, source: 'measured' });
    expect(known.donor.massHeightMm).toMatchObject({ value: 895, source: 'measured' });
  });

  it('that is broken says so by its own paths, and is not mended', () => {
    const broken = { ...old, brief: { ...old.brief, riderMassKg: { source: 'measured', value: 'heavy' } } };
    const result = readBuild(broken);
    expect(result.ok ? [] : result.issues.map((i) => i.path)).toEqual(['brief.riderMassKg.value']);
    expect(readBuild({ schemaVersion: 1, name: 'Half' }).ok).toBe(false);
    expect(readBuild({ ...old, donor: 'a bicycle' }).ok).toBe(false);
  });

  it('is migrated once: what is of today stays as it is', () => {
    expect(read(JSON.parse(JSON.stringify(build)))).toEqual(build);
  });
});

describe('a document of version 2', () => {
  const build = read(before);

  it('keeps everything it said, and knows nothing of cells, leads and chargers', () => {
    expect(build.schemaVersion).toBe(SCHEMA_VERSION);
    expect(build.packs).toHaveLength(1);
    expect(build.packs[0]).toMatchObject(before.pack);
    expect(build.controller).toMatchObject(before.controller);
    expect(build.donor).toMatchObject(before.donor);
    expect(build.packs[0].make).toBe('ready');
    expect(build.cabling.leadMm2).toEqual({ source: 'unknown' });
    expect(build.supply.accessories).toEqual([]);
    expect(evaluate(build).figures.find((f) => f.id === 'weakest')?.state).toBe('unknown');
  });

  it('that is broken is not mended by what is added', () => {
    const broken = { ...before, pack: 'a battery' };
    const result = readBuild(broken);
    expect(result.ok ? [] : result.issues.map((i) => i.path)).toEqual(['pack']);
  });
});

describe('a document of version 4', () => {
  const build = read(recent);

  it('keeps everything it said, and knows nothing of profiles, labels and widths', () => {
    expect(build.schemaVersion).toBe(SCHEMA_VERSION);
    expect(build.controller).toMatchObject(recent.controller);
    const { motorStopsWithPedals, ...controls } = recent.controls;
    expect(build.controls).toMatchObject({ ...controls, pedalHelpStops: motorStopsWithPedals });
    expect(build.donor).toMatchObject(recent.donor);
    expect(build.controller).toMatchObject({ lifted: 'unknown', profiles: [] });
    expect(build.donor.widthMm).toEqual({ source: 'unknown' });
    expect(build.brief.dutiesDone).toEqual([]);
    expect(build.brief).toMatchObject(recent.brief);
    expect(build.controls.labelSpeedKmh).toEqual({ source: 'unknown' });
  });

  it('names a place that needs not be one of three any more, but has to be an id', () => {
    const at = (place: string) => readBuild({ ...recent, brief: { ...recent.brief, place } });
    expect(at('harrow-wold').ok).toBe(true);
    const wrong = at('Harrow Wold!');
    expect(wrong.ok ? [] : wrong.issues.map((i) => i.path)).toEqual(['brief.place']);
  });
});

describe('a document of version 5', () => {
  const build = read(joined);

  it('has its two packs in a list, each with what was said of it, and the charger with the first', () => {
    expect(build.schemaVersion).toBe(SCHEMA_VERSION);
    expect(build.packs).toHaveLength(2);
    expect(build.packs[0]).toMatchObject(joined.pack);
    const { join, chargedPct, combinerA, ...second } = joined.second;
    expect(build.packs[1]).toMatchObject({ ...second, chargeLimitPct: chargedPct });
    expect(build.packs[1]?.boxes).toEqual([{ place: joined.pack.boxes[0]?.place, at: null }]);
    expect(build.joining).toMatchObject({ how: join, ratedA: combinerA });
    expect(build.packs[0].charger).toMatchObject({
      volts: joined.charger.volts,
      currentA: joined.charger.currentA,
    });
    expect(build.money.pricePerKwh).toBe(joined.charger.pricePerKwh);
  });

  it('that is broken says where in the file', () => {
    const issues = (data: object) => {
      const result = readBuild(data);
      return result.ok ? [] : result.issues.map((i) => i.path);
    };
    const wrong = { source: 'label', value: 'many' };
    expect(issues({ ...joined, pack: { ...joined.pack, capacityAh: wrong } })).toEqual([
      'pack.capacityAh.value',
    ]);
    expect(issues({ ...joined, second: { ...joined.second, chargedPct: wrong } })).toEqual([
      'second.chargedPct.value',
    ]);
    expect(issues({ ...joined, charger: { ...joined.charger, volts: wrong } })).toEqual([
      'charger.volts.value',
    ]);
    expect(issues({ ...joined, second: { ...joined.second, combinerA: wrong } })).toEqual([
      'second.combinerA.value',
    ]);
  });

  it('without a second pack has one', () => {
    expect(read({ ...joined, second: undefined }).packs).toHaveLength(1);
    expect(read({ ...joined, second: { ...joined.second, join: 'none' } }).packs).toHaveLength(1);
  });
});

describe('the usual place of a pack', () => {
  it.each(FRAME_STYLES)('on a %s is the first that its frame has', (style) => {
    expect(PRESETS[style].places[0]?.place).toBe(usualPlace(style));
  });
});

describe('a document of version 6', () => {
  const withControls = (controls: object) => ({ ...united, controls: { ...united.controls, ...controls } });

  it('has its answer about the pedals as one about their help', () => {
    const { motorStopsWithPedals, ...controls } = united.controls;
    expect(read(united).controls).toMatchObject({ ...controls, pedalHelpStops: motorStopsWithPedals });
    expect(read(united).controls.throttleLimited).toBe(false);
  });

  it('is asked again where "no" may have meant the throttle', () => {
    const no = { motorStopsWithPedals: 'no' };
    expect(read(withControls({ ...no, throttle: 'full' })).controls.pedalHelpStops).toBe('unknown');
    expect(read(withControls({ ...no, throttle: 'none' })).controls.pedalHelpStops).toBe('no');
  });

  it('that is broken says where in the file', () => {
    const result = readBuild(withControls({ motorStopsWithPedals: 'perhaps' }));
    expect(result.ok ? [] : result.issues.map((i) => i.path)).toEqual(['controls.motorStopsWithPedals']);
  });
});

describe('a document of version 7', () => {
  it('has its prices with the lines of the parts list, and what else it cost in one sum', () => {
    const build = read(priced7);
    expect(build.money).toEqual({ currency: 'GBP', budget: 1600, pricePerKwh: 0.28 });
    expect(['donor', 'motor', 'pack', 'controller'].map((key) => priceOfLine(build, key))).toEqual([
      420, 455, 430, 36,
    ]);
    expect(build.purchase.rest).toBe(145);
  });

  it('with several packs keeps their one price, at the first of them', () => {
    const two = read({ ...priced7, packs: [...priced7.packs, ...priced7.packs] });
    expect(priceOfLine(two, 'pack')).toBe(430);
    expect(priceOfLine(two, 'pack/2')).toBe(0);
    expect(two.purchase.lines['pack/2']?.note).toContain('first pack');
  });

  it('names a fault by the place where it stood', () => {
    const bad = readBuild({ ...priced7, money: { ...priced7.money, motor: -4 } });
    expect(bad.ok ? [] : bad.issues.map((i) => i.path)).toEqual(['money.motor']);
  });
});
