import { useEffect } from 'react';

/** Hears keys anywhere in the window while the component stands. */
export function useWindowKey(onKey: (event: KeyboardEvent) => void): void {
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => {
      window.removeEventListener('keydown', onKey);
    };
  }, [onKey]);
}

/** True for a place where letters are typed. */
export const isTyping = (target: EventTarget | null): target is HTMLElement =>
  target instanceof HTMLInputElement || target instanceof HTMLTextAreaElement;
