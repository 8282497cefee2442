/** Today where the browser stands, as ISO 8601 writes it. */
export const today = (): string => new Date().toLocaleDateString('sv-SE');
