import { useEffect } from 'react';
import { useBuild } from '../state/build-store.ts';
import { isTyping, useWindowKey } from '../ui/use-window-key.ts';

/** Ctrl+Z and Ctrl+Y, or Ctrl+Shift+Z, over the whole build. */
function onKey(event: KeyboardEvent): void {
  if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
  const key = event.key.toLowerCase();
  if (key !== 'z' && key !== 'y') return;
  event.preventDefault();
  // The field in focus would keep its old text; leaving it first makes it show the restored value.
  if (isTyping(event.target)) event.target.blur();
  const { undo, redo } = useBuild.getState();
  if (key === 'y' || event.shiftKey) redo();
  else undo();
}

function onHide(): void {
  if (document.visibilityState === 'hidden') void useBuild.getState().flush(true);
}

/** Undo and redo by keyboard, and sending what is unsent when the page is hidden or left. */
export function useKeepSaved(): void {
  useWindowKey(onKey);
  useEffect(() => {
    document.addEventListener('visibilitychange', onHide);
    return () => {
      document.removeEventListener('visibilitychange', onHide);
      void useBuild.getState().flush();
    };
  }, []);
}
