import { Link } from 'react-router';
import type { Term } from '@apple-cart/core';
import { capital } from '../ui/capital.ts';
import { Dialog } from '../ui/dialog.tsx';
import { TermDrawing } from './term-drawing.tsx';

/** One word: its sentence, its drawing, and the way to all of them. */
export function TermCard({ term, onClose }: { term: Term; onClose: () => void }) {
  return (
    <Dialog open onClose={onClose} title={capital(term.name)} description={term.says}>
      <TermDrawing id={term.id} />
      {term.also.length > 0 && <p className="text-[13px] text-ink2">Also said: {term.also.join(', ')}.</p>}
      <p className="pt-2">
        <Link to={`/words#${term.id}`} className="text-slate underline max-bench:py-3.5">
          All words of the trade
        </Link>
      </p>
    </Dialog>
  );
}
