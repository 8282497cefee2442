import * as z from 'zod';
import type { Unit } from '../quantity/units.ts';
import type { Chemistry, DonorStyle, DriveKind } from './choices.ts';
import type { MotorDefaults } from './motor-asked.ts';
import type { Sprockets } from './sprockets.ts';
import type { Usual } from './road-presets.ts';

/** What a default may depend on: the few choices that decide which typical value fits. */
export interface FallbackContext {
  readonly style: DonorStyle;
  readonly kind: DriveKind;
  /** What follows for the motor and its controller's currents from what is known of them. */
  readonly motor: MotorDefaults;
  /** Of an external drive. */
  readonly sprockets: Sprockets;
  readonly brushed: boolean;
  /** Drag area and rolling coefficient by posture, bags and tyre. */
  readonly drag: Usual;
  readonly rolling: Usual;
  readonly trailer: Usual;
  /** What is fitted: the share of the way by the throttle follows. */
  readonly throttled: boolean;
  readonly sensed: boolean;
  readonly chemistry: Chemistry;
  /** Of the pack in question: where it stands between rides, its age in years and its cycles; undefined is unknown. */
  readonly kept: 'indoors' | 'outside' | 'unknown';
  readonly ageYears: number | undefined;
  readonly cycles: number | undefined;
  /** Of the air. */
  readonly airC: number;
  readonly nominalV: number;
  readonly cellsInSeries: number;
  readonly capacityAh: number;
  /** Into how many boxes the pack is parted. */
  readonly boxes: number;
  readonly beadMm: number;
  readonly tyreMm: number;
  readonly wheelbaseMm: number;
  /** With its tyre, unladen. */
  readonly rearRadiusMm: number;
}

/** Everything the product knows about one entered quantity, in the unit that its key names. */
export interface QuantitySpec {
  readonly label: string;
  readonly unit: Unit;
  /** Outside these the value cannot be used at all, and the schema refuses it. */
  readonly min: number;
  readonly max: number;
  /** Outside these the value is kept and used, and the field says that it looks unusual. */
  readonly plausible: readonly [number, number];
  /** A pure number that is counted one by one, as teeth and cells are. */
  readonly counted?: true;
  /** One press of an arrow key. */
  readonly step: number;
  /** True where an unknown value stays unknown: nothing is worked out from the default. */
  readonly stays?: true;
  /** Used when the source is `unknown`; listed as an assumption. */
  readonly fallback: number | ((context: FallbackContext) => number);
  /** Where the default comes from. */
  readonly origin: string;
  /** The same for a build in hand, with what it followed from. */
  readonly because?: (context: FallbackContext) => string;
  /** Standard deviation of the default as a share of it, for the band. */
  readonly spread?: (context: FallbackContext) => number;
}

/** Whether only whole numbers of it are meant. */
export const isCounted = ({ unit, counted }: QuantitySpec): boolean =>
  counted === true || unit === 'T' || unit === 'S' || unit === 'P';

export const NO_DEFAULT = 'no default is used';

/** A length that is taken with a caliper or a rule and has no default, mm. */
export const caliper = (
  label: string,
  [min, max]: readonly [number, number],
  plausible: readonly [number, number],
  step: number,
) =>
  ({
    label,
    unit: 'mm',
    min,
    max,
    plausible,
    step,
    stays: true,
    fallback: (plausible[0] + plausible[1]) / 2,
    origin: NO_DEFAULT,
  }) as const satisfies QuantitySpec;

/** Where an entered value comes from. */
export const ENTERED_SOURCES = ['measured', 'label', 'assumed'] as const;
const note = z.string().max(200).optional();

/** Not looked at yet. What a document says nothing of is this, so that a new quantity needs no migration. */
const UNKNOWN = { source: 'unknown' } as const;

/**
 * A quantity with its source; an unknown or absent one has no value, and its stated default is used. A count that came
 * in with a fraction is the nearest whole one, which is what its field shows.
 */
const sourced = (spec: QuantitySpec) =>
  z
    .discriminatedUnion('source', [
      z.strictObject({
        source: z.enum(ENTERED_SOURCES),
        value: isCounted(spec)
          ? z.number().min(spec.min).max(spec.max).overwrite(Math.round)
          : z.number().min(spec.min).max(spec.max),
        /** One standard deviation, in the quantity's unit, where a measurement gave it. */
        plusMinus: z
          .number()
          .min(0)
          .max(spec.max - spec.min)
          .optional(),
        note,
      }),
      z.strictObject({ source: z.literal('unknown'), note }),
    ])
    .default(UNKNOWN)
    .meta({ description: `${spec.label}, ${spec.unit}. Default when unknown: ${spec.origin}.` });

export type Sourced = z.infer<ReturnType<typeof sourced>>;
export type Source = Sourced['source'];

/** One schema entry per spec, so that a section's shape and its specs cannot drift apart. */
export function quantities<S extends Record<string, QuantitySpec>>(specs: S) {
  const shape = Object.fromEntries(Object.entries(specs).map(([key, spec]) => [key, sourced(spec)]));
  return shape as { [K in keyof S]: ReturnType<typeof sourced> };
}
