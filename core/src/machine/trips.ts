/** A board opens beyond this many times its label. From memory: 1 to 3, by the maker. */
const TRIPS_AT = 1.5;
/** Seconds that it bears at twice the square of that, and the share of it at which it opens at once. From memory. */
const BEARS_S = 2;
const AT_ONCE = 2.5;

/**
 * Seconds until a protection board opens at an even current, A: y = I / (1.5 x label), and the sum of (y^2 - 1) dt comes
 * to 2 s; at once above y = 2.5. Undefined where it carries it: up to the label for ever, up to 1.5 times it for now.
 */
export function opensAfter(bmsA: number, amps: number): number | undefined {
  const y = amps / (TRIPS_AT * bmsA);
  if (!(y > 1)) return undefined;
  return y > AT_ONCE ? 0 : BEARS_S / (y * y - 1);
}

/** A board on a ride: what has gathered towards opening, and whether it is open. */
export class Board {
  private gathered = 0;
  open = false;

  /**
   * Carries a current for a while.
   * @param share of its label
   * @param dt s
   */
  carry(share: number, dt: number): void {
    const y = share / TRIPS_AT;
    this.gathered = Math.max(0, this.gathered + (y * y - 1) * dt);
    if (y > AT_ONCE || this.gathered >= BEARS_S) this.open = true;
  }

  /** Another pack's board takes its place. */
  renew(): void {
    this.gathered = 0;
    this.open = false;
  }
}
