import { CHEMISTRIES } from '../document/chemistries.ts';
import { cellBox, type CellBox, type CellSeat } from '../document/cell-box.ts';
import type { KnownPack } from '../document/known-build.ts';
import type { PackDocument } from '../document/pack.ts';
import { bodiesOf, cellRowsOf } from '../document/pack-from-cells.ts';

/** A cell in its seat: the series group it belongs to, counted from the negative end, and which end is up. */
interface PlacedCell extends CellSeat {
  readonly group: number;
  /** Groups stand up and down by turns, so that the next one is joined at the same face. */
  readonly plusUp: boolean;
}

/** Two cells beside each other and the volts between their cans with a full pack. */
interface Neighbours {
  readonly a: PlacedCell;
  readonly b: PlacedCell;
  readonly groupsApart: number;
  readonly volts: number;
}

export interface CellLayout {
  readonly box: CellBox;
  readonly cells: readonly PlacedCell[];
  readonly series: number;
  readonly parallel: number;
  /** Neighbours more than one group apart, the highest first: insulate there. */
  readonly insulate: readonly Neighbours[];
}

/** Cells nearer than this share of a pitch stand side by side. */
const BESIDE = 1.15;

/**
 * Where each cell stands and to which group it belongs, filled column by column there and back, and where
 * neighbouring cells differ most in volts.
 */
export function cellLayout(pack: PackDocument, known: KnownPack): CellLayout {
  const rows = cellRowsOf(pack, known);
  const box = cellBox(rows);
  const { series, parallel } = bodiesOf(pack, known);
  const cells = box.seats.map((seat, i): PlacedCell => {
    const group = Math.floor(i / parallel);
    return { ...seat, group, plusUp: group % 2 === 0 };
  });
  const fullV = CHEMISTRIES[pack.chemistry].fullV * pack.cell.inBody;
  return { box, cells, series, parallel, insulate: apart(cells, rows, fullV) };
}

function apart(
  cells: readonly PlacedCell[],
  rows: ReturnType<typeof cellRowsOf>,
  fullV: number,
): readonly Neighbours[] {
  const pitchX = (rows.widthMm + rows.gapMm) * BESIDE;
  const pitchY = ((rows.round ? rows.widthMm : rows.depthMm) + rows.gapMm) * BESIDE;
  const seat = new Map(cells.map((cell) => [`${String(cell.column)} ${String(cell.row)}`, cell]));
  const found: Neighbours[] = [];
  for (const a of cells) {
    // Only the half of the neighbours that lies ahead: each pair is met once.
    for (const [dc, dr] of [
      [1, -1],
      [1, 0],
      [1, 1],
      [0, 1],
    ] as const) {
      const b = seat.get(`${String(a.column + dc)} ${String(a.row + dr)}`);
      if (b === undefined) continue;
      const inside = ((b.x - a.x) / pitchX) ** 2 + ((b.y - a.y) / pitchY) ** 2 <= 1;
      const groupsApart = Math.abs(a.group - b.group);
      if (inside && groupsApart > 1) found.push({ a, b, groupsApart, volts: groupsApart * fullV });
    }
  }
  return found.sort((x, y) => y.volts - x.volts);
}
