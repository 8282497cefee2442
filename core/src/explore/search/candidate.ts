/** A combination by its places in the grid: motor, tyre with ring and cogs, pack with controller. */
export interface Place {
  readonly motor: number;
  readonly geared: number;
  readonly pair: number;
}

/** A combination with the figures that it is ranked by. */
export interface Candidate extends Place {
  readonly price: number;
  readonly massKg: number;
  /** Steady on the test hill; undefined where it stalls. */
  readonly hillKmh: number | undefined;
  /** Near end of the planned range, km; NaN where nobody asked. */
  readonly rangeKm: number;
}
