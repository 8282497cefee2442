/** Where the energy of a ride came from and went, J. Each is summed over the ride; gains are positive in `from`. */
export interface Ledger {
  /** Out of the cells' open-circuit volts, what braking put back taken off again. */
  pack: number;
  /** The part of it that braking put back, counted at the cells. */
  regenerated: number;
  /** At the pedals. */
  rider: number;
  rolling: number;
  air: number;
  /** Up less down. */
  grade: number;
  /** Into motion, what was taken out again taken off. */
  motion: number;
  brakes: number;
  copper: number;
  core: number;
  /** The motor's gears, and the chain of a mid-drive. */
  gears: number;
  /** Between pedals and tyre. */
  chain: number;
  controller: number;
  /** In cells, and in leads and plugs. */
  cells: number;
  leads: number;
  accessories: number;
}

export const emptyLedger = (): Ledger => ({
  pack: 0,
  regenerated: 0,
  rider: 0,
  rolling: 0,
  air: 0,
  grade: 0,
  motion: 0,
  brakes: 0,
  copper: 0,
  core: 0,
  gears: 0,
  chain: 0,
  controller: 0,
  cells: 0,
  leads: 0,
  accessories: 0,
});

/** What everything that went in leaves over when everything that came out is taken off, J; 0 but for rounding. */
export const systemGap = (l: Readonly<Ledger>): number =>
  l.pack +
  l.rider -
  (l.rolling +
    l.air +
    l.grade +
    l.motion +
    l.brakes +
    l.copper +
    l.core +
    l.gears +
    l.chain +
    l.controller +
    l.cells +
    l.leads +
    l.accessories);
