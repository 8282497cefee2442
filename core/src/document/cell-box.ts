import type { Nesting } from './choices.ts';

/** Cells of one size standing in rows in a box, mm. */
export interface CellRows {
  readonly count: number;
  readonly rows: number;
  readonly round: boolean;
  readonly nesting: Nesting;
  /** Along the row and across the rows; a round cell has the same both ways. */
  readonly widthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
  readonly gapMm: number;
  readonly caseMm: number;
}

/** Centre of a cell in the plane of the rows, mm from the case's outer corner. */
export interface CellSeat {
  readonly x: number;
  readonly y: number;
  readonly row: number;
  readonly column: number;
}

export interface CellBox {
  readonly seats: readonly CellSeat[];
  readonly columns: number;
  readonly lengthMm: number;
  readonly depthMm: number;
  readonly heightMm: number;
}

/** Strips, end plates and insulation above and below the cells together, mm. Common practice, no source. */
const STRIPS_MM = 6;

/**
 * Seats of the cells, column by column and there and back, so that neighbours in the order are neighbours in
 * the box; and the box round them. Hexagonal nesting shifts every other row by half a pitch and sets rows
 * sqrt(3)/2 of a pitch apart (closest packing of equal circles; derived). Blocks always stand square.
 */
export function cellBox(cells: CellRows): CellBox {
  const rows = Math.max(1, Math.min(cells.rows, cells.count));
  const columns = Math.ceil(cells.count / rows);
  const hexagonal = cells.round && cells.nesting === 'hexagonal';
  const deep = cells.round ? cells.widthMm : cells.depthMm;
  const pitchX = cells.widthMm + cells.gapMm;
  const pitchY = hexagonal ? (pitchX * Math.sqrt(3)) / 2 : deep + cells.gapMm;
  const seats: CellSeat[] = [];
  for (let i = 0; i < cells.count; i += 1) {
    const column = Math.floor(i / rows);
    const along = i % rows;
    const row = column % 2 === 0 ? along : rows - 1 - along;
    seats.push({
      row,
      column,
      x: cells.caseMm + cells.widthMm / 2 + column * pitchX + (hexagonal && row % 2 === 1 ? pitchX / 2 : 0),
      y: cells.caseMm + deep / 2 + row * pitchY,
    });
  }
  const shifted = hexagonal && rows > 1 ? pitchX / 2 : 0;
  return {
    seats,
    columns,
    lengthMm: (columns - 1) * pitchX + cells.widthMm + shifted + 2 * cells.caseMm,
    depthMm: (rows - 1) * pitchY + deep + 2 * cells.caseMm,
    heightMm: cells.heightMm + STRIPS_MM + 2 * cells.caseMm,
  };
}
