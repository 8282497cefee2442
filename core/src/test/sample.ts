import * as fc from 'fast-check';
import {
  answer,
  plannedAnswer,
  axleKind,
  brakeKind,
  chemistry,
  cogBody,
  crankKind,
  donorStyle,
  driveKind,
  forkKind,
  leverKind,
  material,
  packPlace,
} from '../document/choices.ts';
import {
  SECTION_SPECS,
  type BuildDocument,
  type SectionName,
  type SectionPath,
} from '../document/document.ts';
import type { JoinHow } from '../document/choices.ts';
import type { PackDocument } from '../document/pack.ts';
import { DRAG_ADD_NAMES, POSTURE_NAMES, TRAILER_NAMES, TYRE_NAMES } from '../document/road-presets.ts';
import { withLine } from '../document/purchase.ts';
import { withValues } from '../document/quantity-at.ts';
import { isCounted, type QuantitySpec, type Sourced } from '../document/quantity-spec.ts';
import { newBuild } from '../document/template.ts';

type Value<T> = T extends Sourced ? number | Sourced : T;
type Values<T> = { readonly [K in keyof T]?: Value<T[K]> };
export type Changes = {
  readonly [S in SectionName]?: Values<BuildDocument[S]>;
} & {
  /** Of the first pack, its cells and its charger. */
  readonly pack?: Values<PackDocument>;
  readonly cell?: Values<PackDocument['cell']>;
  readonly charger?: Values<PackDocument['charger']>;
  /** A second pack, joined to it. */
  readonly second?: Values<PackDocument> & { readonly join: JoinHow };
};

/** A build with measured values in place of some of the template's: `sample({ pack: { capacityAh: 20 } })`. */
export function sample(
  changes: Changes = {},
  kind: BuildDocument['drive']['kind'] = 'geared-hub',
): BuildDocument {
  const fresh = newBuild('Test build', kind);
  // Bolted to metal, where its own heat matters least: what is tested is seldom that.
  let build: BuildDocument = { ...fresh, controller: { ...fresh.controller, place: 'plate' } };
  const { pack, cell, charger, second, ...plain } = changes;
  for (const [section, values] of Object.entries(plain))
    build = withValues(build, section as SectionName, measured(values));
  if (second !== undefined) {
    const { join, ...values } = second;
    build = {
      ...build,
      packs: [
        build.packs[0],
        { ...newBuild('Second').packs[0], bmsCurrentA: { source: 'unknown' }, ...measured(values) },
      ],
      joining: { ...build.joining, how: join },
    };
  }
  if (pack !== undefined) build = withValues(build, 'packs.0', measured(pack));
  if (cell !== undefined) build = withValues(build, 'packs.0.cell', measured(cell));
  if (charger !== undefined) build = withValues(build, 'packs.0.charger', measured(charger));
  return build;
}

/** Numbers as measured quantities; choices and lists of numbers as they are. */
const measured = (values: object): Record<string, unknown> =>
  Object.fromEntries(
    Object.entries(values).map(([key, value]: [string, unknown]) => [
      key,
      typeof value === 'number' && QUANTITY_KEYS.has(key) ? { source: 'measured', value } : value,
    ]),
  );
const QUANTITY_KEYS: ReadonlySet<string> = new Set(
  [...SECTION_SPECS.values()].flatMap((specs) => Object.keys(specs)),
);

const sourcedWithin = (spec: QuantitySpec): fc.Arbitrary<Sourced> =>
  fc.oneof(
    { weight: 1, arbitrary: fc.constant<Sourced>({ source: 'unknown' }) },
    {
      weight: 5,
      arbitrary: fc
        .double({ min: spec.plausible[0], max: spec.plausible[1], noNaN: true })
        // Values like 5e-324 only test the rounding of denormal numbers.
        .map((value) => (Math.abs(value) < 1e-6 ? 0 : value))
        // What counts things comes whole.
        .map((value): Sourced => ({ source: 'assumed', value: isCounted(spec) ? Math.round(value) : value })),
    },
  );

function section(name: SectionPath): fc.Arbitrary<Record<string, Sourced>> {
  const specs = Object.entries(SECTION_SPECS.get(name) ?? {});
  return fc.record(Object.fromEntries(specs.map(([key, spec]) => [key, sourcedWithin(spec)])));
}

/** Any build whose values are plausible one by one, though seldom together. */
export const anyBuild: fc.Arbitrary<BuildDocument> = fc
  .record({
    kind: fc.constantFrom(...driveKind.options),
    commutation: fc.constantFrom('electronic' as const, 'electronic' as const, 'brushes' as const),
    style: fc.constantFrom(...donorStyle.options),
    chemistry: fc.constantFrom(...chemistry.options),
    wheel: fc.constantFrom('front' as const, 'rear' as const),
    wheelCount: fc.constantFrom(2 as const, 3 as const, 4 as const),
    cogTeeth: fc.uniqueArray(fc.integer({ min: 10, max: 42 }), { minLength: 1, maxLength: 9 }),
    held: fc.boolean(),
    hubRatios: fc.constantFrom<number[]>([], [], [1, 1.36], [0.73, 1, 1.36]),
    material: fc.constantFrom(...material.options),
    fork: fc.constantFrom(...forkKind.options),
    axle: fc.constantFrom(...axleKind.options),
    brake: fc.constantFrom(...brakeKind.options),
    levers: fc.constantFrom(...leverKind.options),
    arms: fc.constantFrom(0 as const, 1 as const, 2 as const),
    place: fc.constantFrom(...packPlace.options),
    at: fc.option(
      fc.record({
        xMm: fc.double({ min: -500, max: 2000, noNaN: true }),
        yMm: fc.double({ min: 100, max: 1500, noNaN: true }),
        angleDeg: fc.double({ min: -180, max: 180, noNaN: true }),
      }),
    ),
    bosses: fc.option(
      fc.array(
        fc.record({
          tube: fc.constantFrom('down-tube' as const, 'seat-tube' as const),
          alongMm: fc.double({ min: 50, max: 500, noNaN: true }),
        }),
        { maxLength: 3 },
      ),
    ),
    limitsSpeed: fc.boolean(),
    limitsPower: fc.boolean(),
    weakens: fc.constantFrom(...answer.options),
    assistSensor: fc.constantFrom('none' as const, 'cadence' as const, 'torque' as const),
    throttle: fc.constantFrom('none' as const, 'walk' as const, 'pedalling' as const, 'full' as const),
    throttleLimited: fc.boolean(),
    limitHoldsThrottle: fc.constantFrom(...plannedAnswer.options),
    helpFollows: fc.constantFrom('power' as const, 'torque' as const, 'unknown' as const),
    motors: fc.constantFrom('one' as const, 'one' as const, 'each-wheel' as const, 'pair' as const),
    sits: fc.constantFrom(
      'wind' as const,
      'box' as const,
      'plate' as const,
      'motor' as const,
      'unknown' as const,
    ),
    posture: fc.constantFrom(...POSTURE_NAMES, 'unknown' as const),
    tyre: fc.constantFrom(...TYRE_NAMES, 'unknown' as const),
    carries: fc.subarray(DRAG_ADD_NAMES),
    trailer: fc.constantFrom('none' as const, 'none' as const, ...TRAILER_NAMES),
    cranks: fc.constantFrom(...crankKind.options),
    cogs: fc.constantFrom(...cogBody.options),
    lacing: fc.constantFrom('comes-laced' as const, 'own' as const, 'unknown' as const),
    label: fc.constantFrom(...answer.options),
    brief: section('brief'),
    donor: section('donor'),
    drive: section('drive'),
    gearing: section('gearing'),
    pack: section('packs.0'),
    cell: section('packs.0.cell'),
    second: section('packs.0'),
    cabling: section('cabling'),
    charger: section('packs.0.charger'),
    joining: section('joining'),
    supply: section('supply'),
    make: fc.constantFrom('ready' as const, 'ready' as const, 'cells' as const),
    nesting: fc.constantFrom('square' as const, 'hexagonal' as const),
    join: fc.constantFrom(
      'none' as const,
      'none' as const,
      'switch' as const,
      'combiner' as const,
      'parallel' as const,
    ),
    means: fc.constantFrom(
      'converter' as const,
      'resistor' as const,
      'own-cells' as const,
      'unknown' as const,
    ),
    accessories: fc.array(
      fc.record({
        name: fc.constant('lamp'),
        volts: fc.constantFrom(0, 5, 12),
        watts: fc.double({ min: 0, max: 40, noNaN: true }),
        onPct: fc.double({ min: 0, max: 100, noNaN: true }),
        light: fc.boolean(),
      }),
      { maxLength: 3 },
    ),
    protection: fc.constantFrom('fuse' as const, 'breaker' as const, 'none' as const, 'unknown' as const),
    controller: section('controller'),
    controls: section('controls'),
  })
  .map((c) => {
    const base = newBuild('Any build', c.kind);
    return {
      ...base,
      brief: { ...base.brief, ...c.brief, trailer: c.trailer },
      donor: {
        ...base.donor,
        ...c.donor,
        style: c.style,
        wheelCount: c.wheelCount,
        posture: c.posture,
        tyre: c.tyre,
        carries: c.carries,
        cranks: c.cranks,
        cogBody: c.cogs,
        sprung: c.label,
        bothRims: c.held,
        frameMaterial: c.material,
        forkMaterial: c.material,
        forkKind: c.fork,
        axle: c.axle,
        brakeFront: c.brake,
        brakeRear: c.brake,
        levers: c.levers,
        outline: c.label === 'unknown' ? 'unknown' : 'measured',
        bosses: c.bosses,
      },
      drive: {
        ...base.drive,
        ...c.drive,
        commutation: c.commutation,
        wheel: c.wheel,
        motors: c.motors,
        otherEnd: c.label,
        cogBody: c.cogs,
        lacing: c.lacing,
        torqueArms: c.arms,
        discMount: c.label,
        throughAxle: c.label,
        bearsOnFrame: c.label,
      },
      gearing: {
        ...base.gearing,
        ...c.gearing,
        cogTeeth: c.cogTeeth,
        heldCogTeeth: c.held ? (c.cogTeeth[0] ?? null) : null,
        hubRatios: c.hubRatios,
      },
      cabling: { ...base.cabling, ...c.cabling, protection: c.protection },
      supply: { ...base.supply, ...c.supply, means: c.means, accessories: c.accessories },
      joining: { ...base.joining, ...c.joining, ...(c.join === 'none' ? {} : { how: c.join }) },
      packs: [
        {
          ...base.packs[0],
          ...c.pack,
          make: c.make,
          chemistry: c.chemistry,
          boxes: [{ place: c.place, at: c.at }],
          cell: { ...base.packs[0].cell, ...c.cell, nesting: c.nesting },
          charger: { ...base.packs[0].charger, ...c.charger },
        },
        ...(c.join === 'none'
          ? []
          : [
              {
                ...base.packs[0],
                ...c.second,
                chemistry: c.chemistry,
                boxes: [{ place: c.place, at: null }],
              },
            ]),
      ] satisfies BuildDocument['packs'],
      controller: {
        ...base.controller,
        ...c.controller,
        place: c.sits,
        limitsSpeed: c.limitsSpeed,
        limitsPower: c.limitsPower,
        regenerates: c.label,
        weakens: c.weakens,
      },
      controls: {
        ...base.controls,
        ...c.controls,
        assistSensor: c.assistSensor,
        throttle: c.throttle,
        throttleLimited: c.throttleLimited,
        limitHoldsThrottle: c.limitHoldsThrottle,
        helpFollows: c.helpFollows,
        classLabel: c.label,
      },
    };
  });

/** DRAWS=10 draws ten times as many as every commit does: a search that takes hours. SEED=2 draws others. */
const { process } = globalThis as { process?: { env: Readonly<Record<string, string | undefined>> } };
const TIMES = Number(process?.env['DRAWS'] ?? 1);
const SEED = Number(process?.env['SEED'] ?? 20260412);

/** So many runs of a property; the seed makes them repeat. A failure is shown as found. */
export const runs = (numRuns: number) =>
  ({ numRuns: Math.ceil(numRuns * TIMES), seed: SEED, endOnFailure: true }) as const;

/** Runs of a property: enough to find trouble, few enough for every commit. */
export const RUNS = runs(100);

/** A build with prices of lines of its parts list, and of everything else in one sum. */
export const priced = (
  build: BuildDocument,
  lines: Readonly<Record<string, number | null>>,
  rest: number | null = null,
): BuildDocument => {
  const told = Object.entries(lines).reduce((b, [key, price]) => withLine(b, key, { price }), build);
  return { ...told, purchase: { ...told.purchase, rest } };
};
