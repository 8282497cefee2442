import { Copy } from 'lucide-react';
import { useState } from 'react';
import { Button } from './button.tsx';
import { copied } from './copied.ts';

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
