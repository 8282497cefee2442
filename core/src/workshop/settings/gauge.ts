import type { Chemistry } from '../../document/choices.ts';
import { AT_REST } from '../../power-chain/expectations.ts';
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

const CHARGES = [1, 0.9, 0.8, 0.7, 0.6, 0.5, 0.4, 0.3, 0.2, 0.1, 0];

/**
 * Share of a plain gauge that is set for so many cells in series, by volts at rest: it takes what a sound cell of the chemistry has
 * from empty to full for its face. Common practice, no source.
 */
export function gaugeShare(volts: number, cells: number, chemistry: Chemistry): number {
  const [empty, full] = AT_REST[chemistry];
  const share = (volts - empty * cells) / ((full - empty) * cells);
  return Math.max(0, Math.min(1, share));
}

/** The pack's volts at rest with what its display shows, set for this pack and for another one. */
export const gaugeTable = (pack: Pack, setFor: number): readonly GaugeRow[] =>
  CHARGES.map((charge) => {
    const { openVolts } = supplyAt(pack, charge);
    return {
      charge,
      restV: openVolts,
      rightly: gaugeShare(openVolts, pack.cellsInSeries, pack.chemistry),
      shown: gaugeShare(openVolts, setFor, pack.chemistry),
    };
  });
