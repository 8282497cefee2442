import { stays } from '../../document/kept.ts';
import { formatQuantity } from '../../quantity/format.ts';
import { gaugeText } from '../../quantity/wire-gauge.ts';
import type { Duty, DutyFitting } from '../../law/rule-schema.ts';
import type { BuildDocument } from '../../document/document.ts';
import type { PackDocument } from '../../document/pack.ts';
import type { PackPlace } from '../../frame/names.ts';
import type { Known, KnownBuild } from '../../document/known-build.ts';
import { isHillBeyond } from '../../power-chain/demand.ts';
import { FUSE_HOLDS, type Chain } from '../../power-chain/chain.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { Unit } from '../../quantity/units.ts';
import { isAmiss, type Job } from '../job.ts';
import type { Draft } from './line.ts';

/** Of packs and of loose cells. Common practice. */
export const LITHIUM_SENT = 'Lithium by road only in many places: ask how it is sent.';

/** Amps that a strip of pure nickel of 8 mm by 0.15 mm carries. Common practice, no source: 5 to 7 A. */
export const NICKEL_A = 6;
/** A pack over this mass wants clamps beside its two bosses, kg. Common practice, no source. */
export const HEAVY_PACK_KG = 4;
/** A full pack stands so much over its label; 4.2 over 3.6 V a cell is 1.17. */
export const FULL_OVER_LABEL = 1.2;
/** Fuses, plugs and switches are chosen this much above what is drawn for long. Common practice, no source. */
const OVER_DRAWN = 1.25;

/** Places where a pack lies on a rail that is screwed to a tube. */
export const ON_TUBES: readonly PackPlace[] = [
  'down-tube',
  'seat-tube',
  'behind-seat-tube',
  'lateral-tube',
  'main-tube',
];

/** What carries a pack at its place. */
export const CRADLE: Readonly<Record<PackPlace, string>> = {
  'down-tube': 'Rail or cradle for the pack, down tube',
  'seat-tube': 'Rail or cradle for the pack, seat tube',
  'behind-seat-tube': 'Rail for the pack behind the seat tube',
  'lateral-tube': 'Rail or cradle for the pack, lateral tube',
  'main-tube': 'Rail or cradle for the pack, main tube',
  'rear-rack': 'Slide or plate for a pack on the rack',
  deck: 'Box on the deck for the pack, with straps',
  'cargo-box': 'Straps and foam for the pack in the load box',
  'behind-seat': 'Bag or bracket for the pack behind the seat',
  free: 'Bag or cradle for the pack, where it lies',
};

/** The extractor of a crank. Common practice. */
export const PULLER: Readonly<Record<BuildDocument['donor']['cranks'], string>> = {
  square: 'Crank puller for square taper, 8 mm key for its bolt',
  splined: 'Crank puller with wide tip, for splined spindles, 8 mm key',
  'two-piece': 'Keys for the clamp bolts of a two-piece crank, with its cap tool',
  cottered: 'Cotter press, and new cotters',
  'one-piece': 'Spanner for a one-piece crank, and an adapter for its shell',
  unknown: 'Crank extractor, for this crank (not known yet)',
};

/** Packs that are built here, with their places in the order of use. */
export const ownPacks = (
  packs: readonly PackDocument[],
): readonly { readonly i: number; readonly pack: PackDocument }[] =>
  packs.flatMap((pack, i) => (pack.make === 'cells' ? [{ i, pack }] : []));

/** Packs that are put on, with their places in the order of use: the first may stay where its donor's maker held and locked it. */
export const packsPutOn = (
  build: BuildDocument,
): readonly { readonly i: number; readonly pack: PackDocument }[] =>
  build.packs.flatMap((pack, i) => (i === 0 && stays(build, 'pack') ? [] : [{ i, pack }]));

/** The key of a line that a second pack has too. */
export const suffixed = (key: string, i: number): string => (i === 0 ? key : `${key}/${String(i + 1)}`);

/** Ratings in which fuses and breakers are sold, A. Common practice. */
const FUSES = [5, 7.5, 10, 15, 20, 25, 30, 40, 50, 60, 80, 100, 125, 150, 200, 250, 300, 400, 500] as const;
/** The next rating above a current, A. */
export const nextFuse = (amps: number): number => FUSES.find((f) => f >= amps) ?? Math.ceil(amps / 100) * 100;

/**
 * What a part of the battery lead is rated for, A: as entered; else a quarter above what is drawn for long, and enough for full
 * throttle, for which the power chain counts on `holds` times its rating.
 */
export function ratedAmps(entered: Known, { battery }: Chain, holds: number): number {
  if (entered.source !== 'unknown') return entered.value;
  const least = Math.max(battery.continuousA * OVER_DRAWN, battery.peakA / holds);
  // Where nobody can say what the hill takes, all that the controller lets through is carried for ever.
  return isHillBeyond(battery, least) ? Math.max(least, battery.peakA) : least;
}

/** What the fuse is rated for, A: as entered, or the next that is sold above what the controller draws. */
export const fuseAmps = ({ cabling }: KnownBuild, chain: Chain): number =>
  cabling.fuseA.source === 'unknown'
    ? nextFuse(ratedAmps(cabling.fuseA, chain, FUSE_HOLDS))
    : cabling.fuseA.value;

/** What each kind of duty wants on the machine, where the rule itself does not say it. */
const USUAL_FITTINGS: Partial<Record<Duty['kind'], readonly DutyFitting[]>> = {
  lighting: ['lamps'],
  label: ['label'],
};

/** In the place's own words why a fitting is wanted, where it asks or may ask for one; undefined where it does not. */
export function dutyFor(duties: readonly Duty[], fitting: DutyFitting): string | undefined {
  const duty = duties.find(
    ({ asked, kind, fits }) =>
      (asked === 'yes' || asked === 'varies') && (fits ?? USUAL_FITTINGS[kind] ?? []).includes(fitting),
  );
  if (duty === undefined) return undefined;
  const asks = duty.asked === 'yes' ? 'asked of this class in this place' : 'may be asked where it is ridden';
  return `${asks}: ${duty.title.toLowerCase()}: ${duty.text.replace(/[.\s]+$/, '')}`;
}

/** The line of a fitting that the place asks for, with its words as the reason; none where it does not ask. */
export function byDuty(
  duties: readonly Duty[],
  fitting: DutyFitting,
  draft: Omit<Draft, 'why'>,
): readonly Draft[] {
  const why = dutyFor(duties, fitting);
  return why === undefined ? [] : [{ ...draft, why: [why] }];
}

/** A pack on a rail along a tube. */
export const isOnTube = ({ boxes }: PackDocument): boolean => ON_TUBES.includes(boxes[0]?.place ?? 'free');

/** Rails on a tube without bosses where they lie, or of which nobody has looked. */
export function railsWithoutBosses(job: Job): number {
  const rails = packsPutOn(job.build)
    .map(({ pack }) => pack)
    .filter(isOnTube);
  const { bosses } = job.build.donor;
  if (bosses === null) return rails.length;
  const bare = rails.filter(({ boxes }) => bosses.every(({ tube }) => tube !== boxes[0]?.place)).length;
  return Math.max(bare, rails.length > 0 && isAmiss(job, 'pack-boss') ? 1 : 0);
}

/** Why cranks and bracket come out: for a motor in the shell, or for a sensor about the spindle. */
export function comesOut(build: BuildDocument): {
  readonly cranks: string | undefined;
  readonly bracket: string | undefined;
} {
  const { drive, controls } = build;
  const goesIn = drive.kind === 'mid-drive' ? 'motor' : 'sensors';
  if (stays(build, goesIn)) return { cranks: undefined, bracket: undefined };
  if (drive.kind === 'mid-drive')
    return { cranks: 'the cranks come off before the motor goes in', bracket: 'the old bracket comes out' };
  if (controls.assistSensor === 'torque')
    return {
      cranks: 'the cranks come off before the sensor goes in',
      bracket: 'the sensor takes the place of the bracket’s spindle',
    };
  return {
    cranks:
      controls.assistSensor === 'cadence'
        ? 'a crank comes off for the ring of magnets, unless the ring is split'
        : undefined,
    bracket: undefined,
  };
}

/** Beside a quantity that nobody has read, and beside one that is only assumed: no default is bought in silence. */
const BESIDE: Readonly<Partial<Record<Known['source'], string>>> = {
  unknown: ' (not known: measure first)',
  assumed: ' (assumed: look first)',
};
const beside = (source: Known['source']): string => BESIDE[source] ?? '';

/** A quantity that is asked for at a counter. */
export const specOf = (
  { value, source }: Pick<Known, 'value' | 'source'>,
  unit: Unit,
  digits?: number,
): Phrase => [qty(value, unit, digits), ...(beside(source) === '' ? [] : [beside(source)])];

/** Amps that a part of the battery lead is asked for by, with what stands beside them where they rest on amps that nobody has said. */
export const ampsOf = (amps: number, entered: Known, { battery }: Chain): Phrase => {
  const worked = battery.open === undefined ? 'worked' : 'unknown';
  return specOf({ value: amps, source: entered.source === 'unknown' ? worked : entered.source }, 'A', 0);
};

/** A size that a part is asked for by: bicycle parts and cells are sold by the millimetre in every country. */
export const sizeOf = ({ value, source }: Pick<Known, 'value' | 'source'>, digits: number): string =>
  `${formatQuantity(value, 'mm', digits)}${beside(source)}`;

/** A count that a part is asked for by, as of teeth. */
export const countOf = ({ value, source }: Pick<Known, 'value' | 'source'>): string =>
  `${String(Math.round(value))}${beside(source)}`;

/** A lead by its area and the thinnest American gauge that carries as much: both stand on reels. */
export const leadOf = ({ value, source }: Pick<Known, 'value' | 'source'>, digits: number): string =>
  `${formatQuantity(value, 'mm2', digits)} (${gaugeText(value)})${beside(source)}`;

/** A lead of the current by its size, or where its size is found. */
export const leadSize = (size: Known): string =>
  size.source === 'unknown' ? 'size by the power chain' : leadOf(size, 1);

/** A value is as near to another as a share of it. */
export const within = (value: number, other: number, share: number): boolean =>
  Math.abs(value - other) <= share * Math.abs(other);

/** Brakes on a cable whose lever is changed for one that switches: hydraulic and combined levers get a sensor. */
export function leversChanged(build: BuildDocument): readonly ('front' | 'rear')[] {
  const { donor } = build;
  if (stays(build, 'levers')) return [];
  if (donor.levers !== 'plain' && donor.levers !== 'unknown') return [];
  const onCable = (brake: string): boolean => brake === 'rim' || brake === 'cable-disc';
  return [
    ...(onCable(donor.brakeFront) ? (['front'] as const) : []),
    ...(onCable(donor.brakeRear) ? (['rear'] as const) : []),
  ];
}

/** How many hoses are taken off their levers, which are changed for ones that switch. */
export const hosesOpened = (build: BuildDocument): number => {
  const { donor, controls } = build;
  return !stays(build, 'levers') && controls.brakeCutoffs !== 'yes' && donor.levers === 'plain'
    ? [donor.brakeFront, donor.brakeRear].filter((brake) => brake === 'hydraulic-disc').length
    : 0;
};
