import type { BuildDocument } from '../document/document.ts';
import type { PackDocument } from '../document/pack.ts';
import { motorCount } from '../document/motors.ts';
import { withPack } from '../document/quantity-at.ts';
import { NOTHING_SAID, withLine } from '../document/purchase.ts';
import { isPackPart, isSmallPart, type PackPartType, type PartType } from '../document/part-types.ts';
import { usualPlace } from '../document/migrate.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import type { Part, PartOf } from './part.ts';
import { asNew, leftBehind } from './leave-behind.ts';
import { withoutKept } from './without-kept.ts';
import { withPortsOf } from './pinouts.ts';
import { CELL_KEYS, CONTROLLER_KEYS, DONOR_KEYS, MOTOR_KEYS, PACK_KEYS } from './copied-keys.ts';

const label = (value: number): Sourced => ({ source: 'label', value });
const unknown: Sourced = { source: 'unknown' };

/** Values of a part that are also keys of a section, marked as from the label; null is unknown. */
function labelled<K extends string>(
  part: Readonly<Record<K, number | null>>,
  keys: readonly K[],
): Record<K, Sourced> {
  const entries = keys.map((key): [K, Sourced] => [key, part[key] === null ? unknown : label(part[key])]);
  return Object.fromEntries(entries) as Record<K, Sourced>;
}

/** A donor replaces everything that was measured on the one before: it is another bicycle. */
function withDonor(build: BuildDocument, part: PartOf<'donor'>): BuildDocument {
  const sameStyle = build.donor.style === part.style;
  return {
    ...build,
    donor: {
      ...build.donor,
      name: part.name,
      style: part.style,
      wheelCount: part.wheelCount,
      frameMaterial: part.frameMaterial,
      forkMaterial: part.forkMaterial,
      forkKind: part.forkKind,
      axle: part.axle,
      shell: part.shell,
      brakeFront: part.brakeFront,
      brakeRear: part.brakeRear,
      pairBrakes: part.pairBrakes,
      levers: part.levers,
      keeps: [],
      points: {},
      outline: 'unknown',
      bosses: null,
      ...labelled(part, DONOR_KEYS),
      ownBeadMm: label(part.beadMm),
      rolloutMm: unknown,
      massAheadMm: unknown,
      massHeightMm: unknown,
    },
    packs: sameStyle ? build.packs : (build.packs.map(placedAnew(part.style)) as BuildDocument['packs']),
  };
}

/** The pack on another frame: its boxes go where that one has them. */
const placedAnew =
  (style: PartOf<'donor'>['style']) =>
  (pack: PackDocument): PackDocument => ({
    ...pack,
    boxes: pack.boxes.map(() => ({ place: usualPlace(style), at: null })),
  });

/** A pack made from these cells: what was measured on the pack before is of another pack. */
const withCell = (pack: PackDocument, part: PartOf<'cell'>, currency: string): PackDocument => ({
  ...pack,
  make: 'cells',
  chemistry: part.chemistry,
  massKg: unknown,
  boxLengthMm: unknown,
  boxHeightMm: unknown,
  boxWidthMm: unknown,
  cell: {
    ...pack.cell,
    name: part.name,
    round: part.round,
    inBody: part.inBody,
    price: part.currency === currency ? part.price : null,
    massG: label(part.massKg * 1000),
    ...labelled(part, CELL_KEYS),
  },
});

/** A part of a pack copied into it. */
function intoPack(pack: PackDocument, part: PartOf<PackPartType>, currency: string): PackDocument {
  switch (part.type) {
    case 'pack':
      return {
        ...pack,
        make: 'ready',
        name: part.name,
        chemistry: part.chemistry,
        ...labelled(part, PACK_KEYS),
      };
    case 'cell':
      return withCell(pack, part, currency);
    case 'charger':
      return {
        ...pack,
        charger: {
          ...pack.charger,
          name: part.name,
          ...labelled(part, ['volts', 'currentA', 'efficiencyPct']),
        },
      };
  }
}

/** A controller that turned the motor before is made for leads as that has. */
function turnedBefore({ drive, controller }: BuildDocument): BuildDocument['controller']['commutation'] {
  const turned = drive.name.trim() !== '' && controller.name.trim() !== '';
  return controller.commutation === 'unknown' && turned ? drive.commutation : controller.commutation;
}

function copied(build: BuildDocument, part: Part, packIndex: number): BuildDocument {
  switch (part.type) {
    case 'motor':
      return {
        ...build,
        drive: {
          ...build.drive,
          name: part.name,
          kind: part.kind,
          commutation: part.commutation,
          brushV: unknown,
          freewheel: part.freewheel,
          windingSensor: part.windingSensor,
          discMount: part.discMount,
          throughAxle: part.throughAxle,
          ...labelled(part, MOTOR_KEYS),
        },
        controller: { ...build.controller, commutation: turnedBefore(build) },
      };
    case 'pack':
    case 'cell':
    case 'charger':
      return withPack(build, packIndex, (pack) => intoPack(pack, part, build.money.currency));
    case 'connector':
      return { ...build, cabling: { ...build.cabling, connectorA: label(part.connectorA) } };
    case 'wire':
      return {
        ...build,
        cabling: {
          ...build.cabling,
          conductor: part.conductor,
          ...labelled(part, ['leadMm2', 'insulationC']),
        },
      };
    case 'controller':
      return {
        ...build,
        controller: {
          ...build.controller,
          name: part.name,
          commutation: part.commutation,
          ...labelled(part, CONTROLLER_KEYS),
        },
      };
    case 'donor':
      return withDonor(build, part);
    case 'ring':
      return {
        ...build,
        gearing: { ...build.gearing, ringTeeth: label(part.teeth) },
        drive:
          part.ringLineMm === null ? build.drive : { ...build.drive, ringLineMm: label(part.ringLineMm) },
      };
    case 'cogs':
      return {
        ...build,
        gearing: {
          ...build.gearing,
          cogTeeth: [...part.cogTeeth],
          hubRatios: [...part.hubRatios],
          heldCogTeeth: null,
          heldHubGear: null,
        },
      };
    case 'tyre':
      return {
        ...build,
        donor: {
          ...build.donor,
          beadMm: label(part.beadMm),
          tyreMm: label(part.tyreMm),
          crr: label(part.crr),
          tyreGrip: label(part.grip),
          tyreGripWet: label(part.gripWet),
          rolloutMm: unknown,
        },
      };
    case 'fitting':
    case 'consumable':
    case 'tool':
      return build;
  }
}

/** The line of the parts list that a part is itself; small parts are taken for a line where the list is shown. */
function linesOf(part: Part, packIndex: number): readonly string[] {
  switch (part.type) {
    case 'donor':
    case 'motor':
    case 'controller':
      return [part.type];
    case 'pack':
    case 'charger':
      return [packIndex === 0 ? part.type : `${part.type}/${String(packIndex + 1)}`];
    case 'ring':
    case 'cogs':
    case 'tyre':
    case 'cell':
    case 'connector':
    case 'wire':
    case 'fitting':
    case 'consumable':
    case 'tool':
      return [];
  }
}

/** What the shelf says of a line: price, days and supplier; another thing than before has no price of that one. */
function bought(build: BuildDocument, part: Part, key: string): BuildDocument {
  const said = build.purchase.lines[key] ?? NOTHING_SAID;
  const inSecond =
    part.currency !== build.money.currency && part.currency === build.purchase.second?.currency;
  const priced = inSecond || part.currency === build.money.currency;
  return withLine(build, key, {
    price:
      priced && part.price !== null ? part.price * (part.type === 'motor' ? motorCount(build) : 1) : null,
    inSecond: priced && inSecond,
    leadDays: part.leadDays,
    supplier: said.supplier === '' ? part.maker : said.supplier,
  });
}

type Brings = BuildDocument['purchase']['brings'];

const without = (brought: Brings['motor'], key: string): Brings['motor'] =>
  brought === null ? null : Object.fromEntries(Object.entries(brought).filter(([line]) => line !== key));

/** What comes along in the box of a motor or of the first pack is of that one; what is chosen by itself comes in no box. */
function withBrought(build: BuildDocument, part: Part, packIndex: number): BuildDocument {
  const { purchase } = build;
  const { motor, pack } = purchase.brings;
  const told = (brings: Brings): BuildDocument => ({ ...build, purchase: { ...purchase, brings } });
  if (part.type === 'motor') return told({ motor: part.brings, pack });
  if (part.type === 'controller') return told({ motor: without(motor, 'controller'), pack });
  if (part.type === 'pack' && packIndex === 0) return told({ motor, pack: part.brings });
  if (part.type === 'charger' && packIndex === 0) return told({ motor, pack: without(pack, 'charger') });
  return build;
}

/** The plugs of motor, controller, pack and charger are those of the part. */
function withPlugs(build: BuildDocument, part: Part, packIndex: number): BuildDocument {
  if (part.type !== 'motor' && part.type !== 'controller' && part.type !== 'pack' && part.type !== 'charger')
    return build;
  const nth = part.type === 'pack' || part.type === 'charger' ? packIndex : 0;
  const component = nth === 0 ? part.type : `${part.type}-${String(nth + 1)}`;
  return {
    ...build,
    harness: { ...build.harness, ports: withPortsOf(build.harness.ports, component, part) },
  };
}

/**
 * Copies a part's values into a build, marked as read from its label, and remembers which part it was.
 * Its price, days and supplier stand with its line of the parts list; a price only in the build's money or its second one.
 * @param packIndex which pack a pack, its cell or its charger is for
 */
export function copyPart(build: BuildDocument, part: Part, packIndex = 0): BuildDocument {
  const changed = copied(withoutKept(build, part, packIndex), part, packIndex);
  const next = withPlugs(withBrought(changed, part, packIndex), part, packIndex);
  const priced = linesOf(part, packIndex).reduce((b, key) => bought(b, part, key), next);
  if (isSmallPart(part.type)) return priced;
  return isPackPart(part.type)
    ? withPack(priced, packIndex, (pack) => ({ ...pack, shelf: { ...pack.shelf, [part.type]: part.id } }))
    : { ...priced, shelf: { ...next.shelf, [part.type]: part.id } };
}

/** The part of a build that another of this type takes the place of, by its name; empty where nobody has named it. */
function nameNow(build: BuildDocument, { type }: Part, packIndex: number): string {
  if (type === 'pack') return build.packs[packIndex]?.name.trim() ?? '';
  const of = { donor: build.donor, motor: build.drive, controller: build.controller };
  return type === 'donor' || type === 'motor' || type === 'controller' ? of[type].name.trim() : '';
}

/**
 * The same where a person takes a part from the shelf: one of another name than that in the build takes its place, and what
 * was found out of the old one goes with it; what has no name yet is named so, and stays what it is.
 */
export function applyPart(build: BuildDocument, part: Part, packIndex = 0): BuildDocument {
  const now = nameNow(build, part, packIndex);
  const other = now !== '' && now !== part.name;
  return copyPart(other ? leftBehind(build, part, packIndex) : build, part, packIndex);
}

/** The same where a part is bought: it is another one than whatever is in hand, and a pack is new. */
export const buyPart = (build: BuildDocument, part: Part, packIndex = 0): BuildDocument =>
  asNew(copyPart(leftBehind(build, part, packIndex), part, packIndex), part, packIndex);

/** The part of a type that a build, or one of its packs, was copied from: its id on the shelf. */
export const copiedFrom = (build: BuildDocument, type: PartType, packIndex = 0): string | undefined =>
  isPackPart(type) ? build.packs[packIndex]?.shelf[type] : build.shelf[type];
