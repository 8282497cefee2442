/**
 * The share of the tyre's width by which a laden tyre flattens at the contact.
 * Common practice: brings pi (bead + 2 tyre) to within 1 % of the usual speedometer tables.
 */
const LADEN_SAG = 0.07;

/**
 * Roll-out of a laden wheel in mm, from its ISO 5775-1 bead diameter and tyre width, both in mm:
 * pi (bead + 2 (1 - 0.07) tyre). Derived; a measured roll-out is always better.
 */
export const rolloutFromSizeMm = (beadMm: number, tyreMm: number): number =>
  Math.PI * (beadMm + 2 * (1 - LADEN_SAG) * tyreMm);

/** Common ISO 5775-1 bead diameters with their everyday names, for pickers. */
export const WHEEL_SIZES: readonly { readonly beadMm: number; readonly name: string }[] = [
  { beadMm: 305, name: '16 in' },
  { beadMm: 355, name: '18 in' },
  { beadMm: 406, name: '20 in' },
  { beadMm: 451, name: '20 in, narrow' },
  { beadMm: 507, name: '24 in' },
  { beadMm: 559, name: '26 in' },
  { beadMm: 584, name: '27.5 in, 650B' },
  { beadMm: 622, name: '28 in, 29 in, 700C' },
  { beadMm: 635, name: '28 in, roadster' },
];
