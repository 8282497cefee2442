import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild, KnownPack } from '../document/known-build.ts';
import type { PackDocument } from '../document/pack.ts';
import { hasBoard } from '../document/pack-board.ts';
import type { Pack, PackWarmth } from './battery.ts';
import { allAlike, merged } from './joined-packs.ts';
import type { Machine, PackAboard } from './machine.ts';

/** Ohm of one series group by the cells' own resistance; undefined where only the chemistry is known. */
function groupOhm(document: PackDocument, { cell }: KnownPack): number | undefined {
  if (document.make !== 'cells' || cell.resistanceMohm.source === 'unknown') return undefined;
  return (
    cell.resistanceMohm.value / 1000 / document.cell.inBody / Math.max(1, Math.round(cell.parallel.value))
  );
}

/** Heat that a kelvin takes, J/kgK, and heat lost to the air by what is round the pack, W/m2K. From memory. */
const PACK_HEAT = { lithium: 950, lead: 800 } as const;
const PACK_LOSS: Readonly<Record<PackDocument['cover'], number>> = { case: 6, bag: 3, bare: 10 };

/** A pack as one warm body, by its mass and the outside of its boxes. */
function packWarmth({ chemistry, cover, boxes }: PackDocument, known: KnownPack, airC: number): PackWarmth {
  const [l, h, w] = [known.boxLengthMm, known.boxHeightMm, known.boxWidthMm].map((side) => side.value / 1000);
  const area = 2 * boxes.length * ((l ?? 0) * (h ?? 0) + (h ?? 0) * (w ?? 0) + (l ?? 0) * (w ?? 0));
  return {
    heatJK: known.massKg.value * PACK_HEAT[chemistry === 'lead-acid' ? 'lead' : 'lithium'],
    lossWK: PACK_LOSS[cover] * area,
    airC,
  };
}

/** One pack of a build. */
function packAboard(document: PackDocument, known: KnownPack, airC: number): PackAboard {
  const ohm = groupOhm(document, known);
  return {
    pack: {
      chemistry: document.chemistry,
      cellsInSeries: known.cellsInSeries.value,
      capacityAh: known.capacityAh.value,
      health: known.healthPct.value / 100,
      wiringOhm: known.wiringMohm.value / 1000,
      temperatureC: known.startC.value,
      warms: packWarmth(document, known, airC),
      ...(ohm === undefined ? {} : { groupOhm: ohm }),
    },
    bmsA: hasBoard(document) ? known.bmsCurrentA.value : Infinity,
    charge: known.chargeLimitPct.value / 100,
  };
}

/** All packs of a build, in the order of use. */
export function packsAboard(build: BuildDocument, known: KnownBuild): readonly [PackAboard, ...PackAboard[]] {
  const airC = known.brief.temperatureC.value;
  const [first, ...rest] = build.packs;
  return [
    packAboard(first, known.packs[0], airC),
    ...rest.map((pack, i) => packAboard(pack, known.packs[i + 1] ?? known.packs[0], airC)),
  ];
}

/** The first pack. */
export const firstPack = (build: BuildDocument, known: KnownBuild): Pack => packsAboard(build, known)[0].pack;

type Aboard = Pick<Machine, 'pack' | 'others' | 'join' | 'diodeV'> & { readonly bmsA: number };

/** The packs as the machine has them. Unlike packs joined directly are judged, not computed: the first alone counts. */
export function packsOf(build: BuildDocument, known: KnownBuild): Aboard {
  const [first, ...others] = packsAboard(build, known);
  const { how } = build.joining;
  const diodeV = known.joining.diodeDropV.value;
  if (others.length === 0 || how !== 'parallel')
    return {
      pack: first.pack,
      bmsA: first.bmsA,
      others,
      join: how === 'combiner' ? 'combiner' : 'switch',
      diodeV,
    };
  const alike = allAlike([first, ...others].map(({ pack }) => pack));
  return {
    pack: alike ? others.reduce((whole, other) => merged(whole, other.pack), first.pack) : first.pack,
    // Packs joined directly share the current.
    bmsA: others.reduce((sum, other) => sum + other.bmsA, first.bmsA),
    others: [],
    join: 'switch',
    diodeV,
  };
}
