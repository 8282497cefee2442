import { plugPlaces, type Device, type Wire } from '@apple-cart/core';
import type { ElkNode } from 'elkjs/lib/elk-api.js';

const THICK = 4.2;
const at = (...n: readonly number[]): string => n.map((v) => v.toFixed(1)).join(' ');

/** Plain lead from one place to another. */
const Lead = ({ from, to, y }: { from: number; to: number; y: number }) => (
  <path d={`M${at(from, y)}H${to.toFixed(1)}`} className="fill-none stroke-ink" strokeWidth={THICK} />
);

/** Two contacts and the blade between them, lifted. */
const Blade = ({ x, y }: { x: number; y: number }) => (
  <g className="fill-ink stroke-ink">
    <circle cx={x - 11} cy={y} r={3} />
    <circle cx={x + 11} cy={y} r={3} />
    <path d={`M${at(x - 11, y)}L${at(x + 10, y - 9)}`} strokeWidth={2.2} className="fill-none" />
  </g>
);

/** The sign of a device, 32 px across, on its lead. */
function Sign({ id, x, y }: { id: Device['id']; x: number; y: number }) {
  switch (id) {
    case 'fuse':
    case 'not-said':
      return (
        <g className="fill-field stroke-ink">
          <rect
            x={x - 14}
            y={y - 6}
            width={28}
            height={12}
            strokeWidth={1.6}
            strokeDasharray={id === 'fuse' ? undefined : '3 2'}
          />
          {id === 'fuse' && <path d={`M${at(x - 14, y)}h28`} strokeWidth={1.6} />}
        </g>
      );
    case 'switch':
      return <Blade x={x} y={y} />;
    case 'breaker':
      return (
        <g>
          <Blade x={x} y={y} />
          <rect
            x={x - 5}
            y={y - 9.5}
            width={9}
            height={5}
            transform={`rotate(-24 ${at(x, y - 5)})`}
            className="fill-field stroke-ink"
            strokeWidth={1.2}
          />
        </g>
      );
    case 'contact':
      return (
        <g className="fill-none stroke-ink" strokeWidth={1.6}>
          <path d={`M${at(x - 14, y)}H${at(x)}`} strokeWidth={THICK} />
          <path d={`M${at(x + 7, y - 5)}h-3a5 5 0 0 0 0 10h3`} />
          <path d={`M${at(x + 5, y)}H${at(x + 14)}`} strokeWidth={THICK} />
        </g>
      );
    case 'none':
      return <Lead from={x - 14} to={x + 14} y={y} />;
  }
}

/** The resistor through which the capacitors fill, from one side of a device to the other. */
function Across({ tag, x, y }: { tag: string; x: number; y: number }) {
  const top = y - 31;
  return (
    <g className="fill-none stroke-ink" strokeWidth={1.3}>
      <path d={`M${at(x - 31, y)}V${top.toFixed(1)}H${at(x + 31)}V${y.toFixed(1)}`} />
      <rect x={x - 11} y={top - 4.5} width={22} height={9} className="fill-field" />
      <Tag x={x} y={top - 9} words={tag} />
    </g>
  );
}

const Tag = ({ x, y, words, stop }: { x: number; y: number; words: string; stop?: boolean }) => (
  <text
    x={x}
    y={y}
    textAnchor="middle"
    stroke="none"
    className={`text-[11px] font-semibold ${stop === true ? 'fill-stop' : 'fill-ink'}`}
  >
    {words}
  </text>
);

/** What sits in the plus lead behind its plug; every other conductor goes past it. */
export function Devices({ wire, node }: { wire: Wire; node: ElkNode }) {
  const { cable, devices } = wire;
  const [left, top, width] = [node.x ?? 0, node.y ?? 0, node.width ?? 0];
  const { plug, rows, devices: places } = plugPlaces(wire);
  const plus = Math.max(
    0,
    cable.from.pins.findIndex(({ work }) => work === 'pack-plus'),
  );
  const y = top + (rows[plus] ?? 0);
  const from = left + plug;
  const slot = devices.length === 0 ? 0 : (width - plug) / devices.length;
  return (
    <g aria-hidden="true">
      {rows
        .filter((_, i) => i !== plus)
        .map((row) => (
          <Lead key={row} from={from} to={left + width} y={top + row} />
        ))}
      {devices.map(({ id, tag, across }, i) => {
        const x = left + (places[i] ?? 0);
        return (
          <g key={tag}>
            <Lead from={x - slot / 2} to={x - 13} y={y} />
            <Lead from={x + 13} to={x + slot / 2} y={y} />
            <Sign id={id} x={x} y={y} />
            <Tag x={x} y={y - 12} words={tag} stop={id === 'none'} />
            {across !== undefined && <Across tag={across} x={x} y={y} />}
          </g>
        );
      })}
    </g>
  );
}
