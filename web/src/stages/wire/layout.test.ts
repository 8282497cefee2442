import ELK, { type ElkNode } from 'elkjs/lib/elk.bundled.js';
import { describe, expect, it } from 'vitest';
import {
  evaluate,
  readBuild,
  shippedRules,
  wiringGraph,
  worksOf,
  type BuildDocument,
} from '@apple-cart/core';
import courierFile from '../../../../demo/builds/0405-kiln-courier.json' with { type: 'json' };
import tourerFile from '../../../../demo/builds/0409-district-nurses-tourer.json' with { type: 'json' };
import longtailFile from '../../../../demo/builds/0412-orchard-longtail.json' with { type: 'json' };
import tandemFile from '../../../../demo/builds/0417-choir-tandem.json' with { type: 'json' };
import trikeFile from '../../../../demo/builds/0421-tide-flat-trike.json' with { type: 'json' };
import { sheetsOf } from './diagram-sheets.ts';

function read(file: unknown): BuildDocument {
  const build = readBuild(file);
  if (!build.ok) throw new Error('no build');
  return build.value;
}
const builds = [courierFile, tourerFile, longtailFile, tandemFile, trikeFile].map(read);

/** Numbers from a seed, so that every run draws the same harnesses. Park and Miller, 1988. */
function drawn(seed: number): () => number {
  let state = seed;
  return () => {
    state = (state * 48_271) % 2_147_483_647;
    return state / 2_147_483_647;
  };
}

/** Builds with what changes a harness drawn at will: controls, lights, packs, motors, levers, display, adapters. */
function drawnBuild(seed: number): BuildDocument {
  const next = drawn(seed);
  const pick = <T>(list: readonly [T, ...T[]]): T => list[Math.floor(next() * list.length)] ?? list[0];
  const base = pick(builds as [BuildDocument, ...BuildDocument[]]);
  const [pack] = base.packs;
  const packs = Array.from(
    { length: 1 + Math.floor(next() * 4) },
    () => pack,
  ) as unknown as BuildDocument['packs'];
  return {
    ...base,
    packs,
    drive: {
      ...base.drive,
      motors: pick(['one', 'each-wheel']),
      commutation: pick(['electronic', 'brushes']),
    },
    controller: {
      ...base.controller,
      place: pick(['box', 'motor'] as [
        BuildDocument['controller']['place'],
        ...BuildDocument['controller']['place'][],
      ]),
    },
    controls: {
      ...base.controls,
      assistSensor: pick(['none', 'cadence', 'torque']),
      throttle: pick(['none', 'walk', 'full']),
    },
    supply: {
      ...base.supply,
      means: pick(['converter', 'own-cells', 'resistor']),
      accessories: Array.from({ length: Math.floor(next() * 5) }, (_, i) => ({
        name: `Lamp ${String(i + 1)}`,
        volts: 12,
        watts: 5,
        onPct: 100,
        light: true,
      })),
    },
    harness: {
      ...base.harness,
      cables: {},
    },
  };
}

interface Box {
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly right: number;
  readonly bottom: number;
}

/** A box with its ticks: the labels of the pins are drawn inside of those. */
function boxOf({ id, x = 0, y = 0, width = 0, height = 0, ports = [] }: ElkNode): Box {
  const ends = ports.flatMap((p) => [p.x ?? 0, (p.x ?? 0) + (p.width ?? 0)]);
  return {
    id,
    x: x + Math.min(0, ...ends),
    y,
    right: x + Math.max(width, ...ends),
    bottom: y + height,
  };
}

const apart = (a: Box, b: Box): boolean =>
  a.right <= b.x + 0.01 || b.right <= a.x + 0.01 || a.bottom <= b.y + 0.01 || b.bottom <= a.y + 0.01;

interface Stretch {
  readonly edge: string;
  readonly ends: readonly [string, string];
  readonly a: { readonly x: number; readonly y: number };
  readonly b: { readonly x: number; readonly y: number };
}

const stretchesOf = (graph: ElkNode): readonly Stretch[] =>
  (graph.edges ?? []).flatMap((edge) =>
    (edge.sections ?? []).flatMap(({ startPoint, bendPoints = [], endPoint }) => {
      const points = [startPoint, ...bendPoints, endPoint];
      return points.slice(1).map((b, i) => ({
        edge: edge.id,
        ends: [edge.sources[0] ?? '', edge.targets[0] ?? ''] as const,
        a: points[i] ?? b,
        b,
      }));
    }),
  );

const through = ({ a, b }: Stretch, box: Box): boolean =>
  Math.max(a.x, b.x) > box.x + 0.5 &&
  Math.min(a.x, b.x) < box.right - 0.5 &&
  Math.max(a.y, b.y) > box.y + 0.5 &&
  Math.min(a.y, b.y) < box.bottom - 0.5;

const elk = new ELK();
const laid = (build: BuildDocument): Promise<ElkNode> =>
  elk.layout(structuredClone(wiringGraph(evaluate(build, shippedRules()).wiring)) as unknown as ElkNode);
/** Without the counters that the layout leaves behind. */
const places = (graph: ElkNode): unknown =>
  JSON.parse(JSON.stringify(graph, (key, value: unknown) => (key === '$H' ? undefined : value)));

function sound(graph: ElkNode, what: string): void {
  const boxes = (graph.children ?? []).map(boxOf);
  boxes.forEach((a, i) => {
    for (const b of boxes.slice(i + 1)) expect(apart(a, b), `${what}: ${a.id} over ${b.id}`).toBe(true);
  });
  for (const stretch of stretchesOf(graph)) {
    expect(
      Math.min(Math.abs(stretch.a.x - stretch.b.x), Math.abs(stretch.a.y - stretch.b.y)),
      `${what}: ${stretch.edge} runs askew`,
    ).toBeLessThan(0.01);
    for (const box of boxes)
      if (!stretch.ends.some((end) => end.startsWith(`${box.id}/`)))
        expect(through(stretch, box), `${what}: ${stretch.edge} through ${box.id}`).toBe(false);
  }
}

describe('the layout of a harness', () => {
  it.each(builds.map((b) => [b.name, b] as const))(
    'of %s has no box over a box and no line through one',
    async (name, build) => {
      sound(await laid(build), name);
    },
  );

  it('is sound for drawn harnesses as well, and the same for the same build', async () => {
    for (let seed = 1; seed <= 24; seed += 1) {
      const build = drawnBuild(seed * 7919);
      const graph = await laid(build);
      sound(graph, `draw ${String(seed)}`);
      if (seed % 6 === 0) expect(places(await laid(build))).toEqual(places(graph));
    }
  });

  it('has room for the names of the pins on both sides of a box', () => {
    // 11 px letters are at the widest 0.56 em on the mean of these names (advances of the font that ships, measured).
    const wide = (words: string): number => 0.56 * 11 * words.length;
    for (const build of builds) {
      const { wiring } = evaluate(build, shippedRules());
      const works = worksOf(wiring.pack);
      const graph = wiringGraph(wiring);
      for (const node of graph.children) {
        const rows = new Map<number, number>();
        for (const p of node.ports) {
          const [, component, key, index] = /^([^/]+)\/(.+)\/(\d+)$/.exec(p.id) ?? [];
          const wire = wiring.wires.find((w) => w.cable.key === key);
          if (wire === undefined || component === undefined) continue;
          const half = wire.cable.fromComponent === component ? wire.cable.from : wire.cable.to;
          const words = works[half.pins[Number(index)]?.work ?? 'unknown'].name;
          rows.set(p.y, (rows.get(p.y) ?? 12) + wide(words));
        }
        for (const [, sum] of rows) expect(sum, node.id).toBeLessThanOrEqual(node.width);
      }
    }
  });

  it('is cut into sheets that show all of it, each with readable letters', () => {
    for (const [width, height] of [
      [600, 400],
      [1237, 700],
      [2400, 1900],
    ] as const) {
      const sheets = sheetsOf({ width, height });
      expect(Math.min(...sheets.map((s) => s.x))).toBe(0);
      expect(Math.max(...sheets.map((s) => s.x + s.width))).toBeCloseTo(width, 6);
      expect(Math.max(...sheets.map((s) => s.y + s.height))).toBeCloseTo(height, 6);
      // 250 mm over so many px is at least 7 points for letters of 11 px.
      for (const s of sheets) expect((11 * 250) / Math.max(s.width, 1) / 0.3528).toBeGreaterThanOrEqual(7);
    }
    expect(sheetsOf({ width: 900, height: 600 })).toHaveLength(1);
    expect(sheetsOf({ width: 1237, height: 700 }).map((s) => s.name)).toEqual([
      'Wiring diagram, sheet 1 of 2',
      'Wiring diagram, sheet 2 of 2',
    ]);
  });
});
