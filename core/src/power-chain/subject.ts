import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild } from '../document/known-build.ts';
import { fullChargeVolts } from '../machine/battery.ts';
import { packsAboard } from '../machine/packs-aboard.ts';
import type { Machine } from '../machine/machine.ts';
import { couldTurn, plausibleSpan } from '../machine/span.ts';
import type { Chain } from './chain.ts';

/** What the checks of the power chain look at. */
export interface PowerSubject {
  readonly build: BuildDocument;
  readonly known: KnownBuild;
  readonly machine: Machine;
  readonly chain: Chain;
}

/** Full charge of the highest pack, V. */
export const highestVolts = (build: BuildDocument, known: KnownBuild): number =>
  Math.max(...packsAboard(build, known).map(({ pack }) => fullChargeVolts(pack)));

/**
 * Cells that nobody has counted, where it could matter: a pack's label leaves open whether there is one more in series, and a
 * pack without one leaves open everything that is usual.
 * @param bears whether a full charge of so many volts is still fine
 */
export function uncounted(
  { build, known }: Pick<PowerSubject, 'build' | 'known'>,
  bears: (fullV: number) => boolean,
): readonly Known[] {
  return packsAboard(build, known).flatMap(({ pack }, i) => {
    const { cellsInSeries: cells, nominalV } = known.packs[i] ?? known.packs[0];
    const counts =
      nominalV.source === 'unknown'
        ? plausibleSpan(nominalV).map((volts) => Math.round((volts * pack.cellsInSeries) / nominalV.value))
        : [pack.cellsInSeries + 1];
    const fullOf = (count: number): number => fullChargeVolts({ ...pack, cellsInSeries: count });
    if (nominalV.source !== 'unknown' && !bears(fullOf(pack.cellsInSeries))) return [];
    return couldTurn(cells, (count) => bears(fullOf(count)), counts);
  });
}

/** A controller's capacitors are at their edge within this of their volts. Common practice: 63 V on a 14S pack. */
export const EDGE = 0.95;
