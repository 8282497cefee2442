import { useSyncExternalStore } from 'react';

/** Narrower than a bench's screen: what is touched wants room for a finger. As `--breakpoint-bench` has it. */
const NARROW = '(max-width: 1099.98px)';

function subscribe(changed: () => void): () => void {
  const media = window.matchMedia(NARROW);
  media.addEventListener('change', changed);
  return () => {
    media.removeEventListener('change', changed);
  };
}

/** True where the screen is one of fingers; drawings that are not laid out by styles ask for it. */
export const useFingers = (): boolean =>
  useSyncExternalStore(subscribe, () => window.matchMedia(NARROW).matches);
