// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { withQuantity, type BuildDocument, type QuantityPath } from '@apple-cart/core';
import { longtail } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

const with_ = (build: BuildDocument, values: Partial<Record<QuantityPath, number>>): BuildDocument =>
  Object.entries(values).reduce(
    (now, [path, value]) => withQuantity(now, path as QuantityPath, { source: 'measured', value }),
    build,
  );
/** The longtail with what its owner has still to read off it; where its help ends was measured on the road. */
const read = with_(longtail, { 'drive.ratedPowerW': 250 });
/** The first line: what it is here. */
const first = (work: AtWork): string => /Duties and traps(.*?)Class sheet/.exec(work.text)?.[1] ?? '';

describe('the class of a machine, as its owner reads it', () => {
  it('cannot be told while a value that decides is not known, and is once it is typed', async () => {
    const work = await AtWork.at('law clauses', longtail);
    expect(first(work)).toContain('Cannot tell');
    expect(first(work)).toContain('Continuous rated power: the value is not known.');
    await work.type('Rated power', '250');
    expect(first(work)).not.toContain('Cannot tell');
    expect(first(work)).toContain('EAPC');
    // A watt more than SI 2015/24 allows.
    await work.type('Rated power', '251');
    expect(first(work)).toContain('Motor vehicle');
    expect(first(work)).toContain('251 W, where at most 250 W is allowed');
  });

  it('goes with the speed at which help ends: 15.5 mph are 24.9 km/h', async () => {
    const work = await AtWork.at('law clauses', read);
    expect(first(work)).not.toContain('Motor vehicle');
    await work.type('Help ends at, as set', '32');
    // 32 km/h are 19.9 mph.
    expect(first(work)).toMatch(/Motor vehicle.*help ends 19\.9 mph, where at most 15\.5 mph/i);
    expect(work.row('Help ends').slice(0, 3)).toEqual(['at most 15.5 mph', '19.88mph', '−4.38']);
  });

  it('counts a way round the limit that the rider has', async () => {
    const work = await AtWork.at('law clauses', read);
    await work.choose('Rider can lift the limit: wire, jumper, menu', 'yes');
    expect(first(work)).toContain('Motor vehicle');
    await work.choose('Rider can lift the limit: wire, jumper, menu', /not checked|unknown/);
    expect(first(work)).toContain('Cannot tell');
  });

  it('counts a profile that the rider can switch to, and not one that only the programmer reaches', async () => {
    const work = await AtWork.at('law clauses', read);
    await work.press('Add a profile');
    // It begins as the usual one for private land, at the rider's hand.
    expect(work.build.controller.profiles).toMatchObject([{ reach: 'rider', cutoffKmh: 32 }]);
    expect(first(work)).toMatch(/Motor vehicle.*Private land/);
    await work.choose('Switched to by', /programmer/);
    expect(first(work)).not.toContain('Motor vehicle');
    await work.choose('Switched to by', /the rider/);
    await work.type(/^at ?km/, '24.5');
    expect(first(work)).not.toContain('Motor vehicle');
    await work.choose('Hand control', /^throttle$/);
    // A hand control within 15.5 mph: only with an approval (Regulation (EU) No 168/2013, as retained).
    expect(first(work)).toMatch(/Needs approval.*by hand control 24\.5 km\/h in “Private land”/);
    await work.press(/^Remove the profile/);
    expect(work.build.controller.profiles).toEqual([]);
    expect(first(work)).toContain('EAPC in GB.');
  });
});

describe('make it fit', () => {
  const open = { ...read, controller: { ...read.controller, limitsSpeed: false } };

  it('gives a step whose promise stands once it is pressed', async () => {
    const work = await AtWork.at('law fit', open);
    expect(first(work)).toContain('Motor vehicle');
    expect(work.text).toMatch(/1Speed limit to 24\.9 km\/h/);
    await work.press('Try: Speed limit to 24.9\u00a0km/h');
    expect(work.build.controller.limitsSpeed).toBe(true);
    expect(first(work)).toContain('EAPC');
    expect(first(work)).not.toContain('Motor vehicle');
    expect(work.text).toContain('Nothing that a setting could mend is broken.');
  });

  it('says what no setting mends: a rating is the maker’s', async () => {
    const work = await AtWork.at('law fit', with_(open, { 'drive.ratedPowerW': 750 }));
    expect(work.text).toMatch(/What no setting mendsContinuous rated power\. The rating is the maker’s/);
  });
});

describe('all places', () => {
  it('are found by what somebody types of them, and by how the machine stands there', async () => {
    const work = await AtWork.at('law places', read);
    expect(work.text).toMatch(/Inside in \d+ of 40 places/);
    const listed = (): number => work.page.querySelectorAll('[data-place], tbody tr').length;
    const all = listed();
    await work.type('Search places', 'Quebec');
    expect(work.text).toContain('Quebec');
    expect(listed()).toBeLessThan(all);
    await work.type('Search places', 'Atlantis');
    expect(work.text).toMatch(/No place|nothing|none/i);
  });
});

describe('what a class asks', () => {
  it('is no duty and no label of a class that it is not in', async () => {
    const outside = with_(read, { 'drive.ratedPowerW': 750 });
    const sheet = await AtWork.at('print class-sheet', outside);
    expect(sheet.text).toContain('a label must not state a class that the machine is not in');
    expect(sheet.text).toContain('planning aid, not legal advice');
    const inside = await AtWork.at('print class-sheet', read);
    expect(inside.text).not.toContain('None is printed');
    expect(inside.text).toMatch(/Label.*250 W/);
  });

  it('is ticked off, and asked of the rider’s age', async () => {
    const work = await AtWork.at('law duties', read);
    // Road Traffic Act 1988 s.32: fourteen or over.
    expect(work.rows.flat().join(' ')).toContain('14 or over');
    await work.type(/^Rider’s age, youngest/, '12');
    expect(work.text).toContain('its rider has to be 14 years or over');
  });
});
