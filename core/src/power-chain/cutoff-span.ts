import type { BuildDocument } from '../document/document.ts';
import type { Chemistry } from '../document/choices.ts';
import { CHEMISTRIES } from '../document/chemistries.ts';
import type { KnownBuild } from '../document/known-build.ts';
import { qty, type Phrase } from '../quantity/phrase.ts';

/** Per-cell volts under load at which a cut-off makes sense. Common practice, no source. */
const CUTOFF_SPAN: Readonly<Record<Chemistry, readonly [number, number]>> = {
  nmc: [2.8, 3.4],
  'nmc-power': [2.8, 3.4],
  lmo: [2.8, 3.5],
  lfp: [2.4, 3.1],
  'lead-acid': [1.65, 1.95],
};

/** The packs that the controller's low-voltage cut-off is not meant for, each with why. */
export const miscutPacks = (
  build: BuildDocument,
  known: KnownBuild,
): readonly { readonly index: number; readonly why: Phrase }[] =>
  build.packs.flatMap(({ chemistry }, index) => {
    const cells = known.packs[index]?.cellsInSeries.value ?? 1;
    const perCell = known.controller.lowVoltageCutoffV.value / cells;
    const [low, high] = CUTOFF_SPAN[chemistry];
    if (perCell >= low && perCell <= high) return [];
    const why: Phrase = [
      qty(perCell, 'V', 2),
      ' a cell; usual for ',
      CHEMISTRIES[chemistry].name,
      ' is ',
      qty(low, 'V', 2),
      ' to ',
      qty(high, 'V', 2),
      '. The cell maker’s data sheet decides.',
    ];
    return [{ index, why }];
  });

/** The cut-offs that suit every pack aboard, V; undefined where there are none, or nobody has counted the cells of one. */
export function cutoffSpan(build: BuildDocument, known: KnownBuild): readonly [number, number] | undefined {
  const spans = build.packs.map(({ chemistry }, i) => {
    const cells = known.packs[i]?.cellsInSeries;
    const [low, high] = CUTOFF_SPAN[chemistry];
    return cells === undefined || cells.source === 'unknown'
      ? ([NaN, NaN] as const)
      : ([low * cells.value, high * cells.value] as const);
  });
  const low = Math.max(...spans.map(([least]) => least));
  const high = Math.min(...spans.map(([, most]) => most));
  return low <= high ? [low, high] : undefined;
}
