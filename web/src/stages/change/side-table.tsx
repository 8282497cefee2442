import { sideBySide, stagesBeside, type SideCell, type SideRow, type Unit } from '@apple-cart/core';
import { useMemo } from 'react';
import { SCREENS, isStage } from '../../screens/registry.ts';
import { Silhouette, scaleInto } from '../../drawing/silhouette.tsx';
import { useQuantity, type Shown } from '../../state/use-quantity.ts';
import { StateMark } from '../../ui/state-mark.tsx';
import { verdictOf } from '../../state/verdicts.ts';
import type { Side } from './use-contestants.ts';

const PICTURE = { width: 186, height: 104 } as const;

/** One scale for all drawings, px per mm: the longest machine fits. */
const scaleOf = (sides: readonly Side[]): number =>
  Math.min(
    0.12,
    ...sides.flatMap(({ document }) =>
      document === undefined ? [] : [scaleInto(document, verdictOf(document), PICTURE.width)],
    ),
  );

/** Head of a column: what it is, drawn to one scale; a ready-made one has no drawing of its own. */
export function SideHead({
  side,
  scale,
  onDrop,
}: {
  side: Side;
  scale: number;
  onDrop?: (() => void) | undefined;
}) {
  const { document } = side;
  return (
    <div className="bg-ink p-[1.5px] [clip-path:polygon(0_0,calc(100%-16px)_0,100%_16px,100%_100%,0_100%)]">
      <div className="bg-sheet p-2 [clip-path:polygon(0_0,calc(100%-16px)_0,100%_16px,100%_100%,0_100%)]">
        <p className="flex items-start justify-between gap-2">
          <span className="min-w-0">
            <b className="head block text-[15px] leading-tight">{side.name}</b>
            <span className="line-clamp-2 min-h-[30px] text-[12px] leading-tight text-ink2">
              {side.under}
            </span>
          </span>
          {onDrop !== undefined && (
            <button
              type="button"
              aria-label={`Take out ${side.name}`}
              className="no-print mr-2 size-6 shrink-0 text-[16px] leading-none text-ink2 hover:bg-press max-bench:size-11"
              onClick={onDrop}
            >
              ×
            </button>
          )}
        </p>
        {document === undefined ? (
          <p className="grid h-[104px] place-items-center text-center text-[12.5px] text-ink2">
            by its leaflet: no drawing
          </p>
        ) : (
          <Silhouette build={document} verdict={verdictOf(document)} {...PICTURE} scale={scale} />
        )}
      </div>
    </div>
  );
}

export const useSideScale = (sides: readonly Side[]): number => useMemo(() => scaleOf(sides), [sides]);

type Show = (value: number, unit: Unit, digits?: number) => Shown;

/** A figure in words: near and far end of a band, or "?" where it is not known. */
function cellText(cell: SideCell, row: SideRow, show: Show): string {
  if (cell.value === undefined) return '?';
  const text = (value: number): string =>
    row.unit === 'money' || row.unit === undefined
      ? Math.round(value).toLocaleString('en')
      : show(value, row.unit, row.digits).text;
  return cell.upTo === undefined ? text(cell.value) : `${text(cell.value)}–${text(cell.upTo)}`;
}

function Bar({ cell, most, best }: { cell: SideCell; most: number; best: boolean }) {
  if (cell.value === undefined || most <= 0) return null;
  const share = (value: number): number => Math.max(0, Math.min(100, (100 * value) / most));
  const from = cell.upTo === undefined ? 0 : share(cell.value);
  const to = share(cell.upTo ?? cell.value);
  return (
    <span className="relative block h-[9px] flex-1 border-b border-hair max-tablet:hidden" aria-hidden>
      <span
        className={`absolute inset-y-0 ${best ? 'bg-fine' : 'bg-ink2'}`}
        style={{ left: `${String(from)}%`, width: `${String(Math.max(1, to - from))}%` }}
      />
    </span>
  );
}

function Cell({ cell, row, index, most }: { cell: SideCell; row: SideRow; index: number; most: number }) {
  const show = useQuantity();
  if (cell.words !== undefined)
    return (
      <span className="flex items-start gap-1.5 text-[13px] leading-tight">
        {cell.state !== undefined && <StateMark state={cell.state} size={13} />} {cell.words}
      </span>
    );
  const best = row.best.includes(index);
  return (
    <span className="flex items-center gap-2">
      <span
        className={`num w-[82px] shrink-0 text-right text-[14px] whitespace-nowrap ${best ? 'border-b-2 border-fine font-semibold' : ''}`}
      >
        {cellText(cell, row, show)}
        {best && <span className="sr-only">, best</span>}
      </span>
      <Bar cell={cell} most={most} best={best} />
    </span>
  );
}

/** Rows of stages are named as the work order names them. */
const label = ({ id, label: name }: SideRow): string =>
  id.startsWith('stage-') && isStage(name) ? SCREENS[name].name : name;

/** Rows of the comparison. */
export function SideRows({ rows, currency }: { rows: readonly SideRow[]; currency: string }) {
  const show = useQuantity();
  const unitOf = (row: SideRow): string => {
    if (row.unit === undefined) return '';
    return row.unit === 'money' ? currency : show(1, row.unit).unit;
  };
  return (
    <>
      {rows.map((row) => {
        const most = Math.max(0, ...row.cells.map((c) => c.upTo ?? c.value ?? 0));
        return (
          <tr key={row.id} className="border-b border-hair [&>td]:px-2 [&>td]:py-1.5" data-row={row.id}>
            <th scope="row" className="py-1.5 pr-2 text-left text-[13.5px] font-normal">
              {label(row)} <span className="text-[12px] text-ink2">{unitOf(row)}</span>
            </th>
            {row.cells.map((cell, i) => (
              <td key={i}>
                <Cell cell={cell} row={row} index={i} most={most} />
              </td>
            ))}
          </tr>
        );
      })}
    </>
  );
}

/** Figures and stages of the sides, those that differ and those that are level. */
export function useSideRows(sides: readonly Side[]): {
  readonly differ: readonly SideRow[];
  readonly level: readonly SideRow[];
  readonly stages: readonly SideRow[];
} {
  return useMemo(() => {
    const contestants = sides.map((s) => s.contestant);
    const rows = sideBySide(contestants);
    return {
      differ: rows.filter((r) => r.spread > 0),
      level: rows.filter((r) => r.spread === 0),
      stages: stagesBeside(contestants).filter((r) => r.spread > 0),
    };
  }, [sides]);
}

/** What is the same in all, in one line. */
export function levelWords(level: readonly SideRow[], show: Show, currency: string): string {
  return level
    .flatMap((row) => {
      const [cell] = row.cells;
      if (cell === undefined) return [];
      if (cell.words !== undefined) return [`${label(row).toLowerCase()} ${cell.words}`];
      if (cell.value === undefined) return [];
      const unit = row.unit === undefined || row.unit === 'money' ? currency : show(1, row.unit).unit;
      return [`${label(row).toLowerCase()} ${cellText(cell, row, show)} ${unit}`];
    })
    .join('; ');
}
