import {
  TORNADO_FIGURES,
  standsInFor,
  swingOf,
  type FigureId,
  type Moved,
  type Tornado,
  type TornadoFigure,
  type Unit,
} from '@apple-cart/core';
import { useMemo } from 'react';
import { Link, useSearchParams } from 'react-router';
import { FieldGroup } from '../../fields/field-group.tsx';
import { RadioMark } from '../../fields/radio-mark.tsx';
import { placeOf } from '../../screens/registry.ts';
import { useBuild } from '../../state/build-store.ts';
import { useQuantity } from '../../state/use-quantity.ts';
import { PanelHead } from '../../ui/panel.tsx';
import { SourceMark } from '../../ui/source-mark.tsx';
import { Studying } from '../../work/studying.tsx';
import { useStudy } from '../../work/use-study.ts';
import { useDeferredStage, useStage } from '../parts/use-stage.ts';

interface FigureLook {
  readonly name: string;
  readonly unit: Unit;
  readonly digits: number;
  /** The headline of the tray that says the same. */
  readonly figure: FigureId;
}
const LOOKS: Readonly<Record<TornadoFigure, FigureLook>> = {
  hillKmh: { name: 'Up the test hill', unit: 'km/h', digits: 1, figure: 'hill' },
  topKmh: { name: 'Top speed', unit: 'km/h', digits: 1, figure: 'top-speed' },
  rangeKm: { name: 'Range, legs helping', unit: 'km', digits: 0, figure: 'range' },
  hottestC: { name: 'Hottest winding', unit: 'C', digits: 0, figure: 'heat' },
  startPct: { name: 'Starts on', unit: '%', digits: 1, figure: 'start' },
};

export interface Moving {
  readonly figure: TornadoFigure;
  readonly onFigure: (figure: TornadoFigure) => void;
}

/** Which headline is looked at; it stands in the address. */
export function useMoving(): Moving {
  const [params, setParams] = useSearchParams();
  return {
    figure: TORNADO_FIGURES.find((f) => f === params.get('figure')) ?? 'hillKmh',
    onFigure: (figure) => {
      setParams(new URLSearchParams({ view: 'moves', figure }), { replace: true });
    },
  };
}

export function MovesInputs({ moving }: { moving: Moving }) {
  return (
    <FieldGroup title="What is looked at">
      <div role="radiogroup" aria-label="What is looked at">
        {TORNADO_FIGURES.map((figure) => (
          <label
            key={figure}
            className="flex min-h-[31px] cursor-pointer items-center gap-2.5 border-b border-hair text-[14px] has-checked:font-semibold max-bench:min-h-11"
          >
            <RadioMark
              group="figure"
              checked={moving.figure === figure}
              onChoose={() => {
                moving.onFigure(figure);
              }}
            />
            {LOOKS[figure].name}
          </label>
        ))}
      </div>
      <p className="py-1.5 text-[13px] leading-snug text-ink2">
        Every value down and up by how well it is known, as the range’s band draws it; one of which nobody
        says how well, by a tenth. All else stays. Long bars are worth measuring where they are assumed, and
        worth changing where they are chosen.
      </p>
    </FieldGroup>
  );
}

export function MovesPicture({ moving }: { moving: Moving }) {
  const { document } = useDeferredStage();
  const studied = useStudy(
    'tornado',
    useMemo(() => ({ build: document }), [document]),
  );
  return (
    <Studying {...studied} waiting="Moving every value down and up…">
      {(found) => <Bars found={found} figure={moving.figure} />}
    </Studying>
  );
}

/** So many are drawn. */
const MOST = 16;

function Bars({ found, figure }: { found: Tornado; figure: TornadoFigure }) {
  const show = useQuantity();
  const { document, verdict } = useStage();
  const build = useBuild((state) => state.id) ?? '';
  const { name, unit, digits } = LOOKS[figure];
  const now = found.now[figure];
  const list = [...found.moved]
    .sort((a, b) => swingOf(b, figure) - swingOf(a, figure))
    .slice(0, MOST)
    .filter((m) => swingOf(m, figure) > 0);
  const [most] = list;
  if (now === undefined || most === undefined)
    return (
      <p className="py-3 text-[15px]">{name}: there is no such number for this build, so nothing moves it.</p>
    );
  const ends = list.flatMap((m) => [m.less[figure] ?? now, m.more[figure] ?? now]);
  const reach = Math.max(...ends.map((e) => Math.abs(e - now)), 1e-9);
  const text = (value: number): string => show(value, unit, digits).text;
  const usual = standsInFor({ build: document, known: verdict.known }, LOOKS[figure].figure);
  return (
    <section aria-label={`What moves it most: ${name}`} data-testid="tornado">
      <PanelHead
        title={`Most of all: ${most.known.label.toLowerCase()}`}
        note={[`${name.toLowerCase()}, ${text(now)} ${show(now, unit).unit} now`, usual]
          .filter((t) => t !== '')
          .join(', ')}
      />
      <table className="w-full border-collapse text-[13.5px]">
        <caption className="sr-only">Values by how far they move {name.toLowerCase()}</caption>
        <thead>
          <tr className="border-b-[1.5px] border-ink text-[12.5px]">
            <th scope="col" className="py-1 text-left font-semibold">
              Value, and by how much
            </th>
            <th scope="col" className="text-right font-semibold">
              less (open)
            </th>
            <th scope="col" className="w-[38%] font-semibold max-tablet:hidden">
              <span className="sr-only">Drawn</span>
            </th>
            <th scope="col" className="text-left font-semibold">
              more (filled)
            </th>
          </tr>
        </thead>
        <tbody>
          {list.map((m) => (
            <tr key={m.known.path} className="border-b border-hair" data-moved={m.known.path}>
              <th scope="row" className="py-1 pr-2 text-left font-normal">
                <span className="flex items-center gap-1.5">
                  <SourceMark source={m.known.source} />
                  <Link
                    to={`/builds/${build}/${placeOf(m.known.path)}`}
                    className="underline max-bench:py-3.5"
                  >
                    {m.known.label}
                  </Link>
                </span>
                <span className="text-[12px] text-ink2">
                  <By moved={m} />
                </span>
              </th>
              <td className="num pr-2 text-right">{text(m.less[figure] ?? now)}</td>
              <td className="max-tablet:hidden">
                <Bar moved={m} figure={figure} now={now} reach={reach} />
              </td>
              <td className="num pl-2">{text(m.more[figure] ?? now)}</td>
            </tr>
          ))}
        </tbody>
      </table>
    </section>
  );
}

/** How far a value is moved, by whether anybody has read it, and whether it says how well it is known. */
const HOW_FAR = {
  'read, spread': ', as well as it is known',
  'read, tenth': '',
  'unread, spread': ' of a default, as far as that is usually off',
  'unread, tenth': ' of a default; nobody has read it, and it may be further off',
} as const;

function By({ moved: { known, by, spread } }: { moved: Moved }) {
  const show = useQuantity();
  const { text, unit } = show(known.value, known.unit);
  const share = known.value === 0 ? 0 : Math.round((100 * by) / Math.abs(known.value));
  return (
    <>
      {text} {unit === '1' ? '' : unit} ±{' '}
      {share > 0 ? `${String(share)} %` : `${show(by, known.unit).text} ${unit}`}
      {HOW_FAR[`${known.source === 'unknown' ? 'unread' : 'read'}, ${spread ? 'spread' : 'tenth'}`]}
    </>
  );
}

/** From the value with less of it to the value with more, about what it is now: filled to the side of more, hatched to that of less. */
function Bar({
  moved,
  figure,
  now,
  reach,
}: {
  moved: Moved;
  figure: TornadoFigure;
  now: number;
  reach: number;
}) {
  const [less, more] = [moved.less[figure] ?? now, moved.more[figure] ?? now];
  const x = (value: number): number => 100 + (96 * (value - now)) / reach;
  const from = (value: number): number => Math.min(100, x(value));
  const width = (value: number): number => Math.abs(x(value) - 100);
  return (
    <svg viewBox="0 0 200 14" className="block h-[14px] w-full" preserveAspectRatio="none" aria-hidden>
      <path d="M100 0V14" stroke="var(--ink)" strokeWidth="1.2" vectorEffect="non-scaling-stroke" />
      <rect
        x={from(less)}
        y="3"
        width={width(less)}
        height="8"
        fill="var(--sheet)"
        stroke="var(--ink)"
        strokeWidth="1.2"
        vectorEffect="non-scaling-stroke"
      />
      <rect x={from(more)} y="3" width={width(more)} height="8" fill="var(--ink)" />
    </svg>
  );
}
