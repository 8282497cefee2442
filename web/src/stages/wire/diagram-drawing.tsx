import { plugPlaces, worksOf, type Wire, type Wiring } from '@apple-cart/core';
import type { ElkNode } from 'elkjs/lib/elk-api.js';
import { FILLS } from './colours.tsx';
import { Devices } from './diagram-devices.tsx';
import type { SheetPart } from './diagram-sheets.ts';

/** Height of the tag over a plug pair, px. */
const TAG = 18;
const TICK = { width: 18, height: 8 } as const;

interface Line {
  readonly id: string;
  readonly d: string;
}

/** Lines of a layout as paths. */
const linesOf = (graph: ElkNode): readonly Line[] =>
  (graph.edges ?? []).map((edge) => ({
    id: edge.id,
    d: (edge.sections ?? [])
      .map(({ startPoint, bendPoints, endPoint }) =>
        [startPoint, ...(bendPoints ?? []), endPoint]
          .map((p, i) => `${i === 0 ? 'M' : 'L'}${p.x.toFixed(1)} ${p.y.toFixed(1)}`)
          .join(''),
      )
      .join(''),
  }));

const WIDTHS = { power: 4.2, phase: 3, signal: 1.3 } as const;

/** A pin with its tick and its work, at the edge of a box. */
function Pin({
  wire,
  index,
  end,
  x,
  y,
  west,
  works,
}: {
  wire: Wire;
  index: number;
  end: 'from' | 'to';
  x: number;
  y: number;
  west: boolean;
  works: ReturnType<typeof worksOf>;
}) {
  const pin = wire.cable[end].pins[index];
  if (pin === undefined) return null;
  const tickX = west ? x - 24 : x + 6;
  return (
    <g>
      <path
        d={`M${String(x)} ${String(y)}h${west ? '-40' : '40'}`}
        className="fill-none stroke-ink"
        strokeWidth={WIDTHS[wire.cable.kind]}
      />
      <circle cx={x} cy={y} r={2.6} className="fill-ink" />
      <rect
        x={tickX}
        y={y - TICK.height / 2}
        width={TICK.width}
        height={TICK.height}
        fill={FILLS[pin.colour]}
        className="stroke-ink"
        strokeDasharray={pin.colour === '' ? '2 2' : undefined}
      />
      <text
        x={west ? tickX - 2 : tickX + TICK.width + 2}
        y={y + 3.5}
        textAnchor={west ? 'end' : 'start'}
        className="fill-ink2 stroke-sheet text-[9px]"
        strokeWidth={3}
        paintOrder="stroke"
      >
        {pin.colour}
      </text>
      <text
        x={west ? x + 6 : x - 6}
        y={y + 3.8}
        textAnchor={west ? 'start' : 'end'}
        className="fill-ink text-[11px]"
      >
        {works[pin.work].name}
      </text>
    </g>
  );
}

/** The harness as it was laid out: boxes, plug pairs, lines in ink. */
export function Drawing({
  graph,
  wiring,
  picked,
  onPick,
  part,
}: {
  graph: ElkNode;
  wiring: Wiring;
  picked: string | undefined;
  onPick: (key: string) => void;
  /** The stretch of it that is shown, for a sheet of paper; all of it without. */
  part?: SheetPart;
}) {
  const works = worksOf(wiring.pack);
  const nodes = new Map((graph.children ?? []).map((n) => [n.id, n]));
  const lines = linesOf(graph);
  const wireOf = (id: string): Wire | undefined => wiring.wires.find((w) => id.startsWith(`${w.cable.key}/`));
  return (
    <svg
      viewBox={[
        part?.x ?? 0,
        part?.y ?? 0,
        part?.width ?? graph.width ?? 0,
        part?.height ?? graph.height ?? 0,
      ].join(' ')}
      width={part === undefined ? graph.width : '100%'}
      height={part === undefined ? graph.height : undefined}
      preserveAspectRatio="xMinYMin meet"
      role="group"
      aria-label={part === undefined ? 'Wiring diagram; the cable schedule holds the same' : part.name}
      data-testid="wiring-diagram"
    >
      {lines.map(({ id, d }) => {
        const wire = wireOf(id);
        const index = Number(id.split('/').at(-2) ?? 0);
        const bad = wire?.plug.some((f) => f.state === 'stop' && f.pins.includes(index + 1)) === true;
        return (
          <path
            key={id}
            d={d}
            className={`fill-none ${bad ? 'stroke-stop' : 'stroke-ink'}`}
            strokeWidth={bad ? 2.4 : WIDTHS[wire?.cable.kind ?? 'signal']}
          />
        );
      })}
      {wiring.components.map(({ id, name, note }) => {
        const node = nodes.get(id);
        if (node === undefined) return null;
        const [x, y] = [node.x ?? 0, node.y ?? 0];
        return (
          <g key={id}>
            <rect
              x={x}
              y={y}
              width={node.width}
              height={node.height}
              className="fill-field stroke-ink"
              strokeWidth={1.6}
              strokeDasharray={note === 'only to charge' ? '5 3' : undefined}
            />
            <text x={x + 7} y={y + 17} className="fill-ink text-[12.5px] font-bold">
              {name.length > 19 ? `${name.slice(0, 18)}…` : name}
            </text>
            {note !== '' && (
              <text x={x + 7} y={y + 30} className="fill-ink2 text-[10.5px]">
                {note}
              </text>
            )}
            {(node.ports ?? []).map((p) => {
              const [, , index] = splitPort(p.id, id);
              const wire = wiring.wires.find((w) => p.id.startsWith(`${id}/${w.cable.key}/`));
              if (wire === undefined) return null;
              const west = (p.x ?? 0) < 0;
              return (
                <Pin
                  key={p.id}
                  wire={wire}
                  index={index}
                  end={wire.cable.fromComponent === id ? 'from' : 'to'}
                  x={x + (west ? 0 : (node.width ?? 0))}
                  y={y + (p.y ?? 0) + 5}
                  west={west}
                  works={works}
                />
              );
            })}
          </g>
        );
      })}
      {wiring.wires.map((wire) => {
        const node = nodes.get(`plug/${wire.cable.key}`);
        if (node === undefined) return null;
        return (
          <g key={wire.cable.key}>
            {wire.devices.length > 0 && <Devices wire={wire} node={node} />}
            <PlugPair wire={wire} node={node} picked={picked === wire.cable.key} onPick={onPick} />
          </g>
        );
      })}
    </svg>
  );
}

/** Component, cable and number of a pin's port. */
const splitPort = (id: string, component: string): readonly [string, string, number] => {
  const rest = id.slice(component.length + 1);
  const cut = rest.lastIndexOf('/');
  return [component, rest.slice(0, cut), Number(rest.slice(cut + 1))];
};

/** A plug pair: prong into cup for each pin, and its tag as a button. */
function PlugPair({
  wire,
  node,
  picked,
  onPick,
}: {
  wire: Wire;
  node: ElkNode;
  picked: boolean;
  onPick: (key: string) => void;
}) {
  const { plug: width, head, rows } = plugPlaces(wire);
  const x = node.x ?? 0;
  const down = (node.y ?? 0) + head;
  const y = down - TAG;
  const bad = (i: number): boolean => wire.plug.some((f) => f.state === 'stop' && f.pins.includes(i + 1));
  const middle = x + width / 2;
  return (
    <g
      role="button"
      tabIndex={0}
      aria-label={`P${String(wire.cable.number)}, ${wire.cable.carries}`}
      className="cursor-pointer outline-none focus-visible:stroke-slate"
      onClick={() => {
        onPick(wire.cable.key);
      }}
      onKeyDown={(event) => {
        if (event.key === 'Enter' || event.key === ' ') onPick(wire.cable.key);
      }}
    >
      <rect
        x={x}
        y={y}
        width={width}
        height={TAG + 16 * rows.length + 2}
        className={picked ? 'fill-slate-tint' : 'fill-transparent'}
      />
      <rect
        x={middle - 17}
        y={y + 1}
        width={34}
        height={15}
        className={`stroke-ink ${picked ? 'fill-slate-fill' : 'fill-sheet'}`}
      />
      <text
        x={middle}
        y={y + 12.5}
        textAnchor="middle"
        className={`text-[11px] font-bold ${picked ? 'fill-on-ink' : 'fill-ink'}`}
      >
        P{wire.cable.number}
      </text>
      {rows.map((row, i) => {
        const py = (node.y ?? 0) + row;
        const stroke = bad(i) ? 'stroke-stop' : 'stroke-ink';
        return (
          <g key={i} className={`fill-none ${stroke}`} strokeWidth={bad(i) ? 2.4 : 1.4}>
            <path d={`M${String(x)} ${String(py)}H${String(middle + 1)}`} />
            <path d={`M${String(middle + 7)} ${String(py - 5)}h-3a5 5 0 0 0 0 10h3`} />
            <path d={`M${String(middle - 1)} ${String(py)}H${String(x + width)}`} />
          </g>
        );
      })}
    </g>
  );
}
