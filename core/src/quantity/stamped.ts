/** A number as it is stamped on a thing: a decimal where it has one, and no noughts behind it. */
export const stampedNumber = (value: number, digits = 1): string => String(Number(value.toFixed(digits)));
