import { supplyAt, type Pack } from '../machine/battery.ts';

/** One line of the pocket card: what a voltmeter shows and what a display of bars would. */
export interface CardRow {
  readonly charge: number;
  readonly restV: number;
  readonly cellV: number;
  /** On the test hill, or at the controller's limit where it is not climbed. */
  readonly loadedV: number;
  readonly barsAtRest: number;
  readonly barsLoaded: number;
}

export const BARS = 5;

/** Bars of a display that shares the volts from the cut-off to full evenly, as the plain ones do. Common practice. */
export function barsAt(volts: number, cutoffV: number, fullV: number): number {
  const share = (volts - cutoffV) / Math.max(1e-9, fullV - cutoffV);
  return Math.max(0, Math.min(BARS, Math.ceil(share * BARS - 1e-9)));
}

const CARD_CHARGES = [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1, 0];

/** The card of a pack: resting volts by state of charge, and what a load does to them. */
export function restingCard(pack: Pack, cutoffV: number, fullV: number, loadA: number): readonly CardRow[] {
  return CARD_CHARGES.map((charge): CardRow => {
    const { openVolts, ohm } = supplyAt(pack, charge);
    const loadedV = openVolts - ohm * loadA;
    return {
      charge,
      restV: openVolts,
      cellV: openVolts / pack.cellsInSeries,
      loadedV,
      barsAtRest: barsAt(openVolts, cutoffV, fullV),
      barsLoaded: barsAt(loadedV, cutoffV, fullV),
    };
  });
}

/** The charge at which bars and charge are furthest apart, and by how much; what the card warns of. */
export function misleads(
  rows: readonly CardRow[],
): { readonly row: CardRow; readonly when: 'rest' | 'load' } | undefined {
  let found: { row: CardRow; when: 'rest' | 'load'; apart: number } | undefined;
  for (const row of rows) {
    for (const when of ['rest', 'load'] as const) {
      const bars = when === 'rest' ? row.barsAtRest : row.barsLoaded;
      const apart = Math.abs(bars / BARS - row.charge);
      if (apart > (found?.apart ?? 0.1)) found = { row, when, apart };
    }
  }
  return found === undefined ? undefined : { row: found.row, when: found.when };
}
