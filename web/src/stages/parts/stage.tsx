import { useEffect, useRef, type ReactNode } from 'react';
import { useLocation } from 'react-router';
import { STAGE_IDS, phraseText, type StageId, type State } from '@apple-cart/core';
import { useDocument } from '../../state/build-store.ts';
import { useSettings } from '../../state/settings-store.ts';
import { useVerdict } from '../../state/use-verdict.ts';
import { PICTURE } from '../../ui/show-picture.ts';
import { Stamp } from '../../ui/stamp.tsx';
import { StateMark } from '../../ui/state-mark.tsx';
import { WordsInPrint } from './words-in-print.tsx';
import { SCREENS } from '../../screens/registry.ts';

/** Columns of a sheet on a wide screen. */
const LEFT = {
  usual: 'bench:grid-cols-[368px_minmax(0,1fr)]',
  narrow: 'bench:grid-cols-[316px_minmax(0,1fr)]',
  slim: 'bench:grid-cols-[230px_minmax(0,1fr)]',
} as const;

interface SheetProps {
  /** What stands in the black square at its head. */
  readonly mark: ReactNode;
  readonly name: string;
  readonly question: string;
  readonly stamp?: {
    readonly state: State;
    readonly word: string;
    readonly under: string;
    readonly asIs?: boolean;
  };
  /** Views to choose from, where a stage has several. */
  readonly views?: ReactNode;
  /** Left half: ruled fields. */
  readonly inputs?: ReactNode;
  /** Right half: the picture. */
  readonly picture?: ReactNode;
  /** One sheet over the whole width in the place of both. */
  readonly whole?: ReactNode;
  /** Width of the left half on a wide screen. */
  readonly left?: keyof typeof LEFT;
  /** On a narrow screen the picture comes first: it holds the answer, the fields only vary it. */
  readonly pictureFirst?: boolean;
}

/** The sheet of a stage, headed by its number, name and question. */
export function Stage({
  id,
  ...rest
}: { readonly id: StageId } & Omit<SheetProps, 'mark' | 'name' | 'question'>) {
  const { name, question } = SCREENS[id];
  return (
    <>
      <Sheet mark={STAGE_IDS.indexOf(id) + 1} name={name} question={question} {...rest} />
      <WordsInPrint id={id} />
    </>
  );
}

/** A sheet: mark, name, question, the stamp with its answer; inputs left, picture right. */
export function Sheet({
  mark,
  name,
  question,
  stamp,
  views,
  inputs,
  picture,
  whole,
  left = 'usual',
  pictureFirst = false,
}: SheetProps) {
  const title = useRef<HTMLHeadingElement>(null);
  const location = useLocation();
  const isNew = (location.state as { readonly isNew?: boolean } | null)?.isNew === true;
  useEffect(() => {
    // Whoever begins a build is told where they are.
    if (isNew) title.current?.focus();
  }, [isNew]);
  return (
    <div className="flex min-h-full flex-col">
      <header className="relative mx-6 flex min-h-16 shrink-0 items-center gap-3.5 border-b-2 border-ink py-1 max-tablet:mx-3 max-tablet:gap-2.5">
        <span className="grid size-9 shrink-0 place-items-center bg-ink font-head text-[21px] font-bold text-on-ink max-tablet:size-8">
          {mark}
        </span>
        <h1
          ref={title}
          tabIndex={-1}
          className="head outline-none text-[30px] font-extrabold tracking-[-.015em] max-tablet:text-[24px]"
        >
          {name}
        </h1>
        <p className="pt-2 text-[14px] text-ink2 max-bench:hidden">{question}</p>
        {stamp !== undefined && (
          <span className="ml-auto shrink-0">
            <Stamp {...stamp} />
          </span>
        )}
      </header>
      {views}
      {whole === undefined ? (
        <div
          className={`mx-6 grid min-h-0 flex-1 grid-cols-[minmax(0,1fr)] max-bench:content-start max-tablet:mx-3 ${LEFT[left]} print:grid-cols-1`}
        >
          <div
            id="fields"
            tabIndex={-1}
            className="@container pt-1 pb-4 outline-none bench:border-r bench:border-rule bench:pr-[18px]"
          >
            {inputs}
          </div>
          <div
            id={PICTURE}
            className={`flex min-w-0 flex-col pt-1 pb-4 max-bench:pt-2 bench:pl-5 ${pictureFirst ? 'max-bench:order-first' : ''}`}
          >
            {picture}
          </div>
        </div>
      ) : (
        <div id="fields" tabIndex={-1} className="mx-6 pt-1 pb-4 outline-none max-tablet:mx-3">
          {whole}
        </div>
      )}
    </div>
  );
}

/** What the stage's values ask to be looked at. */
export function StageFindings({ id }: { id: StageId }) {
  const document = useDocument();
  const system = useSettings((state) => state.units);
  const mine = useVerdict(document).findings.filter((f) => f.stage === id);
  if (mine.length === 0) return null;
  return (
    <section className="keep-together pt-2" aria-label="To look at">
      <div className="flex h-[31px] items-end border-b-[1.5px] border-ink pb-1.5">
        <h2 className="head text-[14px]">To look at</h2>
      </div>
      {mine.map((finding) => (
        <div key={finding.code + finding.path} className="flex items-start gap-2.5 border-b border-hair py-2">
          <span className="pt-0.5">
            <StateMark state={finding.state} size={16} />
          </span>
          <p className="leading-snug">
            <b>{finding.title}.</b> <span className="text-ink2">{phraseText(finding.detail, system)}</span>
          </p>
        </div>
      ))}
    </section>
  );
}
