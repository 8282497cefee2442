import { Printer } from 'lucide-react';
import { useEffect, type ReactNode } from 'react';
import { Link, useParams } from 'react-router';
import type { BuildDocument } from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { useRules } from '../state/rules.ts';
import { useShelfInForce } from '../state/shelf-in-force.ts';
import { useShelf } from '../state/shelf.ts';
import { Button } from '../ui/button.tsx';
import { NotFound } from './not-found.tsx';

interface Props {
  readonly title: string;
  /** Where the way back leads, beneath the build's address, and what it says. */
  readonly back: { readonly to: string; readonly words: string };
  /** Buttons beside the one that prints. */
  readonly buttons?: ReactNode;
  readonly width: 'sheet' | 'card';
  readonly children: (build: BuildDocument) => ReactNode;
}

/** What a page of a build is worked out by beside the build itself: whether it has been read, and what cannot be. */
function useSources(): { readonly read: boolean; readonly troubles: readonly string[] } {
  const [rules, shelf] = [useRules(), useShelf()];
  const priced = useShelfInForce();
  const missing = [
    ...(rules.book === undefined ? [['The rules that it is judged by', rules.error]] : []),
    ...(shelf.parts === undefined ? [['The shelf that prices and days come from', shelf.error]] : []),
  ];
  return {
    // Whoever asks again for what could not be read does not take the page away.
    read: rules.answered && priced,
    troubles: missing.map(
      ([what, error]) => `${what ?? ''} cannot be read, and is missing here. ${error ?? ''}`,
    ),
  };
}

/** A page of a build that is made to be printed: the way back, a button that prints, and the paper. */
export function PrintPage({ title, back, buttons, width, children }: Props) {
  const { id } = useParams();
  const open = useBuild((state) => state.open);
  const build = useBuild((state) => (state.id === id ? state.document : undefined));
  const loadError = useBuild((state) => state.loadError);
  const { read, troubles } = useSources();
  useEffect(() => {
    if (id !== undefined) void open(id);
  }, [id, open]);
  useEffect(() => {
    document.title = `${title}${build === undefined ? '' : `, ${build.name}`}, Apple Cart`;
  }, [title, build]);
  if (loadError !== undefined) return <NotFound what="build" detail={loadError} />;
  if (build === undefined) return <p className="p-6">Fetching the build.</p>;
  // What goes out on paper is not taken back: never without the prices, days and rules that the screen has.
  if (!read) return <p className="p-6">Fetching the shelf and the rules.</p>;
  return (
    <main
      className={`mx-auto min-h-full bg-sheet px-6 py-4 max-tablet:px-3 print:max-w-none print:bg-white print:p-0 ${width === 'sheet' ? 'max-w-[820px]' : 'max-w-[620px]'}`}
    >
      <div className="no-print flex flex-wrap items-center gap-2 pb-3">
        <Link to={`/builds/${id ?? ''}/${back.to}`} className="mr-auto text-slate underline max-bench:py-3.5">
          {back.words}
        </Link>
        {buttons}
        <Button
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={15} strokeWidth={1.6} aria-hidden /> Print
        </Button>
      </div>
      {troubles.map((trouble) => (
        <p key={trouble} role="alert" className="pb-2 font-semibold text-stop">
          {trouble}
        </p>
      ))}
      {children(build)}
    </main>
  );
}
