import { X } from 'lucide-react';
import { Dialog as Radix } from 'radix-ui';
import { useState, type ReactNode } from 'react';
import { backTo, openerNow } from './opener.ts';

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

const PLACES = {
  middle: 'top-[8vh] left-1/2 max-h-[84vh] w-[min(560px,calc(100vw-24px))] -translate-x-1/2 border-2',
  side: 'inset-y-0 right-0 w-[min(620px,100vw)] border-l-2',
} as const;

/** A dialog that knows nothing of bicycles: title bar, scrolling body, Escape closes. */
export function DialogBox({
  open,
  onClose,
  title,
  description,
  children,
  place = 'middle',
  dismissable = true,
}: DialogProps) {
  const [opener] = useState(openerNow);
  return (
    <Radix.Root
      open={open}
      onOpenChange={(next) => {
        if (!next && dismissable) onClose();
      }}
    >
      <Radix.Portal>
        <Radix.Overlay className="no-print fixed inset-0 z-40 bg-black/45" />
        <Radix.Content
          className={`fixed z-50 flex flex-col border-ink bg-sheet text-ink outline-none ${PLACES[place]}`}
          onOpenAutoFocus={(event) => {
            // A dialog that asks something puts the caret into its first field, not on the cross.
            const field = (event.currentTarget as HTMLElement).querySelector('input');
            if (field === null) return;
            event.preventDefault();
            field.focus();
          }}
          onCloseAutoFocus={backTo(opener)}
          onInteractOutside={(event) => {
            if (!dismissable) event.preventDefault();
          }}
        >
          <div className="flex items-center gap-3 border-b-2 border-ink py-2 pr-2 pl-5">
            <Radix.Title className="head flex-1 text-[20px]">{title}</Radix.Title>
            {dismissable && (
              <Radix.Close className="grid size-11 place-items-center hover:bg-press" aria-label="Close">
                <X size={18} strokeWidth={1.6} />
              </Radix.Close>
            )}
          </div>
          <div className="min-h-0 flex-1 overflow-y-auto px-5 py-4">
            <Radix.Description className="mb-3 text-ink2">{description}</Radix.Description>
            {children}
          </div>
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
