import type { ReactNode } from 'react';
import { useRules } from '../state/rules.ts';
import { Button } from '../ui/button.tsx';

/** Nothing can be judged without the rule book: it is fetched before the first page that judges. */
export function WithRules({ children }: { children: ReactNode }) {
  const { book, error, load } = useRules();
  if (book !== undefined) return children;
  return (
    <div className="grid h-full place-items-center p-6">
      {error === undefined ? (
        <p role="status" className="text-ink2">
          Opening the rule book…
        </p>
      ) : (
        <div role="alert" className="max-w-md border-[1.5px] border-stop bg-stop-tint px-4 py-3">
          <p className="pb-3">{error}</p>
          <Button onClick={() => void load()}>Try again</Button>
        </div>
      )}
    </div>
  );
}
