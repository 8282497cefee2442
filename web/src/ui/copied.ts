/** Puts a text on the clipboard; a page that is no secure context has none, so that the old way is kept for it. */
export async function copied(text: string): Promise<boolean> {
  try {
    // Not there on a page of the local network.
    const clipboard = navigator.clipboard as Clipboard | undefined;
    if (clipboard !== undefined) {
      await clipboard.writeText(text);
      return true;
    }
  } catch {
    // The old way may still be allowed.
  }
  const area = document.createElement('textarea');
  area.value = text;
  area.setAttribute('readonly', '');
  area.className = 'fixed top-0 left-0 opacity-0';
  document.body.append(area);
  area.select();
  // oxlint-disable-next-line typescript/no-deprecated -- the only way without a secure context
  const done = document.execCommand('copy');
  area.remove();
  return done;
}
