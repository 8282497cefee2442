import { NOTHING_ADDED, type AddedLine } from '@apple-cart/core';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { useBuild } from '../../state/build-store.ts';
import { Button } from '../../ui/button.tsx';

/** A line of which nothing is said yet but what it is. */
function fresh(taken: readonly string[], what: string): AddedLine {
  const number =
    Array.from({ length: 101 }, (_, i) => i + 1).find((n) => !taken.includes(`added/${String(n)}`)) ?? 1;
  return { ...NOTHING_ADDED, key: `added/${String(number)}`, what };
}

/** A line that no rule makes. */
export function AddLine() {
  const edit = useBuild((state) => state.edit);
  const [what, setWhat] = useState('');
  const name = what.trim();
  return (
    <form
      className="no-print flex items-center gap-2 py-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (name === '') return;
        edit((d) => {
          const { added } = d.purchase;
          const line = fresh(
            added.map((one) => one.key),
            name,
          );
          return { ...d, purchase: { ...d.purchase, added: [...added, line] } };
        }, 'line added');
        setWhat('');
      }}
    >
      <input
        aria-label="What else is needed"
        placeholder="what else?"
        maxLength={120}
        value={what}
        onChange={(event) => {
          setWhat(event.target.value);
        }}
        className="h-8 min-w-0 flex-1 border-b border-ink3 bg-field px-2 max-bench:h-11"
      />
      <Button type="submit" disabled={name === ''}>
        <Plus size={15} strokeWidth={1.8} aria-hidden /> Add a line
      </Button>
    </form>
  );
}
