import type { BuildDocument } from '../../document/document.ts';
import { withFurtherPack } from '../../document/further-pack.ts';
import { knownBuild } from '../../document/known.ts';
import type { Known, KnownBuild } from '../../document/known-build.ts';
import { MOST_PACKS, type PackDocument } from '../../document/pack.ts';
import type { Chemistry } from '../../document/choices.ts';
import { CHEMISTRIES } from '../../document/chemistries.ts';
import { buyPart } from '../../parts/apply-part.ts';
import { ofType } from '../../parts/of-type.ts';
import type { Part, PartOf } from '../../parts/part.ts';
import { formatNumber } from '../../quantity/format.ts';
import { layoutOf, suits, withMotor, type LayoutName } from '../motor-for.ts';
import { sameVolts } from '../usual-volts.ts';
import { madeForVolts, sameBead, turnsMotor } from '../goes-with.ts';
import { unreadOf } from '../../document/worked.ts';
import { unlabelled } from '../../document/stands-in.ts';
import {
  ampsStandIn,
  cutoffStandsIn,
  healthStandsIn,
  heldAgainst,
  leaving,
  motorStandsIn,
  type ChangeStep,
  type StepKind,
} from './step.ts';

/** A step that brings one part. */
const bringing = (
  kind: StepKind,
  part: Part,
  what: string,
  change: ChangeStep['change'],
  note = '',
  against = '',
): ChangeStep => ({
  id: `${kind}/${part.id}`,
  kind,
  what: [what],
  against: against === '' ? [] : [against],
  note,
  setting: false,
  part,
  pieces: 1,
  money: 0,
  change,
});

const number = (value: number, digits = 0): string => formatNumber(value, digits);

/** Not what is in hand already, as far as that was read. */
const isOther = (known: Known, value: number): boolean => unreadOf(known).length > 0 || known.value !== value;

/** Volts of the first pack, where they stand in for what nobody has read. */
const voltsStandIn = (known: KnownBuild): string =>
  unlabelled(known).includes(known.packs[0].nominalV) ? `${number(known.packs[0].nominalV.value)} V` : '';

/** Controllers for the volts of the first pack, of other amps than the one in hand. */
function controllers(build: BuildDocument, known: KnownBuild, parts: readonly Part[]): readonly ChangeStep[] {
  const { batteryCurrentA } = known.controller;
  const now = leaving(batteryCurrentA, number(batteryCurrentA.value), 'A');
  return ofType(parts, 'controller')
    .filter(
      (p) =>
        madeForVolts(p, known.packs[0].nominalV.value) &&
        turnsMotor(p, build) &&
        p.name !== build.controller.name &&
        isOther(known.controller.batteryCurrentA, p.batteryCurrentA),
    )
    .map((part) =>
      bringing(
        'amps',
        part,
        `Controller ${now.from} ${number(part.batteryCurrentA)} A`,
        // One inside of the motor gives way to one beside it: where that sits is asked anew.
        (b) => buyPart(b, part),
        `${part.name}${build.controller.place === 'motor' ? ': the motor’s own inside is bypassed, ask its maker' : ''}`,
        heldAgainst(ampsStandIn(known), cutoffStandsIn(known), voltsStandIn(known)),
      ),
    );
}

function packStep(own: PackDocument, known: KnownBuild, part: PartOf<'pack'>): ChangeStep {
  const { nominalV, capacityAh } = known.packs[0];
  const [volts, charge] = [number(part.nominalV), number(part.capacityAh, 1)];
  const v = leaving(nominalV, number(nominalV.value), 'V');
  const ah = leaving(capacityAh, number(capacityAh.value, 1), 'Ah');
  const other = unreadOf(nominalV).length > 0 || !sameVolts(nominalV.value, part.nominalV);
  if (part.name === own.name)
    return bringing('pack', part, `A new pack like it, ${charge} Ah`, (b) => buyPart(b, part), part.name);
  const words = other ? `Pack ${v.from} ${volts} V, ${charge} Ah` : `Pack ${ah.from} ${charge} Ah`;
  return bringing(
    'pack',
    part,
    `${words}${ofChemistry(own.chemistry, part)}`,
    (b) => buyPart(b, part),
    part.name,
    heldAgainst(v.against, ah.against, healthStandsIn(known)),
  );
}

/** Named where it is another one. */
const ofChemistry = (now: Chemistry, { chemistry }: PartOf<'pack'>): string =>
  chemistry === now ? '' : `, ${CHEMISTRIES[chemistry].name}`;

/** So much of its capacity has to be gone before one like it is another pack. Common practice, no source. */
const WORN_PCT = 90;
/** A pack that is known to have lost some of its capacity, by a measure or by its age. */
function isWorn({ packs }: KnownBuild): boolean {
  const { healthPct, ageYears } = packs[0];
  return (healthPct.source !== 'unknown' || ageYears.source !== 'unknown') && healthPct.value < WORN_PCT;
}

/** Packs of the shelf in the place of the first, whatever their volts. */
const packs = (build: BuildDocument, known: KnownBuild, parts: readonly Part[]): readonly ChangeStep[] =>
  ofType(parts, 'pack')
    .filter((p) => p.name !== build.packs[0].name || isWorn(known))
    .map((part) => packStep(build.packs[0], known, part));

/** A like pack beside the first one, through a combiner where there is none yet. */
function secondPacks(build: BuildDocument, known: KnownBuild, parts: readonly Part[]): readonly ChangeStep[] {
  // Beside a pack of which neither volts nor cells were read nothing is alike.
  if (build.packs.length >= MOST_PACKS || voltsStandIn(known) !== '') return [];
  const series = known.packs[0].cellsInSeries.value;
  return ofType(parts, 'pack')
    .filter((p) => p.cellsInSeries === series && p.chemistry === build.packs[0].chemistry)
    .map((part) =>
      bringing(
        'second-pack',
        part,
        `One more pack, ${number(part.nominalV)} V ${number(part.capacityAh, 1)} Ah`,
        (b) => {
          const more = withFurtherPack(b);
          const joined =
            b.packs.length === 1 ? { ...more, joining: { ...more.joining, how: 'combiner' as const } } : more;
          return buyPart(joined, part, joined.packs.length - 1);
        },
        `${part.name}, through a combiner`,
      ),
    );
}

/** What another motor of the same place asks of the bench. */
const MOTOR_WORK: Readonly<Record<LayoutName, string>> = {
  front: 'laced into the wheel, cable side alike',
  rear: 'laced into the wheel, cable side alike',
  middle: 'its ring and mounts with it',
  external: 'its mount, sprocket and cover with it',
};

/** Motors for the same place in the machine: larger, smaller, wound otherwise. */
function motors(build: BuildDocument, known: KnownBuild, parts: readonly Part[]): readonly ChangeStep[] {
  const layout = layoutOf(build);
  const against = motorStandsIn(build, known);
  return ofType(parts, 'motor')
    .filter(
      (p) => suits(p, layout) && p.name !== build.drive.name && p.commutation === build.drive.commutation,
    )
    .map((part) =>
      bringing(
        'motor',
        part,
        `Motor ${part.name}, ${number(part.ratedPowerW)} W`,
        (b) => withMotor(b, layoutOf(b), part),
        MOTOR_WORK[layout],
        against,
      ),
    );
}

function rings(known: KnownBuild, parts: readonly Part[]): readonly ChangeStep[] {
  const { ringTeeth } = known.gearing;
  const now = leaving(ringTeeth, number(ringTeeth.value), 'T');
  return ofType(parts, 'ring')
    .filter((p) => isOther(ringTeeth, p.teeth))
    .map((part) =>
      bringing(
        'ring',
        part,
        `Ring ${now.from} ${number(part.teeth)} T`,
        (b) => buyPart(b, part),
        now.against === ''
          ? ringNote(part.teeth - ringTeeth.value)
          : 'links into or out of the chain, by the ring in hand',
        now.against,
      ),
    );
}

/** Half of a ring's teeth lie in the chain: two teeth are one link (a half-inch pitch). */
function ringNote(teeth: number): string {
  const links = Math.round(Math.abs(teeth) / 4) * 2;
  return links === 0
    ? 'the chain may stay'
    : `${String(links)} links ${teeth > 0 ? 'into' : 'out of'} the chain`;
}

/** Where a gear is held on the hill, the one nearest to it is held of the new ones: nothing is gained by letting go of it. */
function heldAlike(was: BuildDocument, is: BuildDocument): BuildDocument {
  const ratio = (cog: number, hub: number): number => hub / cog;
  const { heldCogTeeth, heldHubGear, hubRatios } = was.gearing;
  if (heldCogTeeth === null && heldHubGear === null) return is;
  const cogsWas = heldCogTeeth ?? Math.max(...was.gearing.cogTeeth);
  const wanted = Math.log(ratio(cogsWas, hubRatios[(heldHubGear ?? 1) - 1] ?? 1));
  const gears = is.gearing.cogTeeth.flatMap((cog) =>
    (is.gearing.hubRatios.length === 0 ? [1] : is.gearing.hubRatios).map((hub, i) => ({
      cog,
      gear: is.gearing.hubRatios.length === 0 ? null : i + 1,
      off: Math.abs(Math.log(ratio(cog, hub)) - wanted),
    })),
  );
  const [best] = gears.sort((a, b) => a.off - b.off);
  if (best === undefined) return is;
  return { ...is, gearing: { ...is.gearing, heldCogTeeth: best.cog, heldHubGear: best.gear } };
}

/** "12 to 34", or "18" of one alone. */
function spanOf(teeth: readonly number[]): string {
  const [least, most] = [Math.min(...teeth), Math.max(...teeth)];
  return least === most ? String(least) : `${String(least)} to ${String(most)}`;
}

/** Cogs for what the wheel has: sprockets for a derailleur, and a geared hub where the driven wheel has no motor in it. */
function cogs(build: BuildDocument, parts: readonly Part[]): readonly ChangeStep[] {
  const hubMotor = build.drive.kind !== 'mid-drive' && build.drive.wheel === 'rear';
  const { cogTeeth, hubRatios } = build.gearing;
  const was = spanOf(cogTeeth);
  return (
    ofType(parts, 'cogs')
      .filter((p) => !(hubMotor && p.hubRatios.length > 0))
      .filter((p) => p.hubRatios.length > 0 || p.cogTeeth.length > 1)
      // The same span of as many gears is no change.
      .filter(
        (p) =>
          spanOf(p.cogTeeth) !== was ||
          p.cogTeeth.length !== cogTeeth.length ||
          p.hubRatios.length !== hubRatios.length,
      )
      .map((part) => {
        const to =
          part.hubRatios.length > 0
            ? `a hub of ${String(part.hubRatios.length)} gears`
            : spanOf(part.cogTeeth);
        return bringing(
          'cogs',
          part,
          cogTeeth.length === 1 ? `Cog ${was} becomes ${to}` : `Cogs ${was} become ${to}`,
          (b) => heldAlike(b, buyPart(b, part)),
          part.hubRatios.length > 0
            ? `${part.name}: ask its maker for the torque that it bears`
            : `${part.name}: ${cogTeeth.length === 1 ? 'with a mechanism, a shifter and a wheel for them' : 'chain and shifter of as many gears'}`,
        );
      })
  );
}

/** Every wheel of the driven wheel's size rolls on them. */
function tyres(build: BuildDocument, known: KnownBuild, parts: readonly Part[]): readonly ChangeStep[] {
  const { otherBeadMm, wheelCount } = build.donor;
  const alike = otherBeadMm.source === 'unknown' || sameBead(otherBeadMm.value, known.donor.beadMm.value);
  return ofType(parts, 'tyre')
    .filter(
      (p) =>
        sameBead(p.beadMm, known.donor.beadMm.value) &&
        (isOther(known.donor.crr, p.crr) || isOther(known.donor.tyreMm, p.tyreMm)),
    )
    .map((part) => ({
      ...bringing(
        'tyre',
        part,
        `Tyres to ${part.name}`,
        (b) => buyPart(b, part),
        'roll-out anew: set the display again',
        unreadOf(known.donor.crr).length === 0 ? '' : 'tyres of usual rolling',
      ),
      pieces: alike ? wheelCount : 1,
    }));
}

/** Every single change that the shelf has a part for. */
export function shelfSteps(build: BuildDocument, parts: readonly Part[]): readonly ChangeStep[] {
  const known = knownBuild(build);
  return [
    ...controllers(build, known, parts),
    ...packs(build, known, parts),
    ...secondPacks(build, known, parts),
    ...motors(build, known, parts),
    ...rings(known, parts),
    ...cogs(build, parts),
    ...tyres(build, known, parts),
  ];
}
