/** A figure that leaves the core is a number or null: without bounds is null, and says so where it is declared. */
export const orNull = (value: number): number | null => (Number.isFinite(value) ? value : null);
