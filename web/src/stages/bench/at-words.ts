/** When a record was kept; one that has no time has not reached the server. */
export const atWords = (at: string, dateStyle: 'short' | 'medium' | 'long' = 'medium'): string =>
  at === '' ? 'not sent yet' : new Date(at).toLocaleString('en-GB', { dateStyle, timeStyle: 'short' });
