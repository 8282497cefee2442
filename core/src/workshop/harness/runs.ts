import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { boxesOf, frameOf, motorAt } from '../../document/frame-of.ts';
import { drivesBoth } from '../../document/motors.ts';
import type { Frame, Tube } from '../../frame/frame.ts';
import type { Point } from '../../frame/point.ts';
import type { Cable } from './components.ts';
import { NOTHING_MEASURED, type Hazard } from '../../document/harness.ts';
import { hazardsOf, nearnessOf, type Nearness } from './near.ts';

/** Ends of tubes that are nearer than this are one joint, mm. */
const JOINT_MM = 45;
/** Above the head tube to the grips along stem and bar, mm. Common practice, no source. */
const TO_BAR_MM = 350;

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

/** The shortest way along the tubes, mm, and its points. E. W. Dijkstra, 1959. */
function shortest(
  { nodes, edges }: Graph,
  from: number,
  to: number,
): { readonly mm: number; readonly way: readonly Point[] } {
  const best = nodes.map(() => Infinity);
  const before = nodes.map(() => -1);
  const open = new Set(nodes.map((_, i) => i));
  best[from] = 0;
  while (open.size > 0) {
    const next = [...open].reduce((a, b) => ((best[b] ?? Infinity) < (best[a] ?? Infinity) ? b : a));
    open.delete(next);
    if (next === to || best[next] === Infinity) break;
    for (const [a, b, mm] of edges) {
      if (a !== next && b !== next) continue;
      const other = a === next ? b : a;
      if (!open.has(other)) continue;
      const sum = (best[next] ?? Infinity) + mm;
      if (sum < (best[other] ?? Infinity)) {
        best[other] = sum;
        before[other] = next;
      }
    }
  }
  const way: Point[] = [];
  for (let at = to; at >= 0; at = before[at] ?? -1) {
    const p = nodes[at];
    if (p !== undefined) way.unshift(p);
  }
  return { mm: best[to] ?? Infinity, way };
}

/** A way along the tubes, with what it comes near. */
interface Way extends ReturnType<typeof shortest> {
  readonly near: Nearness;
}

/** Ways on one frame, each sought once: a keystroke seldom moves a tube. */
interface Ways {
  readonly frame: Frame;
  readonly graph: Graph;
  readonly found: Map<string, Way>;
}
const frames = new Map<string, Ways>();
/** So many frames are remembered: the build in hand, its pin, and what is compared. */
const MOST_FRAMES = 8;

function waysOn(frame: Frame, places: readonly Point[]): Ways {
  const { rear, front, bracket } = frame;
  const tubes = frame.tubes.map(({ name, a, b }) => [name, a.x, a.y, b.x, b.y]);
  const key = JSON.stringify([tubes, rear, front, bracket, places]);
  const known = frames.get(key);
  if (known !== undefined) return known;
  const made: Ways = { frame, graph: graphOf(frame, places), found: new Map() };
  if (frames.size >= MOST_FRAMES) frames.clear();
  frames.set(key, made);
  return made;
}

/** The shortest way between two places of a frame. */
function wayBetween({ frame, graph, found }: Ways, a: Point, b: Point): Way {
  const key = [a.x, a.y, b.x, b.y].join(' ');
  const known = found.get(key);
  if (known !== undefined) return known;
  const nodeOf = (p: Point): number => graph.nodes.findIndex((n) => far(n, p) < 1);
  const along = shortest(graph, nodeOf(a), nodeOf(b));
  const way = { ...along, near: nearnessOf(frame, along.way) };
  found.set(key, way);
  return way;
}

/** Where each component of the harness sits, mm, as the side view has it. */
function placesOf(build: BuildDocument, known: KnownBuild, frame: Frame): ReadonlyMap<string, Point> {
  const boxes = boxesOf(build, known, frame);
  const packAt = (i: number): Point => {
    const box = boxes.find((b) => b.pack === i);
    return box === undefined ? frame.bracket : { x: box.x, y: box.y };
  };
  const head = frame.points.headTop ?? { x: frame.front.x - 80, y: frame.front.y + 500 };
  const axle = { front: frame.front, rear: frame.rear, middle: frame.bracket }[motorAt(build)];
  const other = motorAt(build) === 'front' ? frame.rear : frame.front;
  const controller = build.controller.place === 'motor' ? axle : packAt(0);
  const crown = frame.points.crown ?? frame.front;
  return new Map<string, Point>([
    ...build.packs.map((_, i): [string, Point] => [i === 0 ? 'pack' : `pack-${String(i + 1)}`, packAt(i)]),
    ...build.packs.map((_, i): [string, Point] => [
      i === 0 ? 'charger' : `charger-${String(i + 1)}`,
      packAt(i),
    ]),
    ['combiner', packAt(0)],
    ['controller', controller],
    ['motor', axle],
    ['motor-2', drivesBoth(build) ? other : axle],
    ['controller-2', controller],
    ['display', head],
    ['throttle', head],
    ['brake-front', head],
    ['brake-rear', head],
    ['key', head],
    ['assist', frame.bracket],
    ['shift', frame.rear],
    ['speed', frame.rear],
    ['converter', controller],
    ['light-cells', controller],
    ...build.supply.accessories.map((one, i): [string, Point] => [
      `accessory-${String(i + 1)}`,
      /rear|back|tail/i.test(one.name) ? (frame.points.saddle ?? frame.rear) : crown,
    ]),
  ]);
}

/** Components on the bar: their cables turn with it. */
const ON_BAR = new Set(['display', 'throttle', 'brake-front', 'brake-rear', 'key']);

/** Slack at the head for full lock both ways; at a fold; for the travel of a suspension, mm. Common practice, no source: 100 to 150 at the head. */
const [STEERING_MM, FOLD_MM, TRAVEL_MM] = [120, 80, 60];
/** A loop that water drips off, and a second try at each end, mm. Common practice, no source. */
const [LOOP_MM, ENDS_MM] = [60, 40];
/** More than this left over is shortened; less is folded away. */
const FOLDED_MM = 150;

/** Where a length comes from. */
type LengthFrom = 'measured' | 'drawing' | 'usual';

/** How long a cable has to be, and what there is of it. */
export interface Run {
  readonly along: number;
  readonly alongFrom: LengthFrom;
  /** Steering, fold and travel. */
  readonly slack: number;
  readonly loop: number;
  readonly loopFrom: LengthFrom;
  readonly ends: number;
  readonly endsFrom: LengthFrom;
  readonly cut: number;
  /** Tails of both parts, where they are known. */
  readonly supplied: number | undefined;
  /** Positive is to extend, negative is too much. */
  readonly extend: number | undefined;
  readonly then: 'extend' | 'shorten' | 'fold' | 'fits' | 'unknown';
  /** Points of the drawing that it follows, measured or not. */
  readonly way: readonly Point[];
  /** What turns or folds beside it as drawn. */
  readonly hazards: readonly Hazard[];
}

const isMotor = (component: string): boolean => component === 'motor' || component === 'motor-2';

/** Slack that the style of the donor asks of a cable. */
function slackOf(build: BuildDocument, cable: Cable): number {
  const bar = ON_BAR.has(cable.fromComponent) !== ON_BAR.has(cable.toComponent);
  const turnsWithFork = (component: string): boolean =>
    isMotor(component) && (motorAt(build) === 'front') !== (component === 'motor-2' && drivesBoth(build));
  const fork = turnsWithFork(cable.toComponent) || turnsWithFork(cable.fromComponent);
  const lamp = /accessory/.test(cable.toComponent);
  const turns = bar || fork || lamp ? STEERING_MM : 0;
  const folds = bar && build.donor.style === 'folding' ? FOLD_MM : 0;
  const travels =
    build.donor.style === 'full-suspension' && (isMotor(cable.toComponent) || isMotor(cable.fromComponent))
      ? TRAVEL_MM
      : 0;
  return turns + folds + travels;
}

/** Every cable's run on a frame: along its tubes as drawn, or as measured with a string. */
export function runsOf(
  build: BuildDocument,
  known: KnownBuild,
  cables: readonly Cable[],
): ReadonlyMap<string, Run> {
  const frame = frameOf(build, known);
  const places = placesOf(build, known, frame);
  const ways = waysOn(frame, [...places.values()]);
  const at = (id: string): Point => places.get(id) ?? frame.bracket;
  return new Map(
    cables.map((cable): [string, Run] => {
      const said = build.harness.cables[cable.key] ?? NOTHING_MEASURED;
      const drawn = wayBetween(ways, at(cable.fromComponent), at(cable.toComponent));
      const bar = (ON_BAR.has(cable.fromComponent) ? 1 : 0) + (ON_BAR.has(cable.toComponent) ? 1 : 0);
      const along = said.alongMm ?? drawn.mm + bar * TO_BAR_MM;
      const slack = slackOf(build, cable);
      const loop = said.loopMm ?? LOOP_MM;
      const ends = said.endsMm ?? ENDS_MM;
      const cut = along + slack + loop + ends;
      const tails = [cable.from.tailMm, cable.to.tailMm];
      // A tail that nobody has measured is no tail of nought.
      const [near, other] = tails;
      const supplied =
        near === null || near === undefined || other === null || other === undefined
          ? undefined
          : near + other;
      const extend = supplied === undefined ? undefined : cut - supplied;
      return [
        cable.key,
        {
          along,
          alongFrom: said.alongMm === null ? 'drawing' : 'measured',
          slack,
          loop,
          loopFrom: said.loopMm === null ? 'usual' : 'measured',
          ends,
          endsFrom: said.endsMm === null ? 'usual' : 'measured',
          cut,
          supplied,
          extend,
          then: thenOf(extend),
          way: drawn.way,
          hazards: cable.toComponent.startsWith('charger') ? [] : hazardsOf(build, drawn.near, bar === 1),
        },
      ];
    }),
  );
}

function thenOf(extend: number | undefined): Run['then'] {
  if (extend === undefined) return 'unknown';
  if (extend > 5) return 'extend';
  if (extend < -FOLDED_MM) return 'shorten';
  return extend < -5 ? 'fold' : 'fits';
}
