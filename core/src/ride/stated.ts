/** State of charge at which top speed, hill and start are stated: half. */
export const STATED_CHARGE = 0.5;

/** Share of the even level range that is left with stops and small grades. Common practice, no source. */
export const MIXED_RIDING = 0.85;
