import * as z from 'zod';

/** Every currency of ISO 4217 that the platform knows, by its three letters. */
export const CURRENCIES: readonly string[] = Intl.supportedValuesOf('currency');
/** Most of any price: some currencies count in millions what others count in tens. */
export const MOST_MONEY = 1e9;

export const currency = z.enum(CURRENCIES as [string, ...string[]], {
  error: 'three letters of ISO 4217, such as EUR',
});
