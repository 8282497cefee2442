import { Suspense, lazy } from 'react';
import type { DialogProps } from './dialog-box.tsx';

const load = () => import('./dialog-box.tsx').then((m) => ({ default: m.DialogBox }));
const DialogBox = lazy(load);

/** Fetches what every dialog is made of before the first one is opened. */
export const fetchDialogs = (): void => void load().catch(() => undefined);

/** A dialog that knows nothing of bicycles. What it is made of is fetched when the first one opens. */
export function Dialog(props: DialogProps) {
  if (!props.open) return null;
  return (
    <Suspense>
      <DialogBox {...props} />
    </Suspense>
  );
}
