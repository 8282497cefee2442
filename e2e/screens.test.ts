import { describe, expect, it } from 'vitest';
import { STAGE_IDS, type StageId } from '@apple-cart/core';
import { everyOtherPage, everySheet, everyView } from './hands.ts';
import { faults } from './rules.ts';
import { stand } from './stand.ts';

const bench = stand();

/** Which sample shows most at a stage: the tandem where pins, holds and values are asked, the longtail elsewhere. */
const SHOWN = new Map<StageId, string>(
  (['donor', 'law', 'wire', 'bench', 'setup'] as const).map((stage) => [stage, 'Choir tandem']),
);

describe('can be read by everybody in either theme, at a desk, on a tablet and a telephone, with room for fingers:', () => {
  it.each(STAGE_IDS)('every view of %s', async (stage) => {
    const page = await bench.open();
    const build = SHOWN.get(stage) ?? 'Orchard longtail';
    for await (const screen of everyView(page, bench.application, build, stage))
      expect(await faults(page), screen).toEqual([]);
  });

  it('every printed page of a build', async () => {
    const page = await bench.open();
    for await (const sheet of everySheet(page, bench.application, 'Orchard longtail'))
      expect(await faults(page, true), sheet).toEqual([]);
  });

  it('every page outside of builds', async () => {
    const page = await bench.open();
    for await (const screen of everyOtherPage(page, bench.application))
      expect(await faults(page), screen).toEqual([]);
  });
});
