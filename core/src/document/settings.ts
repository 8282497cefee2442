import * as z from 'zod';
import { day } from './purchase.ts';

const value = z.number().min(-10_000).max(100_000).nullable().default(null);

const signal = z.number().min(0).max(15).nullable().default(null);

/** What a person says of a setting that is worked out. */
const toldSetting = z.strictObject({
  /** Put in, and shown by the controller afterwards. */
  entered: value,
  readBack: value,
  /** The day it was read back. */
  readOn: day,
  /** A simulated programmer wrote and read it. */
  simulated: z.boolean().default(false),
  /** What this controller calls it. */
  name: z.string().max(40).default(''),
});
export type ToldSetting = z.infer<typeof toldSetting>;

const words = z.string().max(60).default('');

/** A setting of this controller that the plan does not work out, in words: what it is meant to be, and what it shows. */
const otherSetting = z.strictObject({
  /** Its name, where it is not one of the usual ones. */
  name: words,
  meant: words,
  readBack: words,
  /** The day it was read back. */
  readOn: day,
});
export type OtherSetting = z.infer<typeof otherSetting>;
/** So many of them are kept. */
export const MOST_OTHERS = 40;

/** Where a true speed comes from. */
export const TRUE_SPEED_FROM = ['unknown', 'satellite', 'wheel', 'measured-way'] as const;

/** The controller's and the display's settings as they were put in and read back, and the speed that the display shows. */
export const settings = z.strictObject({
  lines: z
    .record(z.string().regex(/^[a-z0-9/-]{1,60}$/), toldSetting)
    .refine((all) => Object.keys(all).length <= 100)
    .default({}),
  others: z
    .record(z.string().regex(/^[a-z0-9-]{1,40}$/), otherSetting)
    .refine((all) => Object.keys(all).length <= MOST_OTHERS)
    .default({}),
  /** The program or the keys it was read with, and their version. */
  readWith: z.string().max(80).default(''),
  speed: z
    .strictObject({
      shownKmh: z.number().min(0.1).max(500).nullable().default(null),
      trueKmh: z.number().min(0.1).max(500).nullable().default(null),
      trueFrom: z.enum(TRUE_SPEED_FROM).default('unknown'),
    })
    .prefault({}),
  /** The throttle's signal as it was read, V; null is not read. */
  throttle: z
    .strictObject({
      restV: signal,
      fullV: signal,
      /** A simulated meter gave one of them. */
      simulated: z.boolean().default(false),
    })
    .prefault({}),
  /** What no part asks a value of, as a person chose it; null is left as it comes. */
  chosen: z
    .strictObject({
      softStartS: z.number().min(0).max(20).nullable().default(null),
      autoOffMin: z.number().min(0).max(240).nullable().default(null),
    })
    .prefault({}),
  /** Cells in series that the display's gauge is set for; null is not known. */
  gaugeCells: z.number().int().min(1).max(60).nullable().default(null),
});
export type SettingsDocument = z.infer<typeof settings>;
export const NOTHING_SET: ToldSetting = toldSetting.parse({});
export const NOTHING_MEANT: OtherSetting = otherSetting.parse({});
