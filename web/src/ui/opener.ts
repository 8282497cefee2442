/** What had the focus when a dialog opened: where it goes back to. What stood in a menu goes back to the menu's button. */
export function openerNow(): HTMLElement | undefined {
  const active = document.activeElement;
  if (!(active instanceof HTMLElement) || active === document.body) return undefined;
  const menu = active.closest('[role=menu]');
  return menu === null
    ? active
    : (document.getElementById(menu.getAttribute('aria-labelledby') ?? '') ?? undefined);
}

/** Gives the focus back once a dialog has gone, unless what was done in it has put it somewhere. */
export const backTo =
  (opener: HTMLElement | undefined) =>
  (event: Event): void => {
    event.preventDefault();
    if (document.activeElement === document.body && opener?.isConnected === true) opener.focus();
  };
