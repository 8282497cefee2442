import type { QuantityPath } from '@apple-cart/core';
import { useTypedAs, type TypedSource } from '../state/typed-as.ts';
import { SourceMark } from '../ui/source-mark.tsx';

const ANSWERS: readonly { readonly source: TypedSource; readonly words: string }[] = [
  { source: 'measured', words: 'measured' },
  { source: 'label', words: 'from a label' },
  { source: 'assumed', words: 'a guess' },
];

/** Asked under the first value that is typed into a section, and remembered for it. */
export function AskSource({
  path,
  onAnswer,
}: {
  path: QuantityPath;
  onAnswer: (source: TypedSource) => void;
}) {
  const answer = useTypedAs((state) => state.answer);
  return (
    <div
      role="group"
      aria-label="Where do values typed here come from?"
      className="flex flex-wrap items-center gap-x-2 gap-y-1 border-b border-hair bg-slate-tint px-1.5 py-1 text-[12.5px]"
    >
      <span>What you type here is</span>
      {ANSWERS.map(({ source, words }) => (
        <button
          key={source}
          type="button"
          className="inline-flex min-h-7 items-center gap-1.5 border-[1.5px] border-ink bg-field px-2 font-semibold hover:bg-press max-bench:min-h-11"
          onClick={() => {
            answer(path, source);
            onAnswer(source);
          }}
        >
          <SourceMark source={source} />
          {words}
        </button>
      ))}
    </div>
  );
}
