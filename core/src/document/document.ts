import * as z from 'zod';
import { brief, briefSpecs } from './brief.ts';
import { donor, donorSpecs } from './donor.ts';
import { drive, driveSpecs } from './drive.ts';
import { controls, controlsSpecs, gearing, gearingSpecs } from './gearing.ts';
import { cabling, cablingSpecs } from './cabling.ts';
import { cellSpecs } from './cell.ts';
import { chargerSpecs, supply, supplySpecs } from './charging.ts';
import { controller, controllerSpecs } from './controller.ts';
import { MOST_MONEY, currency } from './currency.ts';
import { MOST_PACKS, joining, joiningSpecs, pack, packSpecs, type PackDocument } from './pack.ts';
import { PART_TYPES } from './part-types.ts';
import { moreReady, readyMade, running } from './money-plans.ts';
import { purchase } from './purchase.ts';
import { harness } from './harness.ts';
import { schedule } from './schedule.ts';
import { settings } from './settings.ts';
import type { QuantitySpec } from './quantity-spec.ts';

export const SCHEMA_VERSION = 8;

/** Some currencies count in millions what others count in tens. */
const amount = z.number().min(0).max(MOST_MONEY).nullable();

/** What may be spent, and in which money; what things cost stands with the lines of the parts list. */
const money = z.strictObject({
  currency,
  budget: amount,
  /** Price of a kilowatt-hour from the wall; null is not known. */
  pricePerKwh: z.number().min(0).max(MOST_MONEY).nullable().default(null),
});

/** The packs of a build, used in this order: one at least, which the type says as well. */
type Packs = [PackDocument, ...PackDocument[]];
const packs = z.array(pack).min(1).max(MOST_PACKS) as unknown as z.ZodType<Packs, z.input<typeof pack>[]>;

/**
 * The build document: one JSON object that describes a whole build. What is absent is filled as unknown (or as the
 * answer that says the least), so that a document written before a quantity was asked for is read as it is. The
 * version is raised only when the meaning of something changes.
 */
export const buildDocument = z
  .strictObject({
    schemaVersion: z.literal(SCHEMA_VERSION),
    name: z.string().trim().min(1).max(80),
    job: z.string().max(20),
    summary: z.string().max(200),
    sample: z.boolean(),
    brief,
    donor,
    drive,
    gearing,
    packs,
    joining: joining.prefault({}),
    controller,
    cabling: cabling.prefault({}),
    supply: supply.prefault({}),
    controls,
    money,
    /** What a person adds to the parts list, beside the keys of its lines. */
    purchase: purchase.prefault({}),
    /** Plugs, pins and cables as somebody has looked at them. */
    harness: harness.prefault({}),
    /** What controller and display were set to. */
    settings: settings.prefault({}),
    /** When the work is done. */
    schedule: schedule.prefault({}),
    /** A bicycle that could be bought instead, and what this one costs to run. */
    readyMade: readyMade.prefault({}),
    moreReady,
    running: running.prefault({}),
    /** Which parts of the shelf the values were copied from, by their id; those of a pack stand with it. */
    shelf: z.partialRecord(z.enum(PART_TYPES), z.string().max(60)).default({}),
  })
  .meta({ title: 'Apple Cart build', description: 'Keys carry their unit. See docs/formats.md.' });

export type BuildDocument = z.infer<typeof buildDocument>;

/** The specs of every entered quantity, by section and key; those of the packs are apart. */
export const SPECS = {
  brief: briefSpecs,
  donor: donorSpecs,
  drive: driveSpecs,
  gearing: gearingSpecs,
  joining: joiningSpecs,
  controller: controllerSpecs,
  cabling: cablingSpecs,
  supply: supplySpecs,
  controls: controlsSpecs,
} as const;
export type SectionName = keyof typeof SPECS;

/** What is entered of a pack: of itself, of its cells and of its charger. */
export const PACK_SPECS = { own: packSpecs, cell: cellSpecs, charger: chargerSpecs } as const;

/** The groups of a build's packs, in the order of use. */
export const PACK_PATHS = ['packs.0', 'packs.1', 'packs.2', 'packs.3'] as const;
export type PackPath = (typeof PACK_PATHS)[number];
export type PackIndex = 0 | 1 | 2 | 3;

/** The group of one pack. */
export const packPath = (index: PackIndex): PackPath => PACK_PATHS[index];
type Keys<T> = Extract<keyof T, string>;

/** Dotted path of an entered quantity of a pack, for example `packs.0.capacityAh` or `packs.1.cell.massG`. */
type PackQuantityPath =
  | `${PackPath}.${Keys<typeof packSpecs>}`
  | `${PackPath}.cell.${Keys<typeof cellSpecs>}`
  | `${PackPath}.charger.${Keys<typeof chargerSpecs>}`;

/** Dotted path of an entered quantity, for example `brief.riderMassKg`. */
export type QuantityPath =
  | { [S in SectionName]: `${S}.${Keys<(typeof SPECS)[S]>}` }[SectionName]
  | PackQuantityPath;

/** A group of quantities in the document: everything of a path but its key. */
export type SectionPath = SectionName | PackPath | `${PackPath}.cell` | `${PackPath}.charger`;

/** The specs of every group, in document order. */
export const SECTION_SPECS: ReadonlyMap<SectionPath, Readonly<Record<string, QuantitySpec>>> = new Map<
  SectionPath,
  Readonly<Record<string, QuantitySpec>>
>(
  (Object.keys(SPECS) as SectionName[]).flatMap((section): [SectionPath, Record<string, QuantitySpec>][] =>
    section === 'joining'
      ? [
          ...PACK_PATHS.flatMap((path): [SectionPath, Record<string, QuantitySpec>][] => [
            [path, PACK_SPECS.own],
            [`${path}.cell`, PACK_SPECS.cell],
            [`${path}.charger`, PACK_SPECS.charger],
          ]),
          [section, SPECS[section]],
        ]
      : [[section, SPECS[section]]],
  ),
);

const SPEC_OF: ReadonlyMap<string, QuantitySpec> = new Map(
  [...SECTION_SPECS].flatMap(([section, specs]) =>
    Object.entries(specs).map(([key, spec]) => [`${section}.${key}`, spec] as const),
  ),
);

/** The spec at a path. @throws TypeError for a path that names no quantity. */
export function specAt(path: QuantityPath): QuantitySpec {
  const spec = SPEC_OF.get(path);
  if (spec === undefined) throw new TypeError(`no quantity at ${path}`);
  return spec;
}

/** Every quantity path, in document order; those of packs that a build has not are not in use. */
export const QUANTITY_PATHS: readonly QuantityPath[] = [...SPEC_OF.keys()] as QuantityPath[];

/** The part of a path before its last point. Asked at every keystroke for every quantity, so nothing is split. */
export const sectionOf = (path: QuantityPath): SectionPath =>
  path.slice(0, path.lastIndexOf('.')) as SectionPath;

/** The same quantity of the first pack: packs are alike, and what holds of one path holds of its like. */
export const ofFirstPack = (path: QuantityPath): QuantityPath =>
  path.startsWith('packs.') ? (`packs.0${path.slice('packs.0'.length)}` as QuantityPath) : path;

/** Which pack a path is of; undefined for one that is of none. */
export const packIndexOf = (path: string): PackIndex | undefined =>
  path.startsWith('packs.') ? (Number(path.slice(6, 7)) as PackIndex) : undefined;

/** The document's JSON Schema (draft 2020-12) as it may be written, for people who make or check files elsewhere. */
export const buildJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(buildDocument, { io: 'input' }),
});
