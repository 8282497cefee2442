import * as z from 'zod';
import { brief, briefSpecs } from './brief.ts';
import { donor, donorSpecs } from './donor.ts';
import { drive, driveSpecs } from './drive.ts';
import { controls, controlsSpecs, gearing, gearingSpecs } from './gearing.ts';
import { cabling, cablingSpecs } from './cabling.ts';
import { cell, cellSpecs } from './cell.ts';
import { charger, chargerSpecs, supply, supplySpecs } from './charging.ts';
import { controller, controllerSpecs } from './controller.ts';
import { pack, packSpecs, second, secondSpecs } from './pack.ts';
import { PART_TYPES } from './part-types.ts';
import type { QuantitySpec } from './quantity-spec.ts';

export const SCHEMA_VERSION = 5;

const amount = z.number().min(0).max(1_000_000).nullable();

/** Prices in one currency; null is a price not known yet, which is never counted as nought. */
const money = z.strictObject({
  currency: z.enum(['GBP', 'EUR', 'USD']),
  budget: amount,
  donor: amount,
  motor: amount,
  pack: amount,
  controller: amount,
  other: amount,
});

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
    pack,
    cell: cell.prefault({}),
    second: second.prefault({}),
    controller,
    cabling: cabling.prefault({}),
    charger: charger.prefault({}),
    supply: supply.prefault({}),
    controls,
    money,
    /** Which parts of the shelf the values were copied from, by their id. */
    shelf: z.partialRecord(z.enum(PART_TYPES), z.string().max(60)).default({}),
  })
  .meta({ title: 'Apple Cart build', description: 'Keys carry their unit. See docs/formats.md.' });

export type BuildDocument = z.infer<typeof buildDocument>;

/** The specs of every entered quantity, by section and key. */
export const SPECS = {
  brief: briefSpecs,
  donor: donorSpecs,
  drive: driveSpecs,
  gearing: gearingSpecs,
  pack: packSpecs,
  cell: cellSpecs,
  second: secondSpecs,
  controller: controllerSpecs,
  cabling: cablingSpecs,
  charger: chargerSpecs,
  supply: supplySpecs,
  controls: controlsSpecs,
} as const;

export type SectionName = keyof typeof SPECS;

/** Dotted path of an entered quantity, for example `brief.riderMassKg`. */
export type QuantityPath = {
  [S in SectionName]: `${S}.${Extract<keyof (typeof SPECS)[S], string>}`;
}[SectionName];

const SPEC_OF: ReadonlyMap<string, QuantitySpec> = new Map(
  Object.entries(SPECS).flatMap(([section, specs]) =>
    Object.entries<QuantitySpec>(specs).map(([key, spec]) => [`${section}.${key}`, spec] as const),
  ),
);

/** The spec at a path. @throws TypeError for a path that names no quantity. */
export function specAt(path: QuantityPath): QuantitySpec {
  const spec = SPEC_OF.get(path);
  if (spec === undefined) throw new TypeError(`no quantity at ${path}`);
  return spec;
}

/** Every quantity path, in document order. */
export const QUANTITY_PATHS: readonly QuantityPath[] = [...SPEC_OF.keys()] as QuantityPath[];

/** The document's JSON Schema (draft 2020-12) as it may be written, for people who make or check files elsewhere. */
export const buildJsonSchema = (): Record<string, unknown> => ({
  ...z.toJSONSchema(buildDocument, { io: 'input' }),
});
