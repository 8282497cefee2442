import { currentCables } from '../../document/current-cables.ts';
import type { BuildDocument } from '../../document/document.ts';
import type { KnownBuild } from '../../document/known-build.ts';
import { NOTHING_MEASURED } from '../../document/harness.ts';
import type { Chain } from '../../power-chain/chain.ts';
import type { State } from '../../check/state.ts';
import { cableFindings, type CableFinding } from './cable-rules.ts';
import { harnessOf, type Cable, type Component } from './components.ts';
import { currentFindings, dropOf, type CableDrop } from './current-rules.ts';
import { cutList, type CutGroup } from './cut-list.ts';
import { plugFindings, plugState, type PlugFinding } from './plug-rules.ts';
import { runsOf, type Run } from './runs.ts';
import { worksOf } from './works.ts';
import type { Volts } from '../pins/spans.ts';

/** A cable with everything that is known of it. */
export interface Wire {
  readonly cable: Cable;
  readonly run: Run;
  readonly plug: readonly PlugFinding[];
  readonly plugState: State;
  readonly way: readonly CableFinding[];
  /** Of the plug pair and of the way together. */
  readonly state: State;
  /** Conductor, mm², and whether somebody has said so. */
  readonly mm2: number;
  readonly mm2From: 'entered' | 'usual';
  /** Lost on the way between packs and controller; undefined for any other cable. */
  readonly drop: CableDrop | undefined;
}

/** The harness of a build: boxes, cables, what stands against them, and what is cut. */
export interface Wiring {
  readonly components: readonly Component[];
  readonly wires: readonly Wire[];
  readonly cut: readonly CutGroup[];
  readonly pack: Volts;
}

/** Conductor of a signal lead, mm². Common practice, no source. */
const SIGNAL_MM2 = 0.22;
const RANK: readonly State[] = ['stop', 'look', 'unknown', 'fine'];
const worst = (states: readonly State[]): State => RANK.find((s) => states.includes(s)) ?? 'fine';

function sizeOf({ cabling }: KnownBuild, { kind, key }: Cable): number {
  if (kind === 'power') return /charger/.test(key) ? 1 : cabling.leadMm2.value;
  return kind === 'phase' ? cabling.phaseMm2.value : SIGNAL_MM2;
}

/** Volts of the packs from empty to full; what stands on a pack's leads. */
function packVolts({ packs }: KnownBuild): Volts {
  const cells = packs.map((p) => p.cellsInSeries.value);
  return [3 * Math.min(...cells), 4.2 * Math.max(...cells)];
}

/** What is extended is bought by colour; what nobody has measured is cut by nobody. */
function piecesOf(wires: readonly Wire[]) {
  return wires.flatMap(({ cable, run, mm2 }) =>
    run.then === 'extend' && run.extend !== undefined
      ? cable.from.pins.map((pin, i) => ({
          name: `W${String(cable.number)}, pin ${String(i + 1)}`,
          mm: Math.ceil((run.extend ?? 0) / 10) * 10,
          mm2,
          colour: pin.colour,
          kind: cable.kind,
        }))
      : [],
  );
}

/** Works out the harness of a build with its checks, lengths and cut list. */
export function wiringOf(build: BuildDocument, known: KnownBuild, chain: Chain): Wiring {
  const { components, cables } = harnessOf(build);
  const runs = runsOf(build, known, cables);
  const pack = packVolts(known);
  const works = worksOf(pack);
  const carriers = new Map(currentCables(build).map((c) => [c.key, c.carries]));
  const wires = cables.flatMap((cable): Wire[] => {
    const run = runs.get(cable.key);
    if (run === undefined) return [];
    const plug = plugFindings(cable, pack, works);
    const said = build.harness.cables[cable.key] ?? NOTHING_MEASURED;
    const mm2 = said.mm2 ?? sizeOf(known, cable);
    const subject = {
      build,
      known,
      chain,
      key: cable.key,
      current: carriers.get(cable.key),
      cutMm: run.cut,
      mm2,
    };
    const way = [
      ...currentFindings(subject),
      ...cableFindings({ build, cable, run, all: cables, runs }),
    ].toSorted((a, b) => RANK.indexOf(a.state) - RANK.indexOf(b.state));
    return [
      {
        cable,
        run,
        plug,
        plugState: plugState(plug),
        way,
        state: worst([...plug, ...way].map((f) => f.state)),
        mm2,
        mm2From: said.mm2 === null ? 'usual' : 'entered',
        drop: dropOf(subject),
      },
    ];
  });
  return { components, wires, cut: cutList(piecesOf(wires)), pack };
}
