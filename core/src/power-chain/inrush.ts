/** The rush of current into empty capacitors when a pack is joined. */
export interface Inrush {
  /** At the first touch, A. */
  readonly peakA: number;
  readonly energyJ: number;
}

/** Resistance within the capacitors and the touch of the contacts, ohm. From memory. */
const CAPACITOR_OHM = 0.02;

/** Peak current V / R and energy C V^2 / 2 of capacitors charged from `volts` through `ohm`. Closed form. */
export const inrush = (volts: number, ohm: number, microfarad: number): Inrush => ({
  peakA: volts / (ohm + CAPACITOR_OHM),
  energyJ: (microfarad * 1e-6 * volts * volts) / 2,
});

/** A pre-charge through a resistor. */
export interface PreCharge {
  readonly peakA: number;
  /** Until the capacitors are within a twentieth of the pack's volts: 3 R C. */
  readonly secondsTo95: number;
  readonly peakW: number;
  /** Heat in the resistor, whatever it is: C V^2 / 2. */
  readonly energyJ: number;
}

/** Charging through a resistor, closed form: v = V (1 - exp(-t / RC)); 95 % after ln 20 time constants. */
export const preCharge = (volts: number, ohm: number, microfarad: number): PreCharge => ({
  peakA: volts / ohm,
  secondsTo95: Math.log(20) * ohm * microfarad * 1e-6,
  peakW: (volts * volts) / ohm,
  energyJ: (microfarad * 1e-6 * volts * volts) / 2,
});
