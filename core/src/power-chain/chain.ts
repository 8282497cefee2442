import type { BuildDocument } from '../document/document.ts';
import type { Known, KnownBuild, KnownPack } from '../document/known-build.ts';
import type { PackDocument } from '../document/pack.ts';
import { controllersBeside } from '../document/motors.ts';
import { hasBoard } from '../document/pack-board.ts';
import type { Machine } from '../machine/machine.ts';
import type { ClimbOutcome } from '../ride/climb.ts';
import { batteryDemand, phaseDemand, type Demand } from './demand.ts';
import { cableLinks, hasOwn } from './cable-links.ts';
import type { HillOpen } from './hill-open.ts';
import { isShare, link, type Link } from './link.ts';
import { sharedDemands, sharesRestOn } from './pack-shares.ts';
import { LOWER, leadOf, plugLimits, type Scene } from './scene.ts';
import { numbered } from '../document/pack-names.ts';

export interface Chain {
  readonly links: readonly Link[];
  readonly battery: Demand;
  readonly phase: Demand;
  /** The link with the least in hand of those that are known; undefined where none is. */
  readonly weakest: Link | undefined;
  /** Links that cannot be judged yet. */
  readonly unknown: readonly Link[];
}

/** A fuse or breaker carries a little more than its rating without opening (IEC 60269: 1.25 to 1.3, from memory); counted on is less. */
export const FUSE_HOLDS = 1.1;

/** Packs that carry a current together, and what is asked of them. */
interface Carrying {
  readonly index: number;
  readonly packs: readonly Carrier[];
  readonly demand: Demand;
  /** Where others share in, but need not. */
  readonly alone?: Demand;
  readonly restsOn?: readonly Known[];
}

/** Packs that carry the current one at a time; those joined directly carry it together, those behind diodes share it. */
function carrying({ build, known, battery, shared, restsOn }: Scene): readonly Carrying[] {
  const all = build.packs.map((document, i): Carrier => ({
    document,
    known: known.packs[i] ?? known.packs[0],
  }));
  if (build.joining.how === 'parallel') return [{ index: 0, packs: all, demand: battery }];
  return all.map((one, index) => ({
    index,
    packs: [one],
    ...(shared === undefined
      ? { demand: battery }
      : { demand: shared[index] ?? battery, alone: battery, restsOn }),
  }));
}

interface Carrier {
  readonly document: PackDocument;
  readonly known: KnownPack;
}

const sum = (packs: readonly Carrier[], of: (known: KnownPack) => number): number =>
  packs.reduce((total, pack) => total + of(pack.known), 0);

const cellsLinks = (scene: Scene): readonly Link[] =>
  carrying(scene).map(({ index, packs, ...asked }) =>
    link({
      ...asked,
      id: 'cells',
      pack: index,
      name: numbered(scene.build, 'Cells', index),
      limits: {
        continuousA: sum(packs, (k) => k.cellsContinuousA.value),
        peakA: sum(packs, (k) => k.cellsPeakA.value),
      },
      inputs: packs.flatMap(({ document, known: k }) =>
        document.make === 'cells'
          ? [k.cell.parallel, k.cell.continuousA, k.cell.peakA]
          : [k.cellsContinuousA, k.cellsPeakA],
      ),
      failing: 'the cells sag, warm up and age early',
      remedy: [
        LOWER,
        packs[0]?.document.chemistry === 'lead-acid'
          ? 'take larger blocks, or a second row side by side.'
          : 'put more cells side by side, or take power cells.',
      ],
      source:
        packs[0]?.document.make === 'cells'
          ? 'cells side by side times the cell’s data'
          : 'the pack maker’s data sheet',
    }),
  );

const protectionLinks = (scene: Scene): readonly Link[] =>
  carrying(scene).flatMap(({ index, packs, ...asked }) => {
    // Without a board nothing opens: that is a check of its own.
    if (packs.every(({ document }) => !hasBoard(document))) return [];
    const amps = sum(packs, (k) => k.bmsCurrentA.value);
    return link({
      ...asked,
      id: 'bms',
      pack: index,
      name: numbered(scene.build, 'Protection', index),
      limits: { continuousA: amps, peakA: amps },
      inputs: packs.map(({ known: k }) => k.bmsCurrentA),
      failing: 'it will cut out on a hill',
      trips: true,
      remedy: [LOWER, 'fit a protection board rated at or above the controller’s limit.'],
      source: 'the pack’s label; common practice: at or above the controller’s limit',
    });
  });

/** None where one pack is used, or several are joined without anything between. */
function joinLink({ build, known: { joining }, battery }: Scene): Link | undefined {
  const { how } = build.joining;
  if (build.packs.length === 1 || how === 'parallel') return undefined;
  return link({
    id: 'join',
    name: how === 'switch' ? 'Pack switch' : 'Combiner',
    limits: { continuousA: joining.ratedA.value, peakA: joining.ratedA.value },
    inputs: [joining.ratedA],
    demand: battery,
    failing: 'it overheats',
    remedy: [LOWER, 'take one rated for the controller’s limit.'],
    source: 'its label',
  });
}

const plugLink = ({ build, known: { cabling }, battery }: Scene): Link | undefined =>
  hasOwn(build, 'battery', 'plugA')
    ? undefined
    : link({
        id: 'plug',
        name: build.cabling.connectors > 1 ? 'Plugs, two in parallel' : 'Plug',
        limits: plugLimits(cabling.connectorA.value, build.cabling.connectors),
        inputs: [cabling.connectorA],
        demand: battery,
        failing: 'it softens its housing',
        remedy: [LOWER, 'take a larger plug, or two in parallel.'],
        source: 'its data sheet; two together count for 80 % each (common practice)',
      });

/** Crimped rings are often the weak place: looked at where the build says that it has them. */
function ringsLink({ build, known: { cabling }, battery }: Scene): Link | undefined {
  if (!build.cabling.passes.includes('rings')) return undefined;
  return link({
    id: 'rings',
    name: 'Ring terminals',
    limits: { continuousA: cabling.ringsA.value, peakA: cabling.ringsA.value * RINGS_PEAK },
    inputs: [cabling.ringsA],
    demand: battery,
    failing: 'the crimp warms and loosens',
    remedy: [LOWER, 'crimp larger ones with the right tool, and pull at them.'],
    source: 'their data sheet; a quarter more for minutes (common practice)',
  });
}
/** Rings and contacts stand this much more for some minutes. Common practice, no source. */
export const RINGS_PEAK = 1.25;

function pullPlugLink({ build, known: { cabling }, battery }: Scene): Link | undefined {
  if (!build.cabling.passes.includes('pull-plug')) return undefined;
  return link({
    id: 'pull-plug',
    name: 'Pull-plug or main switch',
    limits: { continuousA: cabling.pullPlugA.value, peakA: cabling.pullPlugA.value * RINGS_PEAK },
    inputs: [cabling.pullPlugA],
    demand: battery,
    failing: 'its contacts burn',
    remedy: [LOWER, 'take one rated for direct current and the controller’s limit.'],
    source: 'its data sheet, for direct current; a quarter more for minutes (common practice)',
  });
}

/** None where nothing opens the leads: its absence is a check of its own. */
function fuseLink({ build, known: { cabling }, battery }: Scene): Link | undefined {
  const { protection } = build.cabling;
  if (protection !== 'fuse' && protection !== 'breaker') return undefined;
  return link({
    id: 'fuse',
    name: protection === 'fuse' ? 'Fuse' : 'Breaker',
    limits: { continuousA: cabling.fuseA.value, peakA: cabling.fuseA.value * FUSE_HOLDS },
    inputs: [cabling.fuseA],
    demand: battery,
    failing: 'it opens on the road',
    remedy: ['Take the next size up, as long as it stays below what the lead carries.'],
    source: 'its rating; holds 1.1 times it (IEC 60269, from memory)',
  });
}

const leadsLink = (scene: Scene): Link | undefined =>
  hasOwn(scene.build, 'battery', 'mm2')
    ? undefined
    : link({
        id: 'leads',
        name: 'Power leads',
        ...leadOf(scene, scene.known.cabling.leadMm2, scene.battery),
        failing: 'the insulation softens',
        remedy: [LOWER, 'take a thicker lead.'],
        source: 'heat balance of a lead in free air (McAdams 1954), out and back side by side',
      });

/** It sets the current that the others are held against, so that it has no margin itself. */
const controllerLink = ({ known: { controller }, machine: { motors }, battery }: Scene): Link => ({
  ...link({
    id: 'controller',
    name: motors === 1 ? 'Controller' : 'Both controllers',
    limits: {
      continuousA: motors * controller.batteryCurrentA.value,
      peakA: motors * controller.batteryCurrentA.value,
    },
    inputs: [controller.batteryCurrentA],
    demand: battery,
    failing: '',
    remedy: [],
    source: motors === 1 ? 'its setting' : 'their settings',
  }),
  margin: undefined,
  why: ['Sets the current that the others are held against.'],
});

/** A motor with brushes has two leads, and no phases. */
const ofMotor = ({ build: { drive } }: Pick<Scene, 'build'>): string =>
  drive.commutation === 'brushes' ? 'Motor' : 'Phase';

/** None where the controller is in the motor: what lies between them is its maker’s. */
const phaseLeadsLink = (scene: Scene): Link | undefined =>
  controllersBeside(scene.build) === 0 || hasOwn(scene.build, 'phase', 'mm2')
    ? undefined
    : link({
        id: 'phase-leads',
        name: `${ofMotor(scene)} leads`,
        ...leadOf(scene, scene.known.cabling.phaseMm2, scene.phase),
        failing: 'the insulation softens where it enters the axle',
        remedy: [`Lower the phase limit, or take thicker ${ofMotor(scene).toLowerCase()} leads.`],
        source: 'heat balance of a lead in free air (McAdams 1954); effective amps by equal copper loss',
      });

const phasePlugLink = ({ build, known: { cabling }, phase }: Scene): Link | undefined =>
  controllersBeside(build) === 0 || hasOwn(build, 'phase', 'plugA')
    ? undefined
    : link({
        id: 'phase-plug',
        name: `${ofMotor({ build })} plug`,
        limits: plugLimits(cabling.phaseConnectorA.value, 1),
        inputs: [cabling.phaseConnectorA],
        demand: phase,
        failing: 'it softens its housing',
        remedy: ['Lower the phase limit, or take a larger plug.'],
        source: 'its data sheet',
      });

/** What a link has in hand; nothing, where it carries its share and would not carry all. */
const inHand = (l: Link): number => (isShare(l) ? Math.min(0, l.margin ?? Infinity) : (l.margin ?? Infinity));

/** The links in the order of the current. */
const LINKS: readonly ((scene: Scene) => Link | readonly Link[] | undefined)[] = [
  cellsLinks,
  protectionLinks,
  joinLink,
  ringsLink,
  pullPlugLink,
  plugLink,
  fuseLink,
  leadsLink,
  (scene) => cableLinks(scene, 'battery'),
  controllerLink,
  phaseLeadsLink,
  phasePlugLink,
  (scene) => cableLinks(scene, 'phase'),
];

/**
 * The chain from the cells to the motor, each link with its limit, demand and margin.
 * @param hill what the climb rests on that nobody has read; nothing, where it is left out
 */
export function currentChain(
  build: BuildDocument,
  known: KnownBuild,
  machine: Machine,
  climb: ClimbOutcome,
  hill?: HillOpen,
): Chain {
  const battery = batteryDemand(build, known, climb, machine, hill);
  const phase = phaseDemand(climb, machine, known, hill);
  const shares = build.packs.length > 1 && build.joining.how === 'combiner';
  const shared = shares ? sharedDemands(build, known, machine, battery) : undefined;
  const restsOn = shares ? sharesRestOn(build, known) : [];
  const scene = { build, known, machine, battery, phase, shared, restsOn };
  const links = LINKS.flatMap((make) => make(scene) ?? []);
  const judged = links.filter((l) => l.margin !== undefined);
  return {
    links,
    battery,
    phase,
    weakest: judged.reduce<Link | undefined>(
      (least, l) => (inHand(l) < (least === undefined ? Infinity : inHand(least)) ? l : least),
      undefined,
    ),
    unknown: links.filter((l) => l.state === 'unknown'),
  };
}
