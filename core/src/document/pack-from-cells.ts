import { CHEMISTRIES } from './chemistries.ts';
import { cellBox, type CellRows } from './cell-box.ts';
import type { BuildDocument } from './document.ts';
import type { KnownBuild } from './known-build.ts';
import { worked, workedAlways } from './worked.ts';

/** Holders, strips, protection, leads and case by the mass of the cells. Common practice, no source. */
const FITTINGS_SHARE = 0.18;

/** Bodies of a pack made from cells: blocks hold several cells in series. */
export function bodiesOf(build: BuildDocument, known: KnownBuild): { series: number; parallel: number } {
  return {
    series: Math.max(1, Math.ceil(known.pack.cellsInSeries.value / build.cell.inBody)),
    parallel: Math.max(1, Math.round(known.cell.parallel.value)),
  };
}

/** The cells of a build's pack as rows in a box. */
export function cellRowsOf(build: BuildDocument, known: KnownBuild): CellRows {
  const { cell } = known;
  const { series, parallel } = bodiesOf(build, known);
  return {
    count: series * parallel,
    rows: Math.max(1, Math.round(cell.rows.value)),
    round: build.cell.round,
    nesting: build.cell.nesting,
    widthMm: cell.widthMm.value,
    depthMm: cell.depthMm.value,
    heightMm: cell.heightMm.value,
    gapMm: cell.gapMm.value,
    caseMm: cell.caseMm.value,
  };
}

/**
 * A pack made from cells, S x P: volts are S nominal cells, amp-hours and amps are P cells. Mass and box
 * are worked out too, and replaced by what is measured once the pack stands there. Derived.
 */
export function packFromCells(build: BuildDocument, entered: KnownBuild): Pick<KnownBuild, 'pack' | 'cell'> {
  const rows = worked(entered.cell.rows, Math.max(1, Math.round(entered.cell.parallel.value)));
  const known: KnownBuild = { ...entered, cell: { ...entered.cell, rows } };
  const { cell, pack } = known;
  const { series, parallel } = bodiesOf(build, known);
  const box = cellBox(cellRowsOf(build, known));
  const kg = (series * parallel * cell.massG.value * (1 + FITTINGS_SHARE)) / 1000;
  return {
    cell,
    pack: {
      ...pack,
      nominalV: workedAlways(
        pack.nominalV,
        pack.cellsInSeries.value * CHEMISTRIES[build.pack.chemistry].nominalV,
      ),
      capacityAh: workedAlways(pack.capacityAh, parallel * cell.capacityAh.value),
      cellsContinuousA: workedAlways(pack.cellsContinuousA, parallel * cell.continuousA.value),
      cellsPeakA: workedAlways(pack.cellsPeakA, parallel * cell.peakA.value),
      maxChargeA: workedAlways(pack.maxChargeA, parallel * cell.chargeA.value),
      massKg: worked(pack.massKg, kg),
      boxLengthMm: worked(pack.boxLengthMm, box.lengthMm),
      boxHeightMm: worked(pack.boxHeightMm, box.depthMm),
      boxWidthMm: worked(pack.boxWidthMm, box.heightMm),
    },
  };
}
