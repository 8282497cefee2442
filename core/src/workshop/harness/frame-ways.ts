import type { Frame, Tube } from '../../frame/frame.ts';
import type { Point } from '../../frame/point.ts';
import { nearnessOf, type Nearness } from './near.ts';

/** Ends of tubes that are nearer than this are one joint, mm. */
const JOINT_MM = 45;

const far = (a: Point, b: Point): number => Math.hypot(a.x - b.x, a.y - b.y);

/** The nearest point on a tube, and how far along it. */
function onto({ a, b }: Tube, p: Point): { readonly point: Point; readonly away: number } {
  const [dx, dy] = [b.x - a.x, b.y - a.y];
  const t = Math.max(
    0,
    Math.min(1, ((p.x - a.x) * dx + (p.y - a.y) * dy) / Math.max(1e-9, dx * dx + dy * dy)),
  );
  const point = { x: a.x + t * dx, y: a.y + t * dy };
  return { point, away: far(point, p) };
}

/** A frame as a graph of tubes: its joints, and where parts of the harness sit on it. */
interface Graph {
  readonly nodes: readonly Point[];
  readonly edges: readonly (readonly [number, number, number])[];
}

/** Tubes that a cable can follow. */
const FOLLOWED = (t: Tube): boolean => t.name !== 'shock' && t.name !== 'rocker' && t.name !== 'rail';

/** The frame's tubes as a graph, with further points let in at their nearest tube. */
function graphOf(frame: Frame, places: readonly Point[]): Graph {
  const nodes: Point[] = [];
  const edges: (readonly [number, number, number])[] = [];
  const nodeAt = (p: Point): number => {
    const known = nodes.findIndex((n) => far(n, p) < JOINT_MM);
    if (known >= 0) return known;
    nodes.push(p);
    return nodes.length - 1;
  };
  // From joint to joint: what lies within one joint has no length of its own.
  const edge = (from: number, to: number): void => {
    const [a, b] = [nodes[from], nodes[to]];
    if (a !== undefined && b !== undefined) edges.push([from, to, far(a, b)]);
  };
  const tubes = frame.tubes.filter(FOLLOWED);
  // A point of a tube where another ends, or a part sits, is a joint of it as well.
  const stops = tubes.map((tube) =>
    [...tubes.flatMap((t) => [t.a, t.b]), ...places]
      .map((p) => onto(tube, p))
      .filter(({ away }) => away < JOINT_MM)
      .map(({ point }) => point),
  );
  tubes.forEach((tube, i) => {
    const along = [tube.a, ...(stops[i] ?? []), tube.b].toSorted((p, q) => far(tube.a, p) - far(tube.a, q));
    along.slice(1).forEach((p, k) => {
      const before = along[k];
      if (before === undefined) return;
      const [from, to] = [nodeAt(before), nodeAt(p)];
      if (from !== to) edge(from, to);
    });
  });
  for (const place of places) {
    const nearest = tubes.map((t) => onto(t, place)).reduce((a, b) => (b.away < a.away ? b : a));
    const [from, to] = [nodes.push(place) - 1, nodeAt(nearest.point)];
    edge(from, to);
    // Where it sits on no joint it hangs on the ends of the tube that it is nearest to.
    const tube = tubes.find((t) => onto(t, place).away === nearest.away);
    if (tube !== undefined) for (const end of [tube.a, tube.b]) edge(to, nodeAt(end));
  }
  return { nodes, edges: connected(nodes, edges) };
}

/** Nodes that can be reached from the first one. */
function reached(count: number, edges: Graph['edges']): ReadonlySet<number> {
  const seen = new Set([0]);
  for (let grew = count > 0; grew;) {
    const before = seen.size;
    for (const [a, b] of edges) {
      if (seen.has(a)) seen.add(b);
      if (seen.has(b)) seen.add(a);
    }
    grew = seen.size > before;
  }
  return seen;
}

/** Tubes of a drawing that do not touch (a steering column and its frame) are joined where they come nearest: a cable crosses there. */
function connected(nodes: readonly Point[], edges: Graph['edges']): Graph['edges'] {
  let all = edges;
  for (;;) {
    const seen = reached(nodes.length, all);
    if (seen.size >= nodes.length) return all;
    let nearest: readonly [number, number, number] = [0, 0, Infinity];
    nodes.forEach((p, i) => {
      if (seen.has(i))
        nodes.forEach((q, j) => {
          if (!seen.has(j) && far(p, q) < nearest[2]) nearest = [i, j, far(p, q)];
        });
    });
    all = [...all, nearest];
  }
}

/** From one node: how far each is along the tubes, mm, and which one it is come to from. */
interface Tree {
  readonly best: readonly number[];
  readonly before: readonly number[];
}

/** Every shortest way from a node. E. W. Dijkstra, 1959. */
function treeFrom({ nodes, edges }: Graph, from: number): Tree {
  const besides: (readonly [number, number])[][] = nodes.map(() => []);
  for (const [a, b, mm] of edges) {
    besides[a]?.push([b, mm]);
    besides[b]?.push([a, mm]);
  }
  const best = nodes.map(() => Infinity);
  const before = nodes.map(() => -1);
  const open = new Set(nodes.keys());
  best[from] = 0;
  while (open.size > 0) {
    let [next, least] = [-1, Infinity];
    for (const one of open) {
      const mm = best[one] ?? Infinity;
      if (mm < least) [next, least] = [one, mm];
    }
    if (next < 0) break;
    open.delete(next);
    for (const [other, mm] of besides[next] ?? []) {
      if (!open.has(other) || least + mm >= (best[other] ?? Infinity)) continue;
      best[other] = least + mm;
      before[other] = next;
    }
  }
  return { best, before };
}

/** The way of a tree to a node, mm, and its points from the one end to the other. */
function wayTo(nodes: readonly Point[], { best, before }: Tree, to: number): Along {
  const way: Point[] = [];
  for (let at = to; at >= 0; at = before[at] ?? -1) {
    const p = nodes[at];
    if (p !== undefined) way.push(p);
  }
  return { mm: best[to] ?? Infinity, way: way.reverse() };
}

/** A way along the tubes, mm, and its points. */
interface Along {
  readonly mm: number;
  readonly way: readonly Point[];
}

/** The same with what it comes near. */
interface Way extends Along {
  readonly near: Nearness;
}

/** Ways on one frame, each sought once: a keystroke seldom moves a tube. */
interface Ways {
  readonly frame: Frame;
  readonly graph: Graph;
  readonly found: Map<string, Way>;
  readonly trees: Map<number, Tree>;
}
const frames = new Map<string, Ways>();
/** So many frames are remembered: the build in hand, its pin, and what is compared. */
const MOST_FRAMES = 8;

export function waysOn(frame: Frame, places: readonly Point[]): Ways {
  const { rear, front, bracket } = frame;
  const tubes = frame.tubes.map(({ name, a, b }) => [name, a.x, a.y, b.x, b.y]);
  const key = JSON.stringify([tubes, rear, front, bracket, places]);
  const known = frames.get(key);
  if (known !== undefined) return known;
  const made: Ways = { frame, graph: graphOf(frame, places), found: new Map(), trees: new Map() };
  if (frames.size >= MOST_FRAMES) frames.clear();
  frames.set(key, made);
  return made;
}

/** The shortest way between two places of a frame. */
export function wayBetween({ frame, graph, found, trees }: Ways, a: Point, b: Point): Way {
  const key = [a.x, a.y, b.x, b.y].join(' ');
  const known = found.get(key);
  if (known !== undefined) return known;
  const nodeOf = (p: Point): number => graph.nodes.findIndex((n) => far(n, p) < 1);
  const from = nodeOf(a);
  const tree = trees.get(from) ?? treeFrom(graph, from);
  trees.set(from, tree);
  const along = wayTo(graph.nodes, tree, nodeOf(b));
  const way = { ...along, near: nearnessOf(frame, along.way) };
  found.set(key, way);
  return way;
}
