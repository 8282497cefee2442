import { supplyAt, type Pack } from '../../machine/battery.ts';

/** One row of the gauge table: what is in the pack, and what a display says of it. */
export interface GaugeRow {
  /** True charge, 0 to 1. */
  readonly charge: number;
  readonly restV: number;
  /** What a gauge that shares the volts of its own pack evenly shows, 0 to 1; the same gauge set for this pack, and as it is set. */
  readonly rightly: number;
  readonly shown: number;
}

/** What a plain gauge takes for empty and for full, V a lithium cell. Common practice, no source. */
const [EMPTY_V, FULL_V] = [3.0, 4.2];
const CHARGES = [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1, 0];

/** Share of a gauge that is set for so many cells in series, by volts at rest. */
export function gaugeShare(volts: number, cells: number): number {
  const share = (volts - EMPTY_V * cells) / ((FULL_V - EMPTY_V) * cells);
  return Math.max(0, Math.min(1, share));
}

/** The pack's volts at rest with what its display shows, set for this pack and for another one. */
export const gaugeTable = (pack: Pack, setFor: number): readonly GaugeRow[] =>
  CHARGES.map((charge) => {
    const { openVolts } = supplyAt(pack, charge);
    return {
      charge,
      restV: openVolts,
      rightly: gaugeShare(openVolts, pack.cellsInSeries),
      shown: gaugeShare(openVolts, setFor),
    };
  });
