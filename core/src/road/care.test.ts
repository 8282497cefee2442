import { describe, expect, it } from 'vitest';
import { phraseText } from '../quantity/phrase.ts';
import { longtail } from '../test/builds.ts';
import { careOf } from './care.ts';
import { upkeepOf } from './upkeep.ts';

describe('the care that is handed over', () => {
  it('is the upkeep of the build: each task once, none left out', () => {
    expect(careOf(longtail).map(({ name }) => name)).toEqual(
      upkeepOf(longtail, [], [], '2026-03-02').rows.map(({ task }) => task.name),
    );
  });

  it('says the first time apart from the later ones, and days beside km', () => {
    const when = (name: RegExp): string | undefined => {
      const found = careOf(longtail).find((c) => name.test(c.name));
      return found && phraseText(found.when, 'metric').replaceAll('\u00a0', ' ');
    };
    expect(when(/lock ring/)).toBe('first after 50 km, then every 500 km');
    expect(when(/Plugs/)).toBe('first after 100 km, then every 1,000 km or 180 days');
    expect(when(/Tyres/)).toBe('every 200 km or 14 days');
  });
});
