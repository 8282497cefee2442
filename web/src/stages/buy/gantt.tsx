import { counted, dayAfter, dayWords, type When } from '@apple-cart/core';
import { useMemo, useRef, useState } from 'react';
import { useFingers } from '../../state/use-fingers.ts';
import { DAY_PX, ganttOf, type Gantt as GanttPlan, type GanttRow } from './gantt-layout.ts';

const HEAD_PX = 26;
const NAMES_PX = 176;

const barClass = ({ kind, decides, ordered }: GanttRow): string => {
  if (decides) return 'fill-look-fill stroke-look';
  if (kind === 'task') return 'fill-ink2 stroke-ink';
  return ordered ? 'fill-press stroke-ink2' : 'stroke-ink2';
};

/** One bar with its tail and its words. */
function BarMark({ row, y, shift }: { row: GanttRow; y: number; shift: number }) {
  const { bar } = row;
  if (bar === undefined)
    return (
      <g>
        <circle cx={7} cy={y} r={4} className="fill-none stroke-slate" strokeWidth={1.5} />
        <text x={17} y={y + 4} className="fill-slate text-[12px]">
          {row.told}
        </text>
      </g>
    );
  const thick = row.kind === 'task' ? 13 : 9;
  const hatched = row.kind === 'parcel' && !row.ordered;
  return (
    <g transform={shift === 0 ? undefined : `translate(${String(shift * DAY_PX)} 0)`}>
      <rect
        x={bar.x + 0.5}
        y={y - thick / 2}
        width={Math.max(3, bar.width - 1)}
        height={thick}
        strokeWidth={row.decides ? 1.8 : 1}
        className={barClass(row)}
        {...(hatched && !row.decides ? { fill: 'url(#hatch)' } : {})}
      />
      {hatched && row.decides && (
        <rect
          x={bar.x + 0.5}
          y={y - thick / 2}
          width={Math.max(3, bar.width - 1)}
          height={thick}
          fill="url(#hatch)"
        />
      )}
      {bar.tailX > bar.x + bar.width + 1 && (
        <path
          d={`M${String(bar.x + bar.width)} ${String(y)}H${String(bar.tailX)}m0 -4v8`}
          className="fill-none stroke-ink3"
          strokeDasharray="3 2.5"
        />
      )}
      <text
        x={bar.wordsX}
        y={y + 4}
        textAnchor={bar.before ? 'end' : 'start'}
        className="fill-ink2 stroke-sheet text-[12px]"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {bar.words}
      </text>
    </g>
  );
}

/** Lines from one deciding bar to the next. */
function Arrows({ rows, when, yOf }: { rows: readonly GanttRow[]; when: When; yOf: (i: number) => number }) {
  const parcel = rows.findIndex((r) => r.kind === 'parcel' && r.decides);
  const chain = when.chain
    .map((c) => rows.findIndex((r) => r.kind === 'task' && r.id === c.id))
    .filter((i) => i >= 0);
  const order = parcel < 0 ? chain : [parcel, ...chain];
  return order.slice(1).map((to, k) => {
    const from = order[k] ?? 0;
    const [a, b] = [rows[from]?.bar, rows[to]?.bar];
    if (a === undefined || b === undefined) return null;
    const x = Math.max(a.x + a.width, b.x + 4);
    const down = yOf(to) > yOf(from);
    const tip = yOf(to) + (down ? -8 : 8);
    return (
      <path
        key={`${String(from)} ${String(to)}`}
        d={`M${String(a.x + a.width)} ${String(yOf(from))}H${String(x)}V${String(tip)}m-3 ${down ? '-5' : '5'}l3 ${down ? '5' : '-5'}l3 ${down ? '-5' : '5'}`}
        className="fill-none stroke-look"
        strokeWidth={1.6}
      />
    );
  });
}

/** Names of the rows; those of work move it by the arrow keys. */
function Names({
  gantt,
  rowPx,
  onMove,
}: {
  gantt: GanttPlan;
  rowPx: number;
  onMove: (id: string, days: number) => void;
}) {
  return (
    <div className="sticky left-0 z-10 shrink-0 bg-sheet" style={{ width: NAMES_PX, paddingTop: HEAD_PX }}>
      <p
        className="head border-b border-ink text-[13px] leading-none"
        style={{ height: rowPx, paddingTop: 6 }}
      >
        Parcels
      </p>
      {gantt.rows.map((row, i) => (
        <div key={`${row.kind} ${row.id}`}>
          {i === gantt.parcels && (
            <p
              className="head border-b border-ink text-[13px] leading-none"
              style={{ height: rowPx, paddingTop: 6 }}
            >
              At the bench
            </p>
          )}
          {row.kind === 'task' ? (
            <button
              type="button"
              title={row.name}
              style={{ height: rowPx }}
              className={`block w-full truncate border-b border-hair pr-2 text-left text-[12.5px] hover:bg-press ${row.decides ? 'font-semibold' : ''}`}
              aria-label={`${row.name}: ${row.told}. Left and right arrow move it by a day, with Shift by a week.`}
              onKeyDown={(event) => {
                if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
                event.preventDefault();
                onMove(row.id, (event.key === 'ArrowRight' ? 1 : -1) * (event.shiftKey ? 7 : 1));
              }}
            >
              {row.name}
            </button>
          ) : (
            <p
              title={row.name}
              style={{ height: rowPx, lineHeight: `${String(rowPx)}px` }}
              className={`truncate border-b border-hair pr-2 text-[12.5px] leading-[25px] ${row.decides ? 'font-semibold' : ''}`}
            >
              {row.name}
            </p>
          )}
        </div>
      ))}
    </div>
  );
}

/** The plan drawn to scale: parcels thin, work thick, what decides the day in straw. Work is moved by its bar or by the arrow keys. */
export function Gantt({
  when,
  why,
  onMove,
}: {
  when: When;
  why: string;
  onMove: (task: string, notBefore: string) => void;
}) {
  const gantt = useMemo(() => ganttOf(when, why), [when, why]);
  const rowPx = useFingers() ? 44 : 25;
  const drag = useRef<{ id: string; x: number }>(undefined);
  const [moved, setMoved] = useState<{ id: string; days: number }>();
  const headAt = (i: number): number => (i < gantt.parcels ? 1 : 2);
  const yOf = (i: number): number => HEAD_PX + (i + headAt(i)) * rowPx + rowPx / 2;
  const height = HEAD_PX + (gantt.rows.length + 2) * rowPx + 4;
  const startOf = (id: string): string => when.tasks.find((t) => t.task.id === id)?.day ?? when.today;
  const move = (id: string, days: number): void => {
    if (days !== 0) onMove(id, dayAfter(startOf(id), days));
  };
  return (
    <div
      className="flex overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label="Calendar of parcels and work"
      data-testid="gantt"
    >
      <Names gantt={gantt} rowPx={rowPx} onMove={move} />
      <svg
        width={gantt.width}
        height={height}
        className="shrink-0"
        role="img"
        aria-label="Drawn to scale; the table holds the same."
      >
        <defs>
          <pattern
            id="hatch"
            width="5"
            height="5"
            patternUnits="userSpaceOnUse"
            patternTransform="rotate(45)"
          >
            <path d="M0 0V5" className="stroke-ink2" strokeWidth={1.4} />
          </pattern>
        </defs>
        {gantt.weekends.map((x) => (
          <rect key={x} x={x} y={HEAD_PX} width={DAY_PX} height={height - HEAD_PX} className="fill-press" />
        ))}
        {gantt.mondays.map(({ x, words }) => (
          <g key={x}>
            <path d={`M${String(x + 0.5)} 18V${String(height)}`} className="stroke-hair" />
            <text x={x + 3} y={14} className="fill-ink2 font-mono text-[11.5px]">
              {words}
            </text>
          </g>
        ))}
        <path d={`M1 6V${String(height)}`} className="stroke-ink" strokeWidth={2} />
        {gantt.rows.map((_, i) => (
          <path
            key={String(i)}
            d={`M0 ${String(yOf(i) + rowPx / 2 - 0.5)}H${String(gantt.width)}`}
            className="stroke-hair"
          />
        ))}
        {gantt.wanted !== undefined && (
          <g>
            <path
              d={`M${String(gantt.wanted.x)} ${String(HEAD_PX)}V${String(height)}`}
              className="stroke-slate"
              strokeWidth={1.8}
              strokeDasharray="2 3"
            />
            <text
              x={gantt.wanted.x + (gantt.wanted.before ? -5 : 5)}
              y={HEAD_PX + 14}
              textAnchor={gantt.wanted.before ? 'end' : 'start'}
              className="fill-slate stroke-sheet text-[12px] font-semibold"
              strokeWidth={3}
              paintOrder="stroke"
            >
              {gantt.wanted.words}
            </text>
          </g>
        )}
        <Arrows rows={gantt.rows} when={when} yOf={yOf} />
        {gantt.rows.map((row, i) => (
          <g
            key={`${row.kind} ${row.id}`}
            className={row.kind === 'task' ? 'cursor-ew-resize touch-none' : ''}
            onPointerDown={(event) => {
              if (row.kind !== 'task') return;
              event.currentTarget.setPointerCapture(event.pointerId);
              drag.current = { id: row.id, x: event.clientX };
            }}
            onPointerMove={(event) => {
              if (drag.current?.id !== row.id) return;
              setMoved({ id: row.id, days: Math.round((event.clientX - drag.current.x) / DAY_PX) });
            }}
            onPointerUp={(event) => {
              if (drag.current?.id !== row.id) return;
              const days = Math.round((event.clientX - drag.current.x) / DAY_PX);
              drag.current = undefined;
              setMoved(undefined);
              move(row.id, days);
            }}
            onPointerCancel={() => {
              drag.current = undefined;
              setMoved(undefined);
            }}
          >
            <BarMark row={row} y={yOf(i)} shift={moved?.id === row.id ? moved.days : 0} />
          </g>
        ))}
      </svg>
    </div>
  );
}

const spareWords = ({ spare }: When): string => {
  if (spare === undefined) return '';
  return spare < 0 ? `${counted(-spare, 'day')} late` : `${counted(spare, 'day')} to spare`;
};

/** The same as a table: what comes when, and what is done when. */
export function PlanTable({ when }: { when: When }) {
  const gantt = useMemo(() => ganttOf(when), [when]);
  return (
    <table className="w-full border-collapse text-[13px]" data-testid="plan-table">
      <thead>
        <tr className="border-b-[1.5px] border-ink text-left">
          <th className="py-1 font-semibold">What</th>
          <th className="py-1 font-semibold">When</th>
          <th className="py-1 font-semibold">Decides</th>
        </tr>
      </thead>
      <tbody>
        {gantt.rows.map((row) => (
          <tr key={`${row.kind} ${row.id}`} className="border-b border-hair">
            <th scope="row" className="py-1 pr-2 text-left font-normal">
              {row.name}
            </th>
            <td className="py-1 pr-2">{row.told}</td>
            <td className="py-1">{row.decides ? 'the riding day' : ''}</td>
          </tr>
        ))}
        {when.wanted !== undefined && (
          <tr className="border-b border-hair">
            <th scope="row" className="py-1 text-left font-normal">
              Wanted
            </th>
            <td className="py-1">{dayWords(when.wanted, 'weekday')}</td>
            <td className="py-1">{spareWords(when)}</td>
          </tr>
        )}
      </tbody>
    </table>
  );
}
