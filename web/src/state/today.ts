/** Today where the browser stands, as ISO 8601 writes it. */
export const today = (): string => new Date().toLocaleDateString('sv-SE');

/** A day in a few words, without its year where it is this one. */
export function dayShort(day: string, today: string): string {
  const date = new Date(`${day}T12:00:00`);
  const same = day.slice(0, 4) === today.slice(0, 4);
  return date.toLocaleDateString('en-GB', {
    day: 'numeric',
    month: 'short',
    ...(same ? {} : { year: 'numeric' }),
  });
}
