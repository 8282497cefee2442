import { describe, expect, it } from 'vitest';
import shelfFile from '../../../demo/parts.json' with { type: 'json' };
import type { BuildDocument } from '../document/document.ts';
import { NOTHING_SET } from '../document/settings.ts';
import { evaluate } from '../test/evaluate.ts';
import { sample } from '../test/sample.ts';
import { applyPart, buyPart } from './apply-part.ts';
import { part } from './part.ts';

const shelf = shelfFile.map((file) => part.parse(file));
const other = (type: 'controller' | 'pack' | 'motor' | 'donor') => {
  const found = shelf.find((p) => p.type === type);
  if (found === undefined) throw new Error(type);
  return found;
};

/** A machine of which everything that the law asks of its controller was looked at, and its settings read back. */
const looked = (name: string): BuildDocument => {
  const build = sample({
    brief: { place: 'gb' },
    drive: { name: 'Hub', ratedPowerW: 250, kvRpmPerV: 20, reduction: 1, pullsBack: 'yes' },
    donor: { rolloutMm: 2100 },
    controller: {
      name,
      lifted: 'no',
      regenerates: 'yes',
      assistCutoffKmh: 24.9,
      setRolloutMm: 2290,
      assistTaperKmh: 2,
    },
    controls: { pedalHelpStops: 'yes', brakeCutoffs: 'yes', speedometer: 'yes', helpFollows: 'power' },
    pack: { name: name === '' ? '' : 'Old pack', healthPct: 62, board: 'no', boardCutoffV: 30 },
  });
  const lines = { 'battery-amps': { ...NOTHING_SET, entered: 18, readBack: 18, readOn: '2026-03-02' } };
  return { ...build, settings: { ...build.settings, lines } };
};

describe('another controller in the place of one that was looked at', () => {
  it('takes over no answer: what was seen on the old one is planned for the new', () => {
    const next = applyPart(looked('Old box'), other('controller'));
    expect(next.controller).toMatchObject({ lifted: 'planned', regenerates: 'unknown' });
    expect(next.controls).toMatchObject({
      pedalHelpStops: 'planned',
      brakeCutoffs: 'planned',
      helpFollows: 'unknown',
    });
    // Which way the cranks turn the chain is the motor's to know.
    expect(next.drive.pullsBack).toBe('yes');
    expect(applyPart(looked('Old box'), other('motor')).drive.pullsBack).toBe('unknown');
    // The display is not of the controller.
    expect(next.controls.speedometer).toBe('yes');
    // The old one was told a wheel of 2,290 mm; the new one is to be told the true one.
    expect(next.controller.setRolloutMm).toEqual({ source: 'assumed', value: 2100 });
    expect(next.controller.assistCutoffKmh).toEqual({ source: 'assumed', value: 24.9 });
    expect(next.settings.lines).toEqual({});
    expect(evaluate(next).settings.every((row) => row.stands.kind !== 'same')).toBe(true);
  });

  it('is not inside the law by what somebody saw on the old one', () => {
    const was = looked('Old box');
    const clause = (build: BuildDocument) =>
      evaluate(build)
        .law.here.tests.flatMap((t) => t.categories)
        .flatMap((c) => c.clauses)
        .filter((c) => 'fact' in c.clause && c.clause.fact === 'motorStopsWithPedals')
        .map((c) => c.state);
    expect(clause(was)).toContain('pass');
    expect(clause(applyPart(was, other('controller')))).not.toContain('pass');
  });

  it('says nothing of a lift that the old one had, and stands beside the motor that had one inside', () => {
    const old = looked('Old box');
    const lifted = {
      ...old,
      controller: {
        ...old.controller,
        lifted: 'yes' as const,
        place: 'motor' as const,
        reached: 'lead' as const,
      },
    };
    const next = applyPart(lifted, other('controller'));
    expect(next.controller).toMatchObject({ lifted: 'unknown', place: 'unknown', reached: 'unknown' });
  });

  it('leaves everything where one without a name is only named, or the same is taken again', () => {
    const named = applyPart(looked(''), other('controller'));
    expect(named.controller).toMatchObject({ lifted: 'no', regenerates: 'yes' });
    expect(Object.keys(named.settings.lines)).toEqual(['battery-amps']);
    const again = applyPart(
      { ...named, controller: { ...named.controller, lifted: 'no' } },
      other('controller'),
    );
    expect(again.controller.lifted).toBe('no');
    // What is bought is another one whatever the name.
    expect(buyPart(looked(''), other('controller')).controller.lifted).toBe('planned');
  });
});

describe('another pack in the place of an old one', () => {
  it('has neither its age nor its board, and is new where it is bought', () => {
    const copied = applyPart(looked('Old box'), other('pack')).packs[0];
    expect(copied).toMatchObject({
      healthPct: { source: 'unknown' },
      board: 'unknown',
      // Of the other one's own sheet.
      boardCutoffV: { source: 'label' },
    });
    expect(copied.boardCutoffV).not.toMatchObject({ value: 30 });
    expect(copied.ageYears).toEqual({ source: 'unknown' });
    const bought = buyPart(looked('Old box'), other('pack'));
    expect(bought.packs[0].ageYears).toEqual({ source: 'assumed', value: 0 });
    expect(evaluate(bought).known.packs[0].healthPct.value).toBe(100);
    expect(applyPart(looked(''), other('pack')).packs[0].healthPct).toMatchObject({ value: 62 });
  });
});

/** The section with every quantity measured. */
const allMeasured = <T extends object>(section: T): T =>
  Object.fromEntries(
    Object.entries(section).map(([key, value]: [string, unknown]) =>
      typeof value === 'object' && value !== null && 'source' in value
        ? [key, { source: 'measured', value: 2 }]
        : [key, value],
    ),
  ) as T;
const stillMeasured = (section: object): readonly string[] =>
  Object.entries(section).flatMap(([key, value]) =>
    (value as { readonly source?: string } | null)?.source === 'measured' ? [key] : [],
  );

describe('nothing that was measured', () => {
  it('of a controller is known of another one: what it held is what the new one is to be set to', () => {
    const build = sample({ controller: { name: 'Old box' } });
    const controller = allMeasured(build.controller);
    const next = applyPart({ ...build, controller }, other('controller')).controller;
    expect(stillMeasured(next)).toEqual([]);
    expect(next.regenA).toEqual({ source: 'assumed', value: 2 });
  });

  it('of a pack is known of another one but how full and how warm it is kept', () => {
    const build = sample({ pack: { name: 'Old pack' } });
    const packs: BuildDocument['packs'] = [allMeasured(build.packs[0])];
    const next = applyPart({ ...build, packs }, other('pack')).packs[0];
    expect(stillMeasured(next).toSorted()).toEqual(['chargeLimitPct', 'startC']);
  });
});

describe('another bicycle, and another motor', () => {
  const build = sample({ donor: { name: 'Old one', cranks: 'square', cogBody: 'cassette', sprung: 'no' } });
  const donor = { ...build, donor: allMeasured(build.donor) };

  it('has nothing of what was measured on the bicycle before', () => {
    const next = applyPart(donor, other('donor'));
    expect(stillMeasured(next.donor)).toEqual([]);
    expect(next.donor).toMatchObject({ cranks: 'unknown', cogBody: 'unknown', sprung: 'unknown' });
  });

  it('has nothing of what was measured on the motor before but what is of arms, sensor and drive', () => {
    const drive = {
      ...allMeasured(build.drive),
      name: 'Old hub',
      fluid: true,
      lacing: 'own',
      cogBody: 'freewheel',
    };
    const next = applyPart({ ...build, drive } as BuildDocument, other('motor'));
    expect(stillMeasured(next.drive).toSorted()).toEqual(
      [
        'armHoldsNm',
        'centreMm',
        'lengthPitches',
        'meshTeeth',
        'pitchMm',
        'rollbackEndC',
        'rollbackStartC',
        'sensorBoreMm',
        'wheelSprocketTeeth',
        'windingC',
      ].toSorted(),
    );
    expect(next.drive).toMatchObject({ fluid: false, lacing: 'unknown', cogBody: 'unknown' });
    // The same one taken again is the same one.
    const { fluid } = applyPart(
      { ...build, drive: { ...drive, name: next.drive.name } } as BuildDocument,
      other('motor'),
    ).drive;
    expect(fluid).toBe(true);
  });
});

describe('volts that were read at the plugs', () => {
  const read = { rest: 5, work: null };
  const keys = [
    'motor-phases/1',
    'motor-2-halls/2',
    'display-controller/1',
    'pack-controller/1',
    'pack-2-combiner/1',
    'pack-2-charger-2/1',
  ];
  const metered = (): BuildDocument => {
    const build = sample({
      drive: { name: 'Old hub' },
      controller: { name: 'Old box' },
      pack: { name: 'Old' },
    });
    const readings = Object.fromEntries(keys.map((key) => [key, read]));
    return { ...build, harness: { ...build.harness, readings } };
  };
  const left = (build: BuildDocument): readonly string[] => Object.keys(build.harness.readings);

  it('are those of the part that goes', () => {
    expect(left(applyPart(metered(), other('motor')))).toEqual(keys.slice(2));
    expect(left(applyPart(metered(), other('controller')))).toEqual(keys.slice(4));
    expect(left(applyPart(metered(), other('pack')))).toEqual(keys.filter((k) => k !== 'pack-controller/1'));
  });
});
