import type { Chemistry } from '../document/choices.ts';
import type { KnownBuild } from '../document/known-build.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import { ofPack } from '../document/pack-names.ts';

/** What a voltmeter should show at one place, V. */
export interface Reading {
  readonly where: string;
  readonly lowV: number;
  readonly highV: number;
  /** What tells it: cells that somebody has counted, the label alone, or nothing that anybody has read. */
  readonly by: 'cells' | 'label' | 'nothing';
}

/**
 * Volts a cell at rest that a sound pack may show: a lithium cell from its cut-off to full, a lead-acid cell
 * from half empty to just charged (four 12 V blocks: 48 to 52.5 V). Common practice, no source.
 */
export const AT_REST: Readonly<Record<Chemistry, readonly [number, number]>> = {
  nmc: [3.0, 4.2],
  'nmc-power': [3.0, 4.2],
  lmo: [3.0, 4.2],
  lfp: [2.8, 3.65],
  'lead-acid': [2.0, 2.1875],
};

/** A meter shows this little where nothing is joined, V. Common practice. */
const NOTHING_V = 0.1;
/** A 12 V block by itself, V. Common practice. */
export const BLOCK_V = [12, 12.9] as const;

/** What the volts of a pack are told by. */
export function toldBy({ cellsInSeries, nominalV }: KnownBuild['packs'][number]): Reading['by'] {
  if (cellsInSeries.source !== 'unknown') return 'cells';
  return nominalV.source === 'unknown' ? 'nothing' : 'label';
}

/** What to read before anything is joined: one group, the pack, and beyond an open breaker; of each pack. */
export function readings(build: BuildDocument): readonly Reading[] {
  const known = knownBuild(build);
  const { protection } = build.cabling;
  const packs = packsAboard(build, known).map(({ pack }, i) => {
    const [low, high] = AT_REST[pack.chemistry];
    return {
      pack,
      which: ofPack(build, i),
      by: toldBy(known.packs[i] ?? known.packs[0]),
      lowV: low * pack.cellsInSeries,
      highV: high * pack.cellsInSeries,
    };
  });
  const each = packs.flatMap(({ pack, which, by, lowV, highV }): readonly Reading[] => {
    const [low, high] = AT_REST[pack.chemistry];
    return [
      pack.chemistry === 'lead-acid'
        ? { where: `each 12 V block at rest${which}`, lowV: BLOCK_V[0], highV: BLOCK_V[1], by: 'cells' }
        : { where: `each series group at rest${which}`, lowV: low, highV: high, by: 'cells' },
      { where: `the pack at rest${which}`, lowV, highV, by },
    ];
  });
  if (protection !== 'breaker' && protection !== 'fuse') return each;
  const breaker = protection === 'breaker';
  return [
    ...each,
    {
      where: breaker ? 'beyond the breaker, off' : 'beyond the fuse, taken out',
      lowV: 0,
      highV: NOTHING_V,
      by: 'cells',
    },
    {
      where: breaker ? 'beyond the breaker, on' : 'beyond the fuse, put in',
      lowV: Math.min(...packs.map((one) => one.lowV)),
      highV: Math.max(...packs.map((one) => one.highV)),
      by: (['nothing', 'label'] as const).find((by) => packs.some((one) => one.by === by)) ?? 'cells',
    },
  ];
}
