import { useDrag } from '@use-gesture/react';
import { useEffect, useRef, useState } from 'react';
import {
  firstOf,
  convert,
  elevationAt,
  formatNumber,
  rawTrack,
  routeLengthM,
  shownUnit,
  type Recorded,
  type Route,
} from '@apple-cart/core';
import { useSettings } from '../state/settings-store.ts';

const HEIGHT = 300;
const [LEFT, RIGHT, TOP, FOOT] = [52, 14, 14, 42];
/** Arrow keys move a node by these, m. */
const STEP_X = 10;
const STEP_Y = 1;
/** More nodes than this are not dragged one by one. */
export const MOST_DRAGGED = 60;

interface Scale {
  readonly x: (metres: number) => number;
  readonly y: (metres: number) => number;
  readonly metresPerPx: number;
  readonly risePerPx: number;
}

/** Round steps of an axis of about so many parts. */
function ticks(from: number, to: number, parts: number): readonly number[] {
  const raw = (to - from) / parts;
  const decade = 10 ** Math.floor(Math.log10(Math.max(raw, 1e-9)));
  const step = ([1, 2, 5, 10].find((m) => m * decade >= raw) ?? 10) * decade;
  const out: number[] = [];
  for (let t = Math.ceil(from / step - 1e-9) * step; t <= to + 1e-9; t += step)
    out.push(Number(t.toPrecision(12)));
  return out;
}

/** The recorded line, thinned to what a picture shows. */
function RawLine({ recorded, scale }: { recorded: Recorded; scale: Scale }) {
  const raw = rawTrack(recorded);
  const step = Math.max(1, Math.ceil(raw.distanceM.length / 1200));
  const points = raw.distanceM
    .map((d, i) =>
      i % step === 0 ? `${scale.x(d).toFixed(1)},${scale.y(raw.elevationM[i] ?? 0).toFixed(1)}` : '',
    )
    .filter((text) => text !== '');
  return (
    <polyline
      points={points.join(' ')}
      fill="none"
      stroke="var(--slate-fill)"
      strokeWidth="1"
      opacity="0.8"
    />
  );
}

function Node({
  index,
  route,
  scale,
  onMove,
  onChosen,
  chosen,
}: {
  index: number;
  route: Route;
  scale: Scale;
  onMove: (index: number, distanceM: number, elevationM: number, key: string) => void;
  onChosen: (index: number) => void;
  chosen: boolean;
}) {
  const node = route.profile[index];
  const bind = useDrag(
    ({ movement: [mx, my], first, memo, event }) => {
      event.stopPropagation();
      const from = (memo as { d: number; e: number; scale: Scale } | undefined) ?? {
        d: node?.distanceM ?? 0,
        e: node?.elevationM ?? 0,
        // The scale may change while a node is dragged; the hand keeps the one it began with.
        scale,
      };
      if (first) onChosen(index);
      onMove(
        index,
        from.d + mx * from.scale.metresPerPx,
        from.e - my * from.scale.risePerPx,
        `drag-${String(index)}`,
      );
      return from;
    },
    { filterTaps: true },
  );
  if (node === undefined) return null;
  const [x, y] = [scale.x(node.distanceM), scale.y(node.elevationM)];
  return (
    <g
      {...bind()}
      role="slider"
      tabIndex={0}
      aria-label={`Point ${String(index + 1)} of the road`}
      aria-valuenow={Math.round(node.elevationM)}
      aria-valuetext={`${formatNumber(node.elevationM, 1)} m high after ${formatNumber(node.distanceM, 0)} m`}
      data-node={index}
      className="cursor-grab touch-none outline-none focus-visible:[&>circle:last-child]:stroke-[4]"
      onFocus={() => {
        onChosen(index);
      }}
      onKeyDown={(event) => {
        const by = event.shiftKey ? 10 : 1;
        const move = {
          ArrowLeft: [-STEP_X, 0],
          ArrowRight: [STEP_X, 0],
          ArrowUp: [0, STEP_Y],
          ArrowDown: [0, -STEP_Y],
        }[event.key];
        if (move === undefined) return;
        event.preventDefault();
        const [dx = 0, dy = 0] = move;
        onMove(index, node.distanceM + dx * by, node.elevationM + dy * by, `key-${String(index)}`);
      }}
    >
      {/* A finger is 44 px wide. */}
      <circle cx={x} cy={y} r="22" fill="transparent" />
      <circle
        cx={x}
        cy={y}
        r={chosen ? 8 : 6}
        fill={chosen ? 'var(--slate-fill)' : 'var(--sheet)'}
        stroke="var(--ink)"
        strokeWidth="2"
      />
    </g>
  );
}

interface Props {
  readonly route: Route;
  readonly onMove: (index: number, distanceM: number, elevationM: number, key: string) => void;
}

/** The profile on graph paper: points are dragged, or moved with the arrow keys; spans and stops are marked. */
export function ProfileEditor({ route, onMove }: Props) {
  const system = useSettings((state) => state.units);
  const box = useRef<HTMLDivElement>(null);
  const [width, setWidth] = useState(800);
  const [chosen, setChosen] = useState<number>();
  useEffect(() => {
    const element = box.current;
    if (element === null) return undefined;
    const observer = new ResizeObserver(([entry]) => {
      if (entry !== undefined) setWidth(Math.max(280, entry.contentRect.width));
    });
    observer.observe(element);
    return () => {
      observer.disconnect();
    };
  }, []);
  const { profile, recorded } = route;
  const length = routeLengthM(route);
  const heights =
    recorded === null
      ? profile.map((p) => p.elevationM)
      : [...profile.map((p) => p.elevationM), ...recorded.elevationM];
  const [least, most] = [
    heights.reduce((a, b) => Math.min(a, b), Infinity),
    heights.reduce((a, b) => Math.max(a, b), -Infinity),
  ];
  const room = Math.max(10, 0.15 * (most - least));
  const [low, high] = [least - room, most + room];
  // A drawn road may grow at its end.
  const far = recorded === null ? length * 1.06 : length;
  const scale: Scale = {
    x: (m) => LEFT + ((width - LEFT - RIGHT) * m) / far,
    y: (m) => HEIGHT - FOOT - ((HEIGHT - TOP - FOOT) * (m - low)) / (high - low),
    metresPerPx: far / (width - LEFT - RIGHT),
    risePerPx: (high - low) / (HEIGHT - TOP - FOOT),
  };
  const [distance, height] = [shownUnit('km', system), shownUnit('m', system)];
  const line = profile
    .map((p) => `${scale.x(p.distanceM).toFixed(1)},${scale.y(p.elevationM).toFixed(1)}`)
    .join(' ');
  const foot = HEIGHT - FOOT;
  const draggable = recorded === null && profile.length <= MOST_DRAGGED;
  const xs = ticks(0, convert(far / 1000, 'km', distance), Math.max(3, Math.round(width / 130)));
  const ys = ticks(convert(low, 'm', height), convert(high, 'm', height), 4);
  const upright = (m: number): number => scale.y(elevationAt(profile, m));
  return (
    <div ref={box} className="w-full">
      <svg
        width={width}
        height={HEIGHT}
        className="block border border-rule bg-field"
        role="group"
        aria-label="Profile of the road"
      >
        {ys.map((t) => {
          const y = scale.y(convert(t, height, 'm'));
          return (
            <g key={t}>
              <line x1={LEFT} x2={width - RIGHT} y1={y} y2={y} stroke="var(--grid-major)" />
              <text x={LEFT - 6} y={y + 4} textAnchor="end" className="num" fontSize="12" fill="var(--ink2)">
                {formatNumber(t, 0)}
              </text>
            </g>
          );
        })}
        {xs.map((t) => {
          const x = scale.x(convert(t, distance, 'km') * 1000);
          return (
            <g key={t}>
              <line x1={x} x2={x} y1={TOP} y2={foot} stroke="var(--grid-major)" />
              <text x={x} y={foot + 17} textAnchor="middle" className="num" fontSize="12" fill="var(--ink2)">
                {formatNumber(
                  t,
                  firstOf(
                    [
                      [t % 1 === 0, 0],
                      [t * 10 === Math.round(t * 10), 1],
                    ],
                    2,
                  ),
                )}
              </text>
            </g>
          );
        })}
        <text x={LEFT + 6} y={TOP + 12} fontSize="12" fill="var(--ink2)">
          Elevation, {height}
        </text>
        <text x={width - RIGHT} y={HEIGHT - 8} textAnchor="end" fontSize="12" fill="var(--ink2)">
          Distance, {distance}
        </text>
        {route.spans.map((s, i) => (
          <rect
            key={i}
            x={scale.x(s.fromM)}
            y={foot - 8}
            width={Math.max(1, scale.x(Math.min(s.toM, length)) - scale.x(s.fromM))}
            height="8"
            fill={firstOf(
              [
                [s.surface === 'snow', 'var(--slate-fill)'],
                [s.surface === 'paved', 'var(--q-speed)'],
              ],
              'var(--look-fill)',
            )}
            opacity="0.55"
          />
        ))}
        <polygon
          points={`${String(scale.x(0))},${String(foot)} ${line} ${String(scale.x(length))},${String(foot)}`}
          fill="var(--q-elev)"
          opacity="0.16"
        />
        {recorded !== null && <RawLine recorded={recorded} scale={scale} />}
        <polyline points={line} fill="none" stroke="var(--q-elev)" strokeWidth="2.4" />
        {route.stops.map((s, i) => (
          <g key={i}>
            <line
              x1={scale.x(s.atM)}
              x2={scale.x(s.atM)}
              y1={upright(s.atM) - 18}
              y2={upright(s.atM)}
              stroke="var(--ink)"
            />
            <rect
              x={scale.x(s.atM) - 4}
              y={upright(s.atM) - 24}
              width="8"
              height="8"
              fill="var(--stop-fill)"
            />
          </g>
        ))}
        {draggable &&
          profile.map((_, index) => (
            <Node
              key={index}
              index={index}
              route={route}
              scale={scale}
              onMove={onMove}
              onChosen={setChosen}
              chosen={chosen === index}
            />
          ))}
      </svg>
    </div>
  );
}
