import { CHEMISTRIES } from '../../document/chemistries.ts';
import { packsAboard } from '../../machine/packs-aboard.ts';
import { fullChargeVolts } from '../../machine/battery.ts';
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
import { devicesIn, type Device } from './devices.ts';
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
  /** Conductor, mm²: as typed for it, as Power has such leads, or usual; undefined where Power does not know them. */
  readonly mm2: number | undefined;
  /** Lost on the way between packs and controller; undefined for any other cable. */
  readonly drop: CableDrop | undefined;
  /** Fuse, switch and what else sits in it beside its plugs. */
  readonly devices: readonly Device[];
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
/** And of the lead of a charger. */
const CHARGE_MM2 = 1;
const RANK: readonly State[] = ['stop', 'look', 'unknown', 'fine'];
const worst = (states: readonly State[]): State => RANK.find((s) => states.includes(s)) ?? 'fine';

function sizeOf({ cabling }: KnownBuild, { kind, key }: Cable): number | undefined {
  if (kind === 'signal') return SIGNAL_MM2;
  if (/charger/.test(key)) return CHARGE_MM2;
  const { value, source } = kind === 'power' ? cabling.leadMm2 : cabling.phaseMm2;
  return source === 'unknown' ? undefined : value;
}

/** Between these lies any pack that may be aboard: 24 V empty to 72 V full, lithium. Common practice. */
const ANY_PACK: Volts = [18, 84];

/**
 * Volts of the packs from empty at rest to full, by their own chemistry; what stands on a pack's leads. Where nobody has
 * counted the cells or read the label it may be any pack.
 */
function packVolts(build: BuildDocument, known: KnownBuild): Volts {
  const packs = packsAboard(build, known).map(({ pack }) => pack);
  const isOpen = (p: KnownBuild['packs'][number]): boolean =>
    p.cellsInSeries.source === 'unknown' && p.nominalV.source === 'unknown';
  if (known.packs.some(isOpen)) return ANY_PACK;
  const empty = packs.map((p) => (CHEMISTRIES[p.chemistry].openCircuit[0] ?? 0) * p.cellsInSeries);
  return [Math.min(...empty), Math.max(...packs.map(fullChargeVolts))];
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
  const pack = packVolts(build, known);
  const works = worksOf(pack);
  const devices = devicesIn(build, known);
  const carriers = new Map(currentCables(build).map((c) => [c.key, c]));
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
        drop: dropOf(subject),
        devices: devices(cable.key),
      },
    ];
  });
  return { components, wires, cut: cutList(piecesOf(wires)), pack };
}
