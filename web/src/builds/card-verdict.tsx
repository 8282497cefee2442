import { Suspense, lazy } from 'react';
import { type BuildDocument, type StageVerdict, type Verdict } from '@apple-cart/core';
import { Silhouette } from '../drawing/silhouette.tsx';
import { SCREENS } from '../screens/registry.ts';
import { figureOf } from '../stages/parts/use-stage.ts';
import { figureText } from '../state/figure-text.ts';
import { rangeRow } from '../state/road-range.ts';
import { useSettings } from '../state/settings-store.ts';
import { useVerdict } from '../state/use-verdict.ts';
import { StateMark } from '../ui/state-mark.tsx';
import { pictureHeight } from './card-picture.ts';
import { useCardRoads } from './card-roads.ts';

/** One scale for every drawing of the page, px per mm. */
const SCALE = 0.124;
const ORDER = { stop: 0, unknown: 1, look: 2, fine: 3 } as const;
/** Of two stages in the same state, the one that answers says more than the one that is filled in. */
const rank = ({ id, state }: StageVerdict): number =>
  ORDER[state] * 2 + (SCREENS[id].answer === undefined ? 1 : 0);

/** The stage that most needs the builder, and the sentence of the card. */
function headline(
  stages: readonly StageVerdict[],
): { readonly stage: StageVerdict; readonly text: string } | undefined {
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
  label: 'Test hill' | 'Range' | 'Range, level' | 'Price';
}) {
  const system = useSettings((state) => state.units);
  const { value, unit } = figureText(figureOf(verdict, id), system);
  return (
    <span className="whitespace-nowrap">
      <span className="block text-[12px] text-ink2">{label}</span>
      <b className="figure-number text-[18px]">{value}</b>{' '}
      <span className="text-[13px] text-ink3">{unit}</span>
    </span>
  );
}

/** The cards stand, and the frame of a build is fetched, before a road is ridden, ms. */
const RIDE_MS = 2000;
/** The road of the range, ridden behind the verdict as well. */
const RideCardRoad = lazy(async () => {
  await new Promise((begin) => setTimeout(begin, RIDE_MS));
  return { default: (await import('./ride-card-road.tsx')).RideCardRoad };
});

/** Rides and what they ask for come behind the verdict: a card never waits for them. */
const UpkeepDue = lazy(() => import('./upkeep-due.tsx').then((m) => ({ default: m.UpkeepDue })));

/** What the card says once the build is judged: drawing, what it needs, three figures and the state of its stages. */
export function CardVerdict({ id, document }: { readonly id: string; readonly document: BuildDocument }) {
  const verdict = useVerdict(document);
  const system = useSettings((state) => state.units);
  const road = useCardRoads(({ ranges }) => ranges.get(document));
  const range = rangeRow(verdict.stages, road);
  const stages = verdict.stages.map((s) => (s.id === range?.id ? range : s));
  // What is not begun has no state yet.
  const begun = stages.filter((s) => s.begun !== false);
  const head = headline(begun);
  const figure =
    head === undefined || head.stage.state === 'fine' || head.stage === range
      ? undefined
      : SCREENS[head.stage.id].answer;
  const detail = figure === undefined ? '' : figureText(figureOf(verdict, figure), system).condition;
  return (
    <>
      <Silhouette
        build={document}
        verdict={verdict}
        width={358}
        height={pictureHeight(document)}
        scale={SCALE}
      />
      {head !== undefined && (
        <p className="flex items-center gap-2.5 border-b border-rule py-2.5">
          <StateMark state={head.stage.state} size={18} />
          <b className="head max-w-[calc(100%-28px)] shrink-0 text-[15px]">{head.text}</b>
          <span className="ml-auto truncate text-[13px] text-ink2">{detail}</span>
        </p>
      )}
      <Suspense fallback={null}>
        <UpkeepDue id={id} document={document} />
      </Suspense>
      <Suspense fallback={null}>
        {document.brief.rangeRoute !== '' && <RideCardRoad document={document} />}
      </Suspense>
      <div className="mt-auto flex flex-wrap items-end gap-x-5 gap-y-1.5 pt-2.5" data-judged={document.name}>
        <CardFigure verdict={verdict} id="hill" label="Test hill" />
        <CardFigure
          verdict={verdict}
          id="range"
          // The figure is that of a level road, whatever road the sentence above speaks of.
          label={document.brief.rangeRoute === '' ? 'Range' : 'Range, level'}
        />
        <CardFigure verdict={verdict} id="price" label="Price" />
        <span
          className="ml-auto flex gap-[5px] pb-1"
          role="img"
          aria-label={`Stages: ${begun.map((s) => `${SCREENS[s.id].name} ${s.state}`).join(', ')}`}
        >
          {begun.map(({ id, state }) => (
            <StateMark key={id} state={state} size={9} labelled={false} />
          ))}
        </span>
      </div>
    </>
  );
}
