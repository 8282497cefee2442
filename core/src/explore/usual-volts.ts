/** Labels of the packs that most kits run on, V. Common practice. */
export const USUAL_VOLTS = [36, 48, 52] as const;

/** Labels of one voltage differ by this much: 51.8 and 52 V are one. */
const SAME_V = 1.5;
export const sameVolts = (a: number, b: number): boolean => Math.abs(a - b) <= SAME_V;
