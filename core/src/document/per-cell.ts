/** Usual low-voltage cut-off under load, volts a cell (lead-acid: per 2 V cell). Common practice. */
export const CUTOFF_PER_CELL = { nmc: 3.1, 'nmc-power': 3.1, lmo: 3.1, lfp: 2.7, 'lead-acid': 1.75 } as const;

/** Volts that a label counts per cell: "48 V" is 13 lithium cells, "52 V" 14, "60 V" 16, "72 V" 20. Common practice. */
export const LABEL_V_PER_CELL = { nmc: 3.65, 'nmc-power': 3.65, lmo: 3.7, lfp: 3.2, 'lead-acid': 2 } as const;

/**
 * Amps that cells give or take per amp-hour: continuously, for some ten seconds, and on charge. Common
 * practice, no source; the cell maker's data sheet decides.
 */
export const AMPS_PER_AH = {
  nmc: { continuous: 2, peak: 3, charge: 0.5 },
  'nmc-power': { continuous: 6, peak: 10, charge: 1 },
  lmo: { continuous: 3, peak: 5, charge: 0.5 },
  lfp: { continuous: 2, peak: 4, charge: 0.5 },
  'lead-acid': { continuous: 0.6, peak: 3, charge: 0.25 },
} as const;
