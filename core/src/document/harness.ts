import * as z from 'zod';
import { PACK_PLACES } from '../frame/names.ts';
import { answer } from './choices.ts';

/** What a pin carries. */
export const PIN_WORKS = [
  'pack-plus',
  'pack-minus',
  'charge-plus',
  'charge-minus',
  'switched',
  'lock',
  'supply5',
  'supply12',
  'ground',
  'phase-a',
  'phase-b',
  'phase-c',
  'hall-a',
  'hall-b',
  'hall-c',
  'heat',
  'throttle',
  'cutoff',
  'pulse',
  'torque',
  'sends',
  'hears',
  'lamp',
  'none',
  'unknown',
] as const;
const pinWork = z.enum(PIN_WORKS);
export type PinWork = z.infer<typeof pinWork>;

/** Colours of wires by their letters in IEC 60757; empty is not looked at. */
export const WIRE_COLOURS = [
  'BK',
  'BN',
  'RD',
  'OG',
  'YE',
  'GN',
  'BU',
  'VT',
  'GY',
  'WH',
  'PK',
  'TQ',
  '',
] as const;
const wireColour = z.enum(WIRE_COLOURS);
export type WireColour = z.infer<typeof wireColour>;
export const COLOUR_NAMES: Readonly<Record<WireColour, string>> = {
  BK: 'black',
  BN: 'brown',
  RD: 'red',
  OG: 'orange',
  YE: 'yellow',
  GN: 'green',
  BU: 'blue',
  VT: 'violet',
  GY: 'grey',
  WH: 'white',
  PK: 'pink',
  TQ: 'turquoise',
  '': 'not looked at',
};

/** Prongs, or the cups that take them; bare ends are neither. */
export const PLUG_SEXES = ['pins', 'sockets', 'bare', 'unknown'] as const;
const plugSex = z.enum(PLUG_SEXES);
export type PlugSex = z.infer<typeof plugSex>;

/** How the contacts lie in the open face of a plug. */
export const PLUG_SHAPES = ['row', 'two-rows', 'ring', 'unknown'] as const;
const plugShape = z.enum(PLUG_SHAPES);
export type PlugShape = z.infer<typeof plugShape>;

const pin = z.strictObject({ work: pinWork, colour: wireColour.default('') });
export type PinDocument = z.infer<typeof pin>;

const volts = z.number().min(-1000).max(1000).nullable().default(null);
const millimetres = z.number().min(0).max(20_000).nullable().default(null);

/** Conductor, mm²; null is not said. */
const conductor = z.number().min(0.03).max(120).nullable().default(null);

/** What a cable has to stay clear of. */
const HAZARDS = ['rotor', 'chain', 'crank', 'fold'] as const;
export type Hazard = (typeof HAZARDS)[number];

/** A plug half as far as somebody has looked at it; what is not said is the usual of its place, and counts as not known. */
export const port = z.strictObject({
  /** The family that its halves mate in, by any name; empty is not known. */
  plug: z.string().max(40).default(''),
  sex: plugSex.default('unknown'),
  /** Empty where nobody has looked at them. */
  pins: z.array(pin).max(16),
  shape: plugShape.default('unknown'),
  /** Of the part's own cable to the plug. */
  tailMm: millimetres,
  /** Conductor of that cable; null where nobody has read it. */
  tailMm2: conductor,
});
export type PortDocument = z.infer<typeof port>;
export const NOTHING_SEEN: PortDocument = port.parse({ pins: [] });

/** What a person says of a cable beside what is worked out. */
const cable = z.strictObject({
  /** Measured with a string along the true way. */
  alongMm: millimetres,
  loopMm: millimetres,
  endsMm: millimetres,
  /** Conductor, mm²; null is the usual. */
  mm2: conductor,
  /** The way that it goes. */
  way: z.string().max(120).default(''),
  /** Least distance from the phase leads along its way; null is not looked at. */
  apartMm: millimetres,
  screened: z.boolean().default(false),
  /** Hole that it passes, and what its plug measures; null where there is none, or nobody measured. */
  holeMm: millimetres,
  plugMm: millimetres,
  grommet: z.boolean().default(false),
  /** What its plug pair carries for long, A; null is what the build has for its plugs. */
  plugA: z.number().min(0.1).max(2000).nullable().default(null),
  /** What somebody has seen it to be clear of, over the whole of its way. */
  clearOf: z.array(z.enum(HAZARDS)).max(HAZARDS.length).default([]),
  /** A lead between the halves joins each pin to its like, so that both old plugs stay usable. */
  adapter: z.boolean().default(false),
});
export type CableDocument = z.infer<typeof cable>;
export const NOTHING_MEASURED: CableDocument = cable.parse({});

/** Where the controller sits on the frame; a place that the frame does not have, and not said, is beside the first pack. */
const CONTROLLER_SITS = ['unknown', 'pack', 'bracket', 'head', ...PACK_PLACES] as const;
const controllerSits = z.enum(CONTROLLER_SITS).exclude(['free']);
export type ControllerSits = z.infer<typeof controllerSits>;

/** What a lead of the controller may do that the plan joins nothing to. */
export const LEFT_OVER_WORKS = [
  'limit',
  'steps',
  'cruise',
  'reverse',
  'brake-high',
  'learn',
  'lock',
  'speed',
  'lamp',
  'other',
] as const;
const leftOverWork = z.enum(LEFT_OVER_WORKS);
export type LeftOverWork = z.infer<typeof leftOverWork>;

/** Whether something is joined to it, or its two ends to each other. */
export const LEFT_OVER_ENDS = ['unknown', 'open', 'joined'] as const;
/** Whether the speed limit acts as its lead stands now. */
export const LIMIT_NOW = ['unknown', 'acts', 'lifted'] as const;

/** A plug or a wire of the controller that comes along and that the plan has no use for, as somebody found it. */
const leftOver = z.strictObject({
  work: leftOverWork,
  /** As it is printed, or its colours. */
  name: z.string().max(60).default(''),
  ends: z.enum(LEFT_OVER_ENDS).default('unknown'),
  /** Open: each contact covered by itself. Joined: the joint out of reach, sealed. */
  covered: answer.default('unknown'),
  /** Of the lead of a speed limit alone. */
  limit: z.enum(LIMIT_NOW).default('unknown'),
  /** At it, against ground, with the key on; null is not metered. */
  volts,
});
export type LeftOver = z.infer<typeof leftOver>;
/** Most of them that are kept. */
export const MOST_LEFT_OVER = 24;

const key = z.string().regex(/^[a-z0-9/-]{1,60}$/);

export const harness = z.strictObject({
  controllerSits: controllerSits.default('unknown'),
  /** Plug halves that somebody has looked at, by component and port. */
  ports: z
    .record(key, port)
    .refine((all) => Object.keys(all).length <= 120)
    .default({}),
  cables: z
    .record(key, cable)
    .refine((all) => Object.keys(all).length <= 120)
    .default({}),
  /** Volts measured against ground at a pin, `component/port/1`: standing still, and at work. */
  readings: z
    .record(key, z.strictObject({ rest: volts, work: volts }))
    .refine((all) => Object.keys(all).length <= 400)
    .default({}),
  leftOver: z
    .record(z.string().regex(/^[a-z0-9-]{1,40}$/), leftOver)
    .refine((all) => Object.keys(all).length <= MOST_LEFT_OVER)
    .default({}),
});
export type HarnessDocument = z.infer<typeof harness>;
/** Of a left-over lead that somebody has only named. */
export const leftOverAs = (work: LeftOverWork): LeftOver => leftOver.parse({ work });
