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

/** A cut-off against so many cells of a chemistry. */
interface CellCutoff {
  readonly perCell: number;
  /** Volts a cell, and volts of the whole. */
  readonly cell: readonly [number, number];
  readonly whole: readonly [number, number];
  readonly is: 'too low' | 'right' | 'too high';
}

/** Sums are right to their last bits only. */
const HAIR_V = 1e-9;

export function cellCutoff(chemistry: Chemistry, cells: number, volts: number): CellCutoff {
  const cell = CUTOFF_SPAN[chemistry];
  const whole = [cell[0] * cells, cell[1] * cells] as const;
  const high = volts > whole[1] + HAIR_V ? 'too high' : 'right';
  return { perCell: volts / cells, cell, whole, is: volts < whole[0] - HAIR_V ? 'too low' : high };
}

/** The packs that the controller's low-voltage cut-off is not meant for, each with why. */
export const miscutPacks = (
  build: BuildDocument,
  known: KnownBuild,
): readonly { readonly index: number; readonly why: Phrase }[] =>
  build.packs.flatMap(({ chemistry }, index) => {
    const cells = known.packs[index]?.cellsInSeries.value ?? 1;
    const { perCell, cell, is } = cellCutoff(chemistry, cells, known.controller.lowVoltageCutoffV.value);
    if (is === 'right') return [];
    const why: Phrase = [
      qty(perCell, 'V', 2),
      ' a cell; usual for ',
      CHEMISTRIES[chemistry].name,
      ' is ',
      qty(cell[0], 'V', 2),
      ' to ',
      qty(cell[1], 'V', 2),
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
