// @vitest-environment happy-dom
import { describe, expect, it } from 'vitest';
import { withQuantity, type BuildDocument, type QuantityPath } from '@apple-cart/core';
import { longtail } from '@apple-cart/core/test';
import { AtWork } from '../../test/at-work.ts';
import { showsPages } from '../../test/pages.ts';

showsPages();

const unread = (build: BuildDocument, ...paths: readonly QuantityPath[]): BuildDocument =>
  paths.reduce((b, path) => withQuantity(b, path, { source: 'unknown' }), build);
/** The words of a row of the steps: what is changed, what goes with it, and its cells. */
const stepOf = (work: AtWork, what: string): string =>
  work.rows.find((cells) => cells.some((cell) => cell.startsWith(what)))?.join(' | ') ?? '';

describe('what a step would gain', () => {
  it('is told from what was read to what is bought', async () => {
    const work = await AtWork.at('change gain', longtail);
    await work.press(/^Show all/);
    expect(stepOf(work, 'Controller 22 to 30 A')).toContain('Marl 30');
    expect(work.text).not.toContain('Yours is not known');
    expect(work.text).not.toContain('with a usual');
    expect(stepOf(work, 'One more pack')).toContain('Then to be found out: ');
  });

  it('is held against a default where nobody has read what is in hand, and says so', async () => {
    const work = await AtWork.at('change gain', unread(longtail, 'controller.batteryCurrentA'));
    await work.press(/^Show all/);
    const row = stepOf(work, 'Controller to 30 A');
    expect(row).toMatch(/Yours is not known: the gain is over \d+ A, by a default/);
    expect(work.text).not.toMatch(/Controller \d+ to/);
  });

  it('names what stands in beside the figures that it makes', async () => {
    const work = await AtWork.at(
      'change gain',
      unread(longtail, 'packs.0.nominalV', 'packs.0.cellsInSeries'),
    );
    expect(work.text).toMatch(/Top speed ?with a usual pack/);
    const moves = await AtWork.at(
      'change moves',
      unread(longtail, 'packs.0.nominalV', 'packs.0.cellsInSeries'),
    );
    expect(moves.text).toContain('km/h now, with a usual pack');
  });
});

describe('what moves it most', () => {
  const moved = async (build: BuildDocument, label: string): Promise<string> => {
    const work = await AtWork.at('change moves', build);
    return work.rows.find((cells) => cells[0]?.startsWith(label))?.[0] ?? '';
  };

  it.each([
    {
      path: 'controller.batteryCurrentA',
      label: 'Battery current limit',
      how: 'as far as that is usually off',
    },
    {
      path: 'gearing.ringTeeth',
      label: 'Chainring',
      how: 'nobody has read it, and it may be further off',
    },
  ] as const)('says of what nobody has read how far it may be off: $label', async ({ path, label, how }) => {
    expect(await moved(unread(longtail, path), label)).toContain(how);
    expect(await moved(longtail, label)).not.toContain('of a default');
  });
});
