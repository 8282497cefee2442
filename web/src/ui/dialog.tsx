import { Suspense, lazy, type ReactNode } from 'react';

export interface DialogProps {
  readonly open: boolean;
  readonly onClose: () => void;
  readonly title: string;
  readonly description: string;
  readonly children: ReactNode;
  /** `side` slides in at the right, over the sheet; `middle` stands in the centre. */
  readonly place?: 'middle' | 'side';
  /** False for a question that must be answered. */
  readonly dismissable?: boolean;
}

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
