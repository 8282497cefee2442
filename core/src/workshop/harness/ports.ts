import type { BuildDocument } from '../../document/document.ts';
import {
  NOTHING_SEEN,
  type PinDocument,
  type PinWork,
  type PlugSex,
  type PortDocument,
  type WireColour,
} from '../../document/harness.ts';

/** One plug half of a component, as it is shown: what nobody has said is the usual one of its place. */
export interface Port extends PortDocument {
  /** `component/port` */
  readonly key: string;
  readonly name: string;
  /** Somebody has looked at its pins. */
  readonly seen: boolean;
  /** As far as somebody has said it, and no further. */
  readonly said: PortDocument;
  /** What each pin usually carries at this place. */
  readonly usual: readonly PinWork[];
  /** This side gives the volts: its contacts are covered. */
  readonly live: boolean;
}

type PinSpec = readonly [PinWork, WireColour];
const pins = (...list: readonly PinSpec[]): PinDocument[] => list.map(([work, colour]) => ({ work, colour }));

/** The usual pins of a plug, by what it joins. Colours differ from set to set: common practice, no source; what is seen decides. */
const PINS = {
  power: pins(['pack-plus', 'RD'], ['pack-minus', 'BK']),
  charge: pins(['charge-plus', 'RD'], ['charge-minus', 'BK']),
  phases: pins(['phase-a', 'YE'], ['phase-b', 'GN'], ['phase-c', 'BU']),
  halls: pins(
    ['supply5', 'RD'],
    ['ground', 'BK'],
    ['hall-a', 'YE'],
    ['hall-b', 'GN'],
    ['hall-c', 'BU'],
    ['heat', 'WH'],
  ),
  brushes: pins(['phase-a', 'RD'], ['phase-b', 'BK']),
  display: pins(['switched', 'RD'], ['lock', 'BU'], ['ground', 'BK'], ['sends', 'GN'], ['hears', 'WH']),
  throttle: pins(['supply5', 'RD'], ['ground', 'BK'], ['throttle', 'GN']),
  brake: pins(['cutoff', 'YE'], ['ground', 'BK']),
  assist: pins(['supply5', 'RD'], ['ground', 'BK'], ['pulse', 'YE']),
  torque: pins(['supply5', 'RD'], ['ground', 'BK'], ['torque', 'WH'], ['pulse', 'BU']),
  speed: pins(['pulse', 'WH'], ['ground', 'BK']),
  shift: pins(['supply5', 'RD'], ['ground', 'BK'], ['cutoff', 'YE']),
  key: pins(['switched', 'RD'], ['lock', 'BU']),
  aux: pins(['switched', 'RD'], ['ground', 'BK']),
  // The set that is common on boards: its levels are looked up before anything is plugged in.
  program: pins(['supply5', 'RD'], ['ground', 'BK'], ['sends', 'GN'], ['hears', 'WH']),
  lamps: pins(['lamp', 'RD'], ['ground', 'BK']),
  // Two controllers hear one hand or one sensor, and the same brakes; each keeps its own 5 V.
  shared: pins(['throttle', 'GN'], ['cutoff', 'YE'], ['ground', 'BK']),
  sharedFeet: pins(['pulse', 'YE'], ['cutoff', 'BN'], ['ground', 'BK']),
} as const satisfies Record<string, readonly PinDocument[]>;
export type PinSet = keyof typeof PINS;

interface PortSpec {
  readonly port: string;
  readonly name: string;
  readonly set: PinSet;
  readonly plug: string;
  readonly sex: PlugSex;
  readonly live?: boolean;
}

/** Colours are of the set that one looks at: until then a port has none. */
const uncoloured = (list: readonly PinDocument[]): PinDocument[] =>
  list.map(({ work }) => ({ work, colour: '' }));

/** The other end of a serial line. */
const crossed = (list: readonly PinDocument[]): PinDocument[] =>
  list.map(({ work, colour }) => {
    if (work === 'sends') return { work: 'hears', colour };
    return work === 'hears' ? { work: 'sends', colour } : { work, colour };
  });

/** Plugs of a second motor were said to be at the first controller once. */
const before = (key: string): string => key.replace(/^controller-2(?=\/motor-2-)/, 'controller');

/** What somebody has said of a plug half, `component/port`. */
const saidPort = (build: BuildDocument, key: string): PortDocument =>
  build.harness.ports[key] ?? build.harness.ports[before(key)] ?? NOTHING_SEEN;

export function portOf(build: BuildDocument, component: string, spec: PortSpec, far: boolean): Port {
  const key = `${component}/${spec.port}`;
  const said = saidPort(build, key);
  const usual = far ? crossed(PINS[spec.set]) : [...PINS[spec.set]];
  const seen = said.pins.length > 0;
  return {
    ...said,
    key,
    name: spec.name,
    live: spec.live === true,
    seen,
    said,
    usual: usual.map(({ work }) => work),
    ...(seen
      ? {}
      : {
          plug: said.plug === '' ? spec.plug : said.plug,
          sex: said.sex === 'unknown' ? spec.sex : said.sex,
          pins: uncoloured(usual),
        }),
  };
}

/** The usual pins of a port in the usual colours, for whoever says that it is as usual. */
export function usualPort(spec: PinSet, plug: string, sex: PlugSex, far: boolean): PortDocument {
  const list = far ? crossed(PINS[spec]) : [...PINS[spec]];
  return { ...NOTHING_SEEN, plug, sex, pins: list };
}

/** What is said of a half, and the usual where nothing is said: for whoever says that the rest is as usual. */
export function restAsUsual(said: PortDocument, usual: PortDocument): PortDocument {
  return {
    ...said,
    plug: said.plug === '' ? usual.plug : said.plug,
    sex: said.sex === 'unknown' ? usual.sex : said.sex,
    pins:
      said.pins.length === 0
        ? usual.pins
        : said.pins.map((p, i) => (p.work === 'unknown' ? { ...p, work: usual.pins[i]?.work ?? p.work } : p)),
  };
}
