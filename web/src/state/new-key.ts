/**
 * A key of 24 letters and digits that nobody else makes. A page of another machine's is no secure context, where `randomUUID` is not
 * there; `getRandomValues` is.
 */
export function newKey(): string {
  const bytes = crypto.getRandomValues(new Uint8Array(12));
  return Array.from(bytes, (b) => b.toString(16).padStart(2, '0')).join('');
}
