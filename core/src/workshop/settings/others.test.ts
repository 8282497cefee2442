import { describe, expect, it } from 'vitest';
import shelfFile from '../../../../demo/parts.json' with { type: 'json' };
import { leftBehind } from '../../parts/leave-behind.ts';
import { part } from '../../parts/part.ts';
import type { BuildDocument } from '../../document/document.ts';
import { readBuild } from '../../document/read.ts';
import { NOTHING_MEANT, type OtherSetting } from '../../document/settings.ts';
import { longtail, tandem } from '../../test/demo.ts';
import { phraseText } from '../../quantity/phrase.ts';
import { evaluate } from '../../test/evaluate.ts';
import { settingCounts } from './counts.ts';
import type { OtherRow } from './others.ts';

const noted = (build: BuildDocument, others: Record<string, Partial<OtherSetting>>): BuildDocument => ({
  ...build,
  settings: {
    ...build.settings,
    others: Object.fromEntries(Object.entries(others).map(([key, o]) => [key, { ...NOTHING_MEANT, ...o }])),
  },
});
const rows = (build: BuildDocument): readonly OtherRow[] => evaluate(build).otherSettings.rows;
const stands = (one: Partial<OtherSetting>): OtherRow['stands'] | undefined =>
  rows(noted(longtail, { cruise: one }))[0]?.stands;

describe('what else a controller is set to', () => {
  it('is held against what is meant, whatever the spaces, the case and the decimal mark', () => {
    expect(stands({})).toEqual({ kind: 'empty', state: 'unknown' });
    expect(stands({ meant: 'off' })).toEqual({ kind: 'not-read', state: 'unknown' });
    expect(stands({ meant: 'off', readBack: ' Off' })).toEqual({ kind: 'same', state: 'fine' });
    expect(stands({ meant: '1,5 s', readBack: '1.5s' })).toEqual({ kind: 'same', state: 'fine' });
    expect(stands({ meant: 'off', readBack: 'on' })).toEqual({ kind: 'not-taken', state: 'look' });
    // 15 is not 1.5.
    expect(stands({ meant: '1.5', readBack: '15' })).toMatchObject({ kind: 'not-taken' });
  });

  it('is never fine where nobody has said what it is meant to be', () => {
    expect(stands({ readBack: 'on' })).toEqual({ kind: 'noted', state: 'unknown' });
  });

  it('says beside a menu that was found what Law has of it, and nothing beside what Law does not ask', () => {
    const found = (lifted: BuildDocument['controller']['lifted']) =>
      rows({
        ...noted(tandem, { 'hidden-menu': { readBack: 'open, to 45 km/h' }, cruise: { meant: 'off' } }),
        controller: { ...tandem.controller, lifted },
      }).map((row) => row.atLaw);
    expect(found('unknown')).toEqual([expect.stringMatching(/does not know yet.*say there/), undefined]);
    expect(found('planned')).toEqual([expect.stringMatching(/planned/), undefined]);
    expect(found('yes')).toEqual([expect.stringMatching(/^Law counts it/), undefined]);
    expect(found('no')).toEqual([expect.stringMatching(/true only where this menu cannot/), undefined]);
  });

  it('counts with the sheet, and what was not taken is a finding with its danger', () => {
    const plain = evaluate(longtail);
    const before = settingCounts(plain.settings, plain.otherSettings.rows);
    const build = noted(longtail, {
      cruise: { meant: 'off', readBack: 'on' },
      direction: { meant: 'forward', readBack: 'forward' },
      'own-1': { name: 'Beeper', readBack: 'on' },
    });
    const verdict = evaluate(build);
    const after = settingCounts(verdict.settings, verdict.otherSettings.rows);
    expect(after).toMatchObject({
      // What was only read, and never said what it is meant to be, is open as well.
      asked: before.asked + 3,
      same: before.same + 1,
      notTaken: before.notTaken + 1,
    });
    const [finding, ...more] = verdict.findings.filter((f) => f.code.startsWith('setting-other'));
    expect(more).toEqual([]);
    expect(finding).toMatchObject({ stage: 'setup', state: 'look', code: 'setting-other-cruise' });
    expect(finding?.title).toBe('Holds its speed by itself was not taken');
    expect(phraseText(finding?.detail ?? [], 'metric')).toContain('It drives on as the hand lets go');
    expect(verdict.stages.find((s) => s.id === 'setup')).toMatchObject({ state: 'look' });
  });

  it('is offered where this machine can have it, and no more once it is noted', () => {
    const offered = (build: BuildDocument): readonly string[] =>
      evaluate(build).otherSettings.offered.map(({ key }) => key);
    const byHand = { ...tandem, controls: { ...tandem.controls, throttle: 'full' as const } };
    expect(offered(byHand)).toContain('cruise');
    const none = { ...tandem, controls: { ...tandem.controls, throttle: 'none' as const } };
    expect(offered(none)).not.toContain('cruise');
    expect(offered(none)).not.toContain('reverse');
    const trike = { ...none, donor: { ...none.donor, wheelCount: 3 as const } };
    expect(offered(trike)).toContain('reverse');
    const brushed = { ...tandem, drive: { ...tandem.drive, commutation: 'brushes' as const } };
    expect(offered(tandem)).toContain('hall-angle');
    expect(offered(brushed)).not.toContain('hall-angle');
    expect(offered(noted(tandem, { 'hall-angle': {} }))).not.toContain('hall-angle');
  });

  it('keeps its name when the machine can no longer have it, and goes with the controller it was read from', () => {
    const build = noted(
      { ...longtail, controls: { ...longtail.controls, throttle: 'none' } },
      { cruise: { meant: 'off', readBack: 'off' } },
    );
    expect(rows(build)[0]).toMatchObject({ name: 'Holds its speed by itself', stands: { kind: 'same' } });
    const controller = shelfFile.map((file) => part.parse(file)).find((p) => p.type === 'controller');
    if (controller === undefined) throw new Error('no controller');
    expect(leftBehind(build, controller, 0).settings.others).toEqual({});
  });

  it('is read from a document as it was written, and older documents have none', () => {
    const build = noted(longtail, { 'own-1': { name: 'Beeper', meant: 'off', readOn: '2026-03-02' } });
    const read = readBuild(JSON.parse(JSON.stringify(build)));
    expect(read.ok && read.value.settings.others).toEqual(build.settings.others);
    const older = Object.fromEntries(
      Object.entries(build.settings).filter(([key]) => key !== 'others' && key !== 'readWith'),
    );
    const old = readBuild(JSON.parse(JSON.stringify({ ...build, settings: older })));
    expect(old.ok && old.value.settings).toMatchObject({ others: {}, readWith: '' });
  });
});
