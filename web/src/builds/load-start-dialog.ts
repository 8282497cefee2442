/** The dialog that begins a build is fetched apart from the first page, and ahead of being needed. */
export const loadStartDialog = () => import('./start-dialog.tsx').then((m) => ({ default: m.StartDialog }));
