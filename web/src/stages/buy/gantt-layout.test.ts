import { describe, expect, it } from 'vitest';
import {
  evaluate,
  readBuild,
  readPart,
  shippedRules,
  whenOf,
  type BuildDocument,
  type When,
} from '@apple-cart/core';
import longtailFile from '../../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import tandemFile from '../../../../demo/builds/0417-choir-tandem.json' with { type: 'json' };
import shelfFile from '../../../../demo/parts.json' with { type: 'json' };
import { DAY_PX, ganttOf } from './gantt-layout.ts';

const shelf = shelfFile.flatMap((file) => {
  const part = readPart(file);
  return part.ok ? [part.value] : [];
});
/** A Monday. */
const TODAY = '2026-03-02';
function planned(file: unknown, change: (b: BuildDocument) => BuildDocument = (b) => b, parts = shelf): When {
  const build = readBuild(file);
  if (!build.ok) throw new Error('demo');
  const own = change(build.value);
  return whenOf(own, evaluate(own, shippedRules(), parts).list.rows, TODAY);
}
const row = (when: When, id: string) => {
  const found = ganttOf(when).rows.find((r) => r.id === id);
  if (found === undefined) throw new Error(id);
  return found;
};

describe('the calendar of a plan', () => {
  const longtail = planned(longtailFile);

  it('is drawn to scale: a parcel of three weeks is 21 days long, from the day that it is ordered', () => {
    expect(row(longtail, 'pack').bar).toMatchObject({ x: 0, width: 21 * DAY_PX, words: 'order today' });
    expect(row(longtail, 'pack').decides).toBe(true);
    // The motor was ordered on 24 February, and is promised for 10 March.
    expect(row(longtail, 'motor').bar).toMatchObject({ x: 0, width: 8 * DAY_PX, words: 'due 10 March' });
  });

  it('keeps every bar, tail and word within the drawing', () => {
    const wanted = planned(longtailFile, (b) => ({
      ...b,
      schedule: { ...b.schedule, wantedFor: '2026-04-06' },
    }));
    expect(ganttOf(wanted).wanted?.words).toBe('wanted, 6 April');
    for (const when of [longtail, wanted, planned(tandemFile)]) {
      const { rows, width, wanted } = ganttOf(when, 'market');
      if (wanted !== undefined) {
        expect(wanted.words).toMatch(/^market, \d/);
        const end = wanted.before ? wanted.x : wanted.x + wanted.words.length * 6.2;
        expect(end).toBeLessThanOrEqual(width);
        expect(wanted.x - (wanted.before ? wanted.words.length * 6.2 : 0)).toBeGreaterThan(0);
      }
      for (const { bar, name } of rows) {
        if (bar === undefined) continue;
        expect(bar.x, name).toBeGreaterThanOrEqual(0);
        expect(bar.tailX, name).toBeLessThanOrEqual(width);
        if (!bar.before) expect(bar.wordsX + bar.words.length * 6.2, name).toBeLessThanOrEqual(width + 1);
      }
    }
  });

  it('draws no bar for what nobody knows the days of, and says so', () => {
    const open = planned(tandemFile, (b) => b, []);
    const unknown = ganttOf(open).rows.filter((r) => r.kind === 'parcel' && r.bar === undefined);
    expect(unknown.length).toBeGreaterThan(0);
    expect(unknown.every((r) => r.told === 'days not known')).toBe(true);
  });

  it('tells an order that is too late for the day wanted by how many days', () => {
    const late = planned(longtailFile, (b) => ({
      ...b,
      schedule: { ...b.schedule, wantedFor: '2026-03-14' },
    }));
    expect(row(late, 'pack').bar?.words).toMatch(/^too late by \d+ days$/);
    expect(ganttOf(late).wanted?.x).toBe(13 * DAY_PX);
  });

  it('tints the week ends and names the Mondays', () => {
    const { weekends, mondays } = ganttOf(longtail);
    expect(weekends.slice(0, 4)).toEqual([5, 6, 12, 13].map((d) => d * DAY_PX));
    expect(mondays.slice(0, 2).map((m) => m.words)).toEqual(['2 March', '9 March']);
  });
});
