import { faced } from './adapter.ts';
import type { Component } from './components.ts';
import type { Wire, Wiring } from './wiring.ts';

/** Measures of the drawing, px: head of a box, pitch of pins, foot; the tick beside a pin; a plug pair. */
const DIAGRAM = {
  head: 26,
  pitch: 16,
  foot: 8,
  tick: 40,
  box: 132,
  wide: 164,
  plug: 44,
  plugHead: 18,
  /** A line of its own under the name of a box. */
  note: 13,
  /** What sits in a lead: a place for each device, and room above for its tag and the resistor across it. */
  device: 80,
  deviceHead: 52,
  group: 48,
} as const;

/** A place where lines end at a box: a pin with its tick, or one side of a plug pair. */
interface GraphPort {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly width: number;
  readonly height: number;
  readonly layoutOptions: Readonly<Record<string, string>>;
}

interface GraphNode {
  readonly id: string;
  readonly width: number;
  readonly height: number;
  readonly ports: readonly GraphPort[];
  readonly layoutOptions: Readonly<Record<string, string>>;
}

/** What a layout of layers takes: boxes with fixed ports, and edges between ports. */
export interface WiringGraph {
  readonly id: string;
  readonly layoutOptions: Readonly<Record<string, string>>;
  readonly children: readonly GraphNode[];
  readonly edges: readonly {
    readonly id: string;
    readonly sources: readonly [string];
    readonly targets: readonly [string];
  }[];
}

/** As tried out: layers from left to right, right-angled lines, boxes 14 apart. */
const OPTIONS: Readonly<Record<string, string>> = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.spacing.nodeNode': '14',
  'elk.layered.spacing.nodeNodeBetweenLayers': '24',
  'elk.spacing.edgeEdge': '8',
  'elk.layered.spacing.edgeEdgeBetweenLayers': '8',
  'elk.layered.spacing.edgeNodeBetweenLayers': '10',
  'elk.spacing.edgeNode': '8',
  'elk.padding': '[top=8,left=8,bottom=8,right=8]',
};
const FIXED = { 'elk.portConstraints': 'FIXED_POS' } as const;

const port = (id: string, side: 'WEST' | 'EAST', width: number, y: number, tick: boolean): GraphPort => {
  const reach = tick ? DIAGRAM.tick : 1;
  return {
    id,
    x: side === 'WEST' ? -reach : width,
    y: y - 5,
    width: reach,
    height: 10,
    layoutOptions: { 'elk.port.side': side },
  };
};

/** Which side of the controller a part stands on: what gives is at the left, the motor and what is fed at the right. */
const isRight = (id: string): boolean => /^(motor|converter|accessory|light-cells)/.test(id);

/** Conductors of a cable: as many as the longer half has pins. */
const conductors = ({ cable }: Wire): number => Math.max(cable.from.pins.length, cable.to.pins.length);

/** Above the conductors of a plug pair: its tag, and those of what sits in the lead. */
const plugHead = ({ devices }: Wire): number =>
  devices.length === 0 ? DIAGRAM.plugHead : DIAGRAM.deviceHead;

/** Where a plug pair is drawn in its node: each conductor, down from its top, and each device, across from its left, px. */
export const plugPlaces = (
  wire: Wire,
): {
  readonly head: number;
  readonly plug: number;
  readonly rows: readonly number[];
  readonly devices: readonly number[];
} => ({
  head: plugHead(wire),
  plug: DIAGRAM.plug,
  rows: Array.from({ length: conductors(wire) }, (_, i) => plugHead(wire) + (i + 0.5) * DIAGRAM.pitch),
  devices: wire.devices.map((_, i) => DIAGRAM.plug + (i + 0.5) * DIAGRAM.device),
});

/** The two sides of a cable in the order of the drawing. */
function sides({ cable }: Wire): {
  readonly left: string;
  readonly right: string;
  readonly turned: boolean;
} {
  const turned = isRight(cable.fromComponent) && !isRight(cable.toComponent);
  return turned
    ? { left: cable.toComponent, right: cable.fromComponent, turned }
    : { left: cable.fromComponent, right: cable.toComponent, turned };
}

interface PinRow {
  readonly id: string;
  readonly side: 'WEST' | 'EAST';
  readonly y: number;
}

/** Pins of one box, in groups by cable, each side for itself. */
function rowsOf(
  { id: component, note }: Component,
  wires: readonly Wire[],
): { readonly rows: readonly PinRow[]; readonly height: number } {
  const rows: PinRow[] = [];
  const head = DIAGRAM.head + (note === '' ? 0 : DIAGRAM.note);
  const down = { WEST: head, EAST: head };
  for (const wire of wires) {
    const { left, right } = sides(wire);
    if (left !== component && right !== component) continue;
    const side = left === component ? ('EAST' as const) : ('WEST' as const);
    for (let i = 0; i < conductors(wire); i += 1) {
      rows.push({
        id: `${component}/${wire.cable.key}/${String(i)}`,
        side,
        y: down[side] + DIAGRAM.pitch / 2,
      });
      down[side] += DIAGRAM.pitch;
    }
    // As far as the boxes opposite stand apart, so that their lines are straight.
    if (component === 'controller') down[side] += DIAGRAM.group;
  }
  const gap = component === 'controller' ? DIAGRAM.group : 0;
  return { rows, height: Math.max(down.WEST, down.EAST) - (rows.length === 0 ? 0 : gap) + DIAGRAM.foot };
}

/** A box with pins on both sides is wider, so that their names do not meet. */
const widthOf = (rows: readonly PinRow[]): number =>
  new Set(rows.map((r) => r.side)).size > 1 ? DIAGRAM.wide : DIAGRAM.box;

/** A plug pair with what sits in the lead behind it: every conductor goes through from the left to the right. */
function plugOf(wire: Wire): GraphNode {
  const { devices, cable } = wire;
  const id = `plug/${cable.key}`;
  const width = DIAGRAM.plug + devices.length * DIAGRAM.device;
  const { head, rows } = plugPlaces(wire);
  return {
    id,
    width,
    height: head + rows.length * DIAGRAM.pitch + 2,
    layoutOptions: FIXED,
    ports: rows.flatMap((y, i) => [
      port(`${id}/${String(i)}/w`, 'WEST', width, y, false),
      port(`${id}/${String(i)}/e`, 'EAST', width, y, false),
    ]),
  };
}

/** The harness as a graph of boxes, plug pairs and lines, for a layout of layers. */
export function wiringGraph({ components, wires }: Wiring): WiringGraph {
  const order = wires.toSorted((a, b) => a.cable.number - b.cable.number);
  const boxes = components.map((component): GraphNode => {
    const { id } = component;
    const { rows, height } = rowsOf(component, order);
    return {
      id,
      width: widthOf(rows),
      height,
      layoutOptions: FIXED,
      ports: rows.map((r) => port(r.id, r.side, widthOf(rows), r.y, true)),
    };
  });
  const edges = order.flatMap((wire) => {
    const { left, right, turned } = sides(wire);
    const { key, spec } = wire.cable;
    const across = faced(wire.cable);
    // The near half lies straight; behind an adapter the far one is reached by its own pin.
    const far = (i: number): number | undefined => (spec.adapter === true ? across[i] : i);
    return Array.from({ length: conductors(wire) }, (_, i) => i).flatMap((i) => {
      const [l, r] = turned ? [far(i), i] : [i, far(i)];
      return [
        ...(l === undefined
          ? []
          : [
              {
                id: `${key}/${String(i)}/l`,
                sources: [`${left}/${key}/${String(l)}`] as const,
                targets: [`plug/${key}/${String(i)}/w`] as const,
              },
            ]),
        ...(r === undefined
          ? []
          : [
              {
                id: `${key}/${String(i)}/r`,
                sources: [`plug/${key}/${String(i)}/e`] as const,
                targets: [`${right}/${key}/${String(r)}`] as const,
              },
            ]),
      ];
    });
  });
  return { id: 'harness', layoutOptions: OPTIONS, children: [...boxes, ...order.map(plugOf)], edges };
}
