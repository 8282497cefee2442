import { MoreHorizontal } from 'lucide-react';
import { Link } from 'react-router';
import { STAGE_IDS, type FigureId, type StageId, type StageVerdict, type Verdict } from '@apple-cart/core';
import { Silhouette } from '../drawing/silhouette.tsx';
import { figureText } from '../state/figure-text.ts';
import { SCREENS } from '../screens/registry.ts';
import { figureOf } from '../stages/parts/use-stage.ts';
import { createBuild, type StoredBuild } from '../state/builds.ts';
import { useAttempt } from '../state/use-attempt.ts';
import { downloadBuild } from '../files/download.ts';
import { useSettings } from '../state/settings-store.ts';
import { verdictOf } from '../state/verdicts.ts';
import { Menu, MenuItem } from '../ui/menu.tsx';
import { StateMark } from '../ui/state-mark.tsx';

/** One scale for every drawing of the page, px per mm. */
const SCALE = 0.124;
/** Height of the picture, px; a carriage has a roof. */
const USUAL = 156;
const TALL = 218;
const CUT = '[clip-path:polygon(0_0,calc(100%-20px)_0,100%_20px,100%_100%,0_100%)]';

const ORDER = { stop: 0, unknown: 1, look: 2, fine: 3 } as const;
/** Of two stages in the same state, the one that answers says more than the one that is filled in. */
const ANSWERS: readonly string[] = ['law', 'hill', 'range'];
/** The figure whose condition says why. */
const DETAIL: Partial<Record<StageId, FigureId>> = { law: 'class', hill: 'hill', range: 'range' };
const rank = (stage: StageVerdict): number => ORDER[stage.state] * 2 + (ANSWERS.includes(stage.id) ? 0 : 1);

/** The stage that most needs the builder, and the sentence of the card. */
function headline({
  stages,
}: Verdict): { readonly stage: StageVerdict; readonly text: string } | undefined {
  const worst = [...stages].sort((a, b) => rank(a) - rank(b))[0];
  if (worst === undefined) return undefined;
  if (worst.state === 'fine') return { stage: worst, text: 'Inside the law, climbs, goes the distance' };
  return { stage: worst, text: `${SCREENS[worst.id].name}: ${worst.words}` };
}

function CardFigure({
  verdict,
  id,
  label,
}: {
  verdict: Verdict;
  id: 'hill' | 'range' | 'price';
  label: string;
}) {
  const system = useSettings((state) => state.units);
  const { value, unit } = figureText(figureOf(verdict, id), system);
  return (
    <span className="min-w-0">
      <span className="block text-[12px] text-ink2">{label}</span>
      <b className="figure-number text-[18px]">{value}</b>{' '}
      <span className="text-[13px] text-ink3">{unit}</span>
    </span>
  );
}

interface Props {
  readonly build: StoredBuild;
  readonly onPutAway: () => void;
}

/** One build: name, drawing, what it needs, three figures and the state of its stages. */
export function BuildCard({ build, onPutAway }: Props) {
  const [trouble, attempt] = useAttempt();
  const { document } = build;
  const verdict = verdictOf(document);
  const system = useSettings((state) => state.units);
  const head = headline(verdict);
  const figure = head === undefined || head.stage.state === 'fine' ? undefined : DETAIL[head.stage.id];
  const detail = figure === undefined ? '' : figureText(figureOf(verdict, figure), system).condition;
  const copy = (): void => {
    const name = `${document.name}, copy`.slice(0, 80);
    void attempt(async () => {
      await createBuild({ ...document, name, sample: false });
    });
  };
  return (
    <article className={`relative bg-ink p-[1.5px] ${CUT}`} data-build={document.name}>
      <div className={`relative flex h-full flex-col bg-sheet px-4 pt-3 pb-3 ${CUT}`}>
        <Link
          to={`/builds/${build.id}/brief`}
          className="absolute inset-0 z-0 hover:bg-press"
          aria-label={`Open ${document.name}`}
        />
        <div className="pointer-events-none relative flex h-full flex-col">
          <div className="flex items-baseline justify-between gap-3 pr-11">
            <h2 className="head truncate text-[20px]">{document.name}</h2>
            <span className="num text-[13px] text-ink2">{document.job}</span>
          </div>
          <p className="min-h-[19px] truncate text-[13px] text-ink2">{document.summary}</p>
          <Silhouette
            build={document}
            verdict={verdict}
            width={358}
            height={document.donor.style === 'carriage' ? TALL : USUAL}
            scale={SCALE}
          />
          {head !== undefined && (
            <p className="flex items-center gap-2.5 border-b border-rule py-2.5">
              <StateMark state={head.stage.state} size={18} />
              <b className="head shrink-0 text-[15px]">{head.text}</b>
              <span className="ml-auto truncate text-[13px] text-ink2">{detail}</span>
            </p>
          )}
          {trouble !== undefined && (
            <p role="alert" className="pt-1.5 text-[13px] text-stop">
              {trouble}
            </p>
          )}
          <div className="mt-auto flex items-end justify-between gap-3 pt-2.5">
            <CardFigure verdict={verdict} id="hill" label="Test hill" />
            <CardFigure verdict={verdict} id="range" label="Range" />
            <CardFigure verdict={verdict} id="price" label="Price" />
            <span
              className="flex gap-[5px] pb-1"
              role="img"
              aria-label={`Stages: ${verdict.stages.map((s) => `${SCREENS[s.id].name} ${s.state}`).join(', ')}`}
            >
              {STAGE_IDS.map((id) => (
                <StateMark
                  key={id}
                  state={verdict.stages.find((s) => s.id === id)?.state ?? 'todo'}
                  size={9}
                  labelled={false}
                />
              ))}
            </span>
          </div>
        </div>
        <span className="absolute top-2 right-5">
          <Menu
            align="end"
            trigger={
              <button
                type="button"
                aria-label={`More about ${document.name}`}
                className="grid size-9 place-items-center hover:bg-press max-bench:size-11"
              >
                <MoreHorizontal size={18} strokeWidth={1.6} aria-hidden />
              </button>
            }
          >
            <MenuItem onSelect={copy}>Make a copy</MenuItem>
            <MenuItem
              onSelect={() => {
                downloadBuild(document);
              }}
            >
              Save as a file (JSON)
            </MenuItem>
            <MenuItem onSelect={onPutAway}>Put away</MenuItem>
          </Menu>
        </span>
      </div>
    </article>
  );
}
