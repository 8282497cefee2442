import { ChevronDown, ChevronUp } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import { useParams } from 'react-router';
import { TRAY, worstState, type BuildDocument, type Figure, type FigureId } from '@apple-cart/core';
import type { RoadRange } from '../state/road-range.ts';
import { useRiddenRange } from '../stages/range/use-range-road.ts';
import { figureOf } from '../stages/parts/use-stage.ts';
import { useBuild, useDocument } from '../state/build-store.ts';
import { useSettings } from '../state/settings-store.ts';
import { useVerdict } from '../state/use-verdict.ts';
import { verdictOf } from '../state/verdicts.ts';
import { STATE_WORD, StateMark } from '../ui/state-mark.tsx';
import { figureDelta, figureText, type FigureDelta } from '../state/figure-text.ts';

/** On a telephone the tray is folded to these. */
const FOLDED: readonly FigureId[] = ['class', 'hill', 'range'];
/** Beside the bicycle a tablet has room for these: what is tested there. */
const AT_THE_BENCH: readonly FigureId[] = ['class', 'top-speed', 'weakest', 'mass'];

function Delta({ delta }: { delta: FigureDelta }) {
  if (delta.kind === 'words') return <span className="truncate">{delta.text}</span>;
  return (
    <span className="whitespace-nowrap">
      <b className="inline-flex items-center gap-1 text-ink">
        <svg viewBox="0 0 9 8" width="9" height="8" aria-hidden>
          <path d={delta.up ? 'M4.5 0 9 8H0Z' : 'M4.5 8 0 0h9Z'} fill="currentColor" />
        </svg>
        <span className="num">{delta.text}</span>
      </b>{' '}
      from pin
    </span>
  );
}

/** On which screens a figure of the tray stands. */
function shownWhere(id: FigureId, folded: boolean, atBench: boolean): string {
  if (!folded) return 'flex';
  if (atBench) return AT_THE_BENCH.includes(id) ? 'flex' : 'hidden bench:flex';
  return FOLDED.includes(id) ? 'flex' : 'hidden tablet:flex';
}

function TrayFigure({
  figure,
  pinned,
  folded,
  atBench,
  road,
  onOpen,
}: {
  figure: Figure;
  /** What is said of the road that was chosen, in place of the condition. */
  road: RoadRange | undefined;
  pinned: Figure | undefined;
  folded: boolean;
  /** Shown while the tray is folded: on a telephone, and beside the bicycle on a tablet. */
  atBench: boolean;
  onOpen: () => void;
}) {
  const system = useSettings((state) => state.units);
  const told = figureText(figure, system);
  const { value, unit } = told;
  const condition = road?.words ?? told.condition;
  const state = road === undefined ? figure.state : worstState([figure.state, road.state]);
  const delta = figureDelta(figure, pinned, system);
  const long = value.length > 9;
  return (
    <button
      type="button"
      data-figure={figure.id}
      onClick={onOpen}
      title="Show the working"
      className={`relative min-w-0 flex-col border-r border-rule px-3 pt-2.5 pb-2 text-left last:border-r-0 hover:bg-press max-bench:border-b ${shownWhere(figure.id, folded, atBench)}`}
    >
      {delta !== undefined && <span className="absolute inset-x-0 -top-[2px] h-[5px] bg-slate-fill" />}
      <span className="flex h-[14px] items-center gap-1.5 text-[12.5px] leading-[14px] whitespace-nowrap text-ink2">
        <StateMark state={state} />
        {figure.label}
      </span>
      <span
        className={`mt-1.5 block h-[26px] truncate leading-[26px] max-tablet:h-[32px] ${long ? 'max-tablet:leading-[16px] max-tablet:whitespace-normal' : ''}`}
      >
        <b className={`figure-number ${long ? 'text-[19px] max-tablet:text-[16px]' : 'text-[25px]'}`}>
          {value}
        </b>
        {unit !== '' && <span className="ml-[3px] text-[14px] text-ink3">{unit}</span>}
      </span>
      <span className="mt-1 block h-[15px] max-w-full truncate text-[12px] leading-[15px] text-ink2 max-tablet:line-clamp-2 max-tablet:h-[30px] max-tablet:whitespace-normal">
        {delta === undefined ? condition : <Delta delta={delta} />}
      </span>
    </button>
  );
}

/** Figures have settled when they stood still so long, ms. */
const SETTLED_MS = 1500;

/**
 * Says what a change of the build moved, once it has settled, to whoever does not see it. What moves
 * by itself (the shelf's prices or the law's clauses have been read) is not told as a change.
 */
function Announced({ document, figures }: { document: BuildDocument; figures: readonly Figure[] }) {
  const system = useSettings((state) => state.units);
  const told = figures.map((figure) => {
    const { value, unit, condition } = figureText(figure, system);
    return `${figure.label} ${value} ${unit}, ${STATE_WORD[figure.state]}, ${condition}`;
  });
  const all = told.join('; ');
  const last = useRef({ document, told });
  const now = useRef({ document, told });
  const [words, setWords] = useState('');
  useEffect(() => {
    now.current = { document, told };
  });
  useEffect(() => {
    const timer = setTimeout(() => {
      const before = last.current;
      last.current = now.current;
      if (before.document === last.current.document) return;
      const changed = last.current.told.filter((one, i) => one !== before.told[i]);
      if (changed.length > 0) setWords(changed.join('; '));
    }, SETTLED_MS);
    return () => {
      clearTimeout(timer);
    };
  }, [all]);
  return (
    <p className="sr-only" role="status" data-testid="announced">
      {words}
    </p>
  );
}

/** The headline figures, always there; each opens its working. */
export function Tray({ onOpen }: { onOpen: (id: FigureId) => void }) {
  const document = useDocument();
  const pinnedDocument = useBuild((state) => state.pinned?.document);
  const [folded, setFolded] = useState(true);
  const atBench = useParams()['stage'] === 'bench';
  const verdict = useVerdict(document);
  const road = useRiddenRange();
  const pinned = pinnedDocument === undefined ? undefined : verdictOf(pinnedDocument);
  return (
    <section
      aria-label="Headline figures"
      className="no-print relative col-span-full grid grid-cols-3 border-t-2 border-ink bg-card tablet:grid-cols-4 bench:grid-cols-8"
    >
      <button
        type="button"
        onClick={() => {
          setFolded(!folded);
        }}
        aria-expanded={!folded}
        className={`absolute -top-[24px] right-2 z-20 flex h-[24px] items-center gap-1 border-2 border-b-0 border-ink bg-card px-3 text-[12px] before:absolute before:inset-x-0 before:-top-5 before:h-11 ${atBench ? 'bench:hidden' : 'tablet:hidden'}`}
      >
        {folded ? <ChevronUp size={14} aria-hidden /> : <ChevronDown size={14} aria-hidden />}
        {folded ? 'All figures' : 'Fewer'}
      </button>
      <Announced document={document} figures={TRAY.map((id) => figureOf(verdict, id))} />
      {TRAY.map((id) => figureOf(verdict, id)).map((figure) => (
        <TrayFigure
          key={figure.id}
          road={figure.id === 'range' ? road : undefined}
          figure={figure}
          pinned={pinned?.figures.find((f) => f.id === figure.id)}
          folded={folded}
          atBench={atBench}
          onOpen={() => {
            onOpen(figure.id);
          }}
        />
      ))}
    </section>
  );
}
