import * as z from 'zod';
import { firstOf } from '../quantity/first-of.ts';
import { convert, type Unit } from '../quantity/units.ts';
import { CHANNELS, CHANNEL_IDS, type ChannelId, type Recording } from './channels.ts';

/** How a file writes its time: a number of a unit, a clock, or a date with a clock. */
const TIME_WAYS = ['s', 'ms', 'min', 'clock', 'date'] as const;
export type TimeWay = (typeof TIME_WAYS)[number];

/** Most columns of a file, and rows of a recording. */
const MOST_COLUMNS = 200;
export const MOST_ROWS = 8_000_000;

const column = z.number().int().min(0).max(MOST_COLUMNS);
const channelColumn = z
  .strictObject({
    channel: z.enum(CHANNEL_IDS as readonly [ChannelId, ...ChannelId[]]),
    column,
    unit: z.string().max(8),
  })
  .refine((c) => unitsOf(c.channel).some((unit) => unit === c.unit), {
    message: 'a unit of that channel',
    path: ['unit'],
  });

/** Which column of a table is which channel, in which unit, and how its numbers and its time are written. */
export const logColumns = z.strictObject({
  separator: z.enum([',', ';', '\t', '|']),
  decimal: z.enum(['.', ',']),
  /** Lines before the first row of values. */
  heads: z.number().int().min(0).max(50),
  time: z.strictObject({ column, as: z.enum(TIME_WAYS) }),
  channels: z.array(channelColumn).min(1).max(CHANNEL_IDS.length),
});
export type LogColumns = z.infer<typeof logColumns>;

const unitsOf = (id: ChannelId): readonly Unit[] => CHANNELS[id].units;

/** Words of a head in small letters; what joins them falls away. */
const wordsOf = (head: string): readonly string[] =>
  head
    .replace(/([a-z])([A-Z])/g, '$1 $2')
    .toLowerCase()
    .split(/[^a-z0-9/°%]+/)
    .filter((word) => word !== '');

const UNIT_WORDS: Readonly<Record<string, Unit>> = {
  'km/h': 'km/h',
  kmh: 'km/h',
  kph: 'km/h',
  mph: 'mph',
  'mi/h': 'mph',
  'm/s': 'm/s',
  mps: 'm/s',
  mv: 'mV',
  v: 'V',
  ma: 'mA',
  a: 'A',
  kw: 'kW',
  w: 'W',
  c: 'C',
  '°c': 'C',
  degc: 'C',
  f: 'F',
  '°f': 'F',
  degf: 'F',
  m: 'm',
  km: 'km',
  mi: 'mi',
  mile: 'mi',
  miles: 'mi',
  ft: 'ft',
  feet: 'ft',
  rpm: 'rpm',
};

type Test = (has: (...beginnings: string[]) => boolean, is: (...words: string[]) => boolean) => boolean;
const warm: Test = (has, is) => has('temp', 'wind', 'stator') || is('c', 'f', '°c', '°f', 'degc', 'degf');
const current: Test = (has, is) => has('current', 'amp') || is('a', 'ma', 'i');

/** By which words of its head a column is known; the first that fits takes it. */
const KNOWN_BY: readonly (readonly [ChannelId, Test])[] = [
  ['latDeg', (has) => has('lat')],
  ['lonDeg', (has, is) => has('lon') || is('lng')],
  ['elevation', (has) => has('elev', 'alti', 'height') || has('ele')],
  ['cadence', (has) => has('caden') || (has('crank') && has('rpm', 'speed'))],
  ['riderW', (has, is) => has('rider', 'human', 'pedal') && (has('watt', 'power') || is('w'))],
  ['windingC', (has, is) => warm(has, is) && has('motor', 'wind', 'stator')],
  ['caseC', (has, is) => warm(has, is) && has('contr', 'mos', 'fet', 'case', 'esc')],
  ['cellsC', (has, is) => warm(has, is) && has('cell', 'batt', 'pack', 'bms')],
  ['phaseA', (has, is) => has('phase', 'motor') && current(has, is)],
  ['volts', (has, is) => has('volt') || is('v', 'mv', 'u')],
  ['amps', current],
  ['watts', (has, is) => !has('motor', 'phase') && (has('watt', 'power') || is('w', 'kw', 'p'))],
  ['speed', (has, is) => has('speed', 'velo') || is('km/h', 'kmh', 'kph', 'mph', 'm/s')],
  ['distance', (has, is) => has('dist', 'odo', 'trip') || is('km', 'mi', 'miles')],
];

/** The channel that a head most likely names. */
function channelOf(head: string): ChannelId | undefined {
  const words = wordsOf(head);
  const has = (...beginnings: string[]): boolean =>
    words.some((word) => beginnings.some((beginning) => word.startsWith(beginning)));
  const is = (...all: string[]): boolean => words.some((word) => all.includes(word));
  return KNOWN_BY.find(([, test]) => test(has, is))?.[0];
}

function unitOf(head: string, id: ChannelId): Unit {
  const units = unitsOf(id);
  // The unit stands last, or in brackets: "speed km/h" and "m of the trip (km)".
  const said = wordsOf(head)
    .map((word) => UNIT_WORDS[word])
    .findLast((unit) => unit !== undefined && units.includes(unit));
  return said ?? units[0] ?? CHANNELS[id].unit;
}

const isTime = (head: string): boolean =>
  wordsOf(head).some((word) =>
    /^(?:time|secs?|seconds?|s|ms|t|clock|elapsed|date|stamp|timestamp|datetime)$/.test(word),
  );

function timeWay(head: string, cell: string): TimeWay {
  const words = wordsOf(head);
  return firstOf<TimeWay>(
    [
      [/\d[T ]\d?\d:\d\d/.test(cell), 'date'],
      [/^\s*\d+:\d\d/.test(cell), 'clock'],
      [words.some((w) => /^(?:ms|millis|milliseconds)$/.test(w)), 'ms'],
      [words.some((w) => /^min/.test(w)), 'min'],
      // Milliseconds since 1970 have thirteen digits.
      [/^\s*\d{12,}/.test(cell), 'ms'],
    ],
    's',
  );
}

/**
 * Which columns most likely hold what, by their heads and the first row beneath; undefined where nothing tells the time, or
 * nothing else is known.
 */
export function guessLogColumns(
  heads: readonly string[],
  row: readonly string[],
  separator: LogColumns['separator'],
): LogColumns | undefined {
  const time = heads.findIndex(isTime);
  if (time < 0) return undefined;
  const channels: LogColumns['channels'] = [];
  heads.forEach((head, at) => {
    const channel = at === time ? undefined : channelOf(head);
    if (channel === undefined || channels.some((c) => c.channel === channel)) return;
    channels.push({ channel, column: at, unit: unitOf(head, channel) });
  });
  if (channels.length === 0) return undefined;
  const comma = separator !== ',' && row.some((cell) => /^\s*[+-]?\d+,\d+\s*$/.test(cell));
  return {
    separator,
    decimal: comma ? ',' : '.',
    heads: 1,
    time: { column: time, as: timeWay(heads[time] ?? '', row[time] ?? '') },
    channels,
  };
}

/** How a head of a table of ours names a channel. */
export const headOf = (id: ChannelId): string => `${CHANNELS[id].name} (${CHANNELS[id].unit})`;

const CLOCK = /^\s*(?:(\d{1,4}):)?(\d{1,3}):(\d\d(?:\.\d+)?)\s*$/;

/** A cell of the time column as seconds; NaN for none. */
function secondsOf(cell: string, as: TimeWay, decimal: string): number {
  switch (as) {
    case 'clock': {
      const [, hours = '0', minutes, seconds] = CLOCK.exec(cell.replace(decimal, '.')) ?? [];
      return minutes === undefined ? NaN : Number(hours) * 3600 + Number(minutes) * 60 + Number(seconds);
    }
    case 'date': {
      const text = cell.trim();
      // A date of another form is read otherwise in other countries.
      return /^\d{4}-\d\d-\d\d[T ]\d\d:\d\d/.test(text) ? Date.parse(text.replace(' ', 'T')) / 1000 : NaN;
    }
    case 's':
      return numberOf(cell, decimal);
    case 'ms':
      return numberOf(cell, decimal) / 1000;
    case 'min':
      return numberOf(cell, decimal) * 60;
  }
}

const OTHER_BASE = /[xbo]/i;

/** A cell as a number; NaN for what is none, and for nothing. Only digits, signs, a point and a power of ten make one. */
function numberOf(cell: string, decimal: string): number {
  const value = Number(decimal === '.' ? cell : cell.replace(',', '.'));
  if (value === 0 && cell.trim() === '') return NaN;
  // "Infinity" and whole ones like "0x10" are numbers to the language, and to no logger.
  if (Number.isInteger(value)) return OTHER_BASE.test(cell) ? NaN : value;
  return Number.isFinite(value) ? value : NaN;
}

/** A column that grows as it is filled. */
class Growing<A extends Float32Array | Float64Array> {
  private values: A;
  private readonly make: (length: number) => A;
  constructor(make: (length: number) => A) {
    this.make = make;
    this.values = make(4096);
  }
  set(at: number, value: number): void {
    if (at >= this.values.length) {
      const wider = this.make(2 * this.values.length);
      wider.set(this.values);
      this.values = wider;
    }
    this.values[at] = value;
  }
  taken(length: number): A {
    return this.values.slice(0, length) as A;
  }
}

interface Filled {
  readonly id: ChannelId;
  readonly column: number;
  readonly factor: number;
  readonly offset: number;
  readonly low: number;
  readonly high: number;
  readonly name: string;
  readonly into: Growing<Float32Array | Float64Array>;
}

/** Places and distances ask for more digits than seven. */
const FINE: ReadonlySet<ChannelId> = new Set(['latDeg', 'lonDeg', 'distance']);

/** Reads rows of a table into a recording, one after the other; what is wrong with a row is told, and nothing of it taken. */
export class LogReader {
  rows = 0;
  private readonly columns: LogColumns;
  private readonly filled: readonly Filled[];
  private readonly seconds = new Growing((n) => new Float64Array(n));
  private began = NaN;
  private last = -Infinity;
  private readonly row: Float64Array;

  constructor(columns: LogColumns) {
    this.columns = columns;
    this.filled = columns.channels.map(({ channel, column: at, unit }): Filled => {
      const { unit: own, range, name } = CHANNELS[channel];
      const offset = convert(0, unit as Unit, own);
      return {
        id: channel,
        column: at,
        offset,
        factor: convert(1, unit as Unit, own) - offset,
        low: range[0],
        high: range[1],
        name,
        into: new Growing<Float32Array | Float64Array>(
          FINE.has(channel) ? (n) => new Float64Array(n) : (n) => new Float32Array(n),
        ),
      };
    });
    this.row = new Float64Array(this.filled.length);
  }

  /** Takes a row, or says why it cannot be taken. */
  take(cells: readonly string[]): string | undefined {
    const { time, decimal } = this.columns;
    const at = secondsOf(cells[time.column] ?? '', time.as, decimal);
    if (Number.isNaN(at)) return `no time in "${shortened(cells[time.column])}"`;
    if (at < this.last) return 'its time runs backwards';
    if (this.rows >= MOST_ROWS) return `more than ${String(MOST_ROWS)} rows`;
    for (let i = 0; i < this.filled.length; i += 1) {
      const one = this.filled[i];
      if (one === undefined) continue;
      const cell = cells[one.column] ?? '';
      const read = numberOf(cell, decimal);
      if (Number.isNaN(read) && cell.trim() !== '') return `${one.name}: "${shortened(cell)}" is no number`;
      const value = read * one.factor + one.offset;
      if (value < one.low || value > one.high)
        return `${one.name}: ${shortened(cell)} is beyond what there is`;
      this.row[i] = value;
    }
    if (this.rows === 0) this.began = at;
    this.last = at;
    this.seconds.set(this.rows, at - this.began);
    for (let i = 0; i < this.filled.length; i += 1) this.filled[i]?.into.set(this.rows, this.row[i] ?? NaN);
    this.rows += 1;
    return undefined;
  }

  finish(): Recording {
    return {
      seconds: this.seconds.taken(this.rows),
      columns: Object.fromEntries(this.filled.map(({ id, into }) => [id, into.taken(this.rows)])),
    };
  }
}

const shortened = (cell: string | undefined): string => (cell ?? '').slice(0, 40);
