import { CHEMISTRIES } from './chemistries.ts';
import { cellBox, type CellRows } from './cell-box.ts';
import type { Known, KnownPack } from './known-build.ts';
import type { PackDocument } from './pack.ts';
import { worked, workedAlways } from './worked.ts';

/** Holders, strips, protection, leads and case by the mass of the cells. Common practice, no source. */
const FITTINGS_SHARE = 0.18;

/** Bodies of a pack made from cells: blocks hold several cells in series. */
export function bodiesOf(pack: PackDocument, known: KnownPack): { series: number; parallel: number } {
  return {
    series: Math.max(1, Math.ceil(known.cellsInSeries.value / pack.cell.inBody)),
    parallel: Math.max(1, Math.round(known.cell.parallel.value)),
  };
}

/** The cells of a pack as rows in a box. */
export function cellRowsOf(pack: PackDocument, known: KnownPack): CellRows {
  const { cell } = known;
  const { series, parallel } = bodiesOf(pack, known);
  return {
    count: series * parallel,
    rows: Math.max(1, Math.round(cell.rows.value)),
    round: pack.cell.round,
    nesting: pack.cell.nesting,
    widthMm: cell.widthMm.value,
    depthMm: cell.depthMm.value,
    heightMm: cell.heightMm.value,
    gapMm: cell.gapMm.value,
    caseMm: cell.caseMm.value,
  };
}

/**
 * A pack made from cells, S x P: volts are S nominal cells, amp-hours and amps are P cells. Mass and box
 * are worked out too, and replaced by what is measured once the pack stands there. Gaps and case are taken as usual. Derived.
 */
export function packFromCells(pack: PackDocument, entered: KnownPack): KnownPack {
  const rows = worked(entered.cell.rows, Math.max(1, Math.round(entered.cell.parallel.value)), [
    entered.cell.parallel,
  ]);
  const known: KnownPack = { ...entered, cell: { ...entered.cell, rows } };
  const { cell } = known;
  const { series, parallel } = bodiesOf(pack, known);
  const box = cellBox(cellRowsOf(pack, known));
  const kg = (series * parallel * cell.massG.value * (1 + FITTINGS_SHARE)) / 1000;
  const { cellsInSeries } = known;
  const side = (one: Known): readonly Known[] => [cell.parallel, one];
  const body = pack.cell.round
    ? [cellsInSeries, cell.parallel, cell.widthMm]
    : [cellsInSeries, cell.parallel, cell.widthMm, cell.depthMm];
  const volts = cellsInSeries.value * CHEMISTRIES[pack.chemistry].nominalV;
  return {
    ...known,
    nominalV: workedAlways(known.nominalV, volts, [cellsInSeries]),
    capacityAh: workedAlways(known.capacityAh, parallel * cell.capacityAh.value, side(cell.capacityAh)),
    cellsContinuousA: workedAlways(
      known.cellsContinuousA,
      parallel * cell.continuousA.value,
      side(cell.continuousA),
    ),
    cellsPeakA: workedAlways(known.cellsPeakA, parallel * cell.peakA.value, side(cell.peakA)),
    maxChargeA: workedAlways(known.maxChargeA, parallel * cell.chargeA.value, side(cell.chargeA)),
    massKg: worked(known.massKg, kg, [cellsInSeries, cell.parallel, cell.massG]),
    boxLengthMm: worked(known.boxLengthMm, box.lengthMm, body),
    boxHeightMm: worked(known.boxHeightMm, box.depthMm, body),
    boxWidthMm: worked(known.boxWidthMm, box.heightMm, [cell.heightMm]),
  };
}
