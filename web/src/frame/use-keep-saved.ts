import { useEffect } from 'react';
import { useBuild } from '../state/build-store.ts';

const editable = (target: EventTarget | null): boolean =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;

/** Sends what is unsent when the page is hidden or left, and gives the whole build Ctrl+Z and Ctrl+Y. */
export function useKeepSaved(): void {
  useEffect(() => {
    const onHide = (): void => {
      if (document.visibilityState === 'hidden') void useBuild.getState().flush(true);
    };
    const onKey = (event: KeyboardEvent): void => {
      if (!(event.ctrlKey || event.metaKey) || event.altKey) return;
      const key = event.key.toLowerCase();
      const redo = key === 'y' || (key === 'z' && event.shiftKey);
      if (key !== 'z' && key !== 'y') return;
      event.preventDefault();
      // The field in focus would keep its old text; leaving it first makes it show the restored value.
      if (editable(event.target)) (event.target as HTMLElement).blur();
      if (redo) useBuild.getState().redo();
      else useBuild.getState().undo();
    };
    document.addEventListener('visibilitychange', onHide);
    window.addEventListener('keydown', onKey);
    return () => {
      document.removeEventListener('visibilitychange', onHide);
      window.removeEventListener('keydown', onKey);
      void useBuild.getState().flush();
    };
  }, []);
}
