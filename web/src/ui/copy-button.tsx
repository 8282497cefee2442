import { Copy } from 'lucide-react';
import { useState } from 'react';
import { Button } from './button.tsx';

/** Puts a text on the clipboard; a page that is no secure context has none, so that the old way is kept for it. */
async function copied(text: string): Promise<boolean> {
  try {
    // Not there on a page of the local network.
    const clipboard = navigator.clipboard as Clipboard | undefined;
    if (clipboard !== undefined) {
      await clipboard.writeText(text);
      return true;
    }
  } catch {
    // The old way may still be allowed.
  }
  const area = document.createElement('textarea');
  area.value = text;
  area.setAttribute('readonly', '');
  area.className = 'fixed top-0 left-0 opacity-0';
  document.body.append(area);
  area.select();
  // eslint-disable-next-line @typescript-eslint/no-deprecated -- the only way without a secure context
  const done = document.execCommand('copy');
  area.remove();
  return done;
}

/** Copies a text, and says whether that went. */
export function CopyButton({ text, children }: { text: () => string; children: string }) {
  const [said, setSaid] = useState('');
  return (
    <>
      <Button
        kind="quiet"
        onClick={() => {
          void copied(text()).then((done) => {
            setSaid(done ? 'Copied.' : 'This browser does not let a page copy: print it, or take the table.');
          });
        }}
      >
        <Copy size={14} strokeWidth={1.6} aria-hidden /> {children}
      </Button>
      <span role="status" className="self-center text-[12.5px] text-ink2">
        {said}
      </span>
    </>
  );
}
