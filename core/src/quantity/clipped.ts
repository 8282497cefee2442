/** The beginning of a text, never half of a character that takes two units. */
export function clipped(text: string, most: number): string {
  const cut = text.slice(0, most);
  const last = cut.charCodeAt(cut.length - 1);
  const halved = cut.length < text.length && last >= 0xd800 && last <= 0xdbff;
  return halved ? cut.slice(0, -1) : cut;
}
