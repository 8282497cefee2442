/** Something that is being saved. */
interface Leaving {
  readonly leavesBehind: boolean;
}

const open = new Set<Leaving>();

/** Watches over something that is being saved until it is let go. @returns lets it go */
export function watchLeaving(saver: Leaving): () => void {
  open.add(saver);
  return () => open.delete(saver);
}

/** True while closing the page would leave something behind that the server does not have. */
export const leavesBehind = (): boolean => [...open].some((saver) => saver.leavesBehind);

/** Has the browser ask before the page is left, only while something would stay behind. */
export function guardLeaving(): void {
  window.addEventListener('beforeunload', (event) => {
    if (leavesBehind()) event.preventDefault();
  });
}
