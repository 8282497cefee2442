import { SaxesParser } from 'saxes';
import { clipped } from '../quantity/clipped.ts';
import { MOST_POINTS } from '../route/route.ts';
import type { Positions } from '../route/recorded.ts';
import { fail, ok, type Issue, type Result } from '../quantity/result.ts';

/** A recorded or planned way out of a GPX file. */
export interface GpxWay {
  /** When each point was passed, seconds since 1970; NaN where the file does not say. */
  readonly seconds: readonly number[];
  readonly name: string;
  readonly positions: Positions;
  /** Points that had a position but no elevation: their neighbours' was used. */
  readonly withoutElevation: number;
}

/** Larger than this is no ride, characters. */
const MOST_CHARACTERS = 20_000_000;
/** Deeper than this no element of a GPX file stands, with room for extensions. */
const DEEPEST = 32;
/** A number or a name is no longer, characters. */
const LONGEST = 1000;
const POINT = new Set(['trkpt', 'rtept']);

/** Ends the parse at the first thing that is not right. */
class Refused extends Error {
  readonly issue: Issue;
  constructor(issue: Issue) {
    super(issue.limit);
    this.issue = issue;
  }
}

/** No two parts of it can take the same digits: its time grows with the text's length only. */
const DECIMAL = /^\s*[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?\s*$/i;

/** A plain decimal number; "NaN", "1e400" and empty text are none. */
function decimal(text: string): number | undefined {
  const value = text.length <= LONGEST && DECIMAL.test(text) ? Number(text) : NaN;
  return Number.isFinite(value) ? value : undefined;
}

interface Reading {
  name: string;
  readonly latDeg: number[];
  readonly lonDeg: number[];
  /** NaN where a point has none. */
  readonly elevationM: number[];
  /** Seconds since 1970; NaN where a point has none. */
  readonly seconds: number[];
}

/** Walks the file once: points of tracks and routes in their order, segments joined. */
function walk(text: string): Reading {
  const parser = new SaxesParser({ xmlns: true, position: true });
  const out: Reading = { name: '', latDeg: [], lonDeg: [], elevationM: [], seconds: [] };
  const open: string[] = [];
  let content = '';
  const at = (): string => `line ${String(parser.line)}`;
  const refuse = (code: Issue['code'], actual: unknown, limit: string): never => {
    throw new Refused({ code, path: at(), actual, limit });
  };
  const number = (text_: string | undefined, name: string, low: number, high: number): number => {
    const value = text_ === undefined ? undefined : decimal(text_);
    if (value === undefined) return refuse('type', text_, `a number for ${name}`);
    if (value < low || value > high)
      return refuse('range', value, `${name} from ${String(low)} to ${String(high)}`);
    return value;
  };
  parser.on('doctype', () =>
    refuse('xml', '<!DOCTYPE', 'a file without a document type: entities are not read'),
  );
  parser.on('error', (error) => {
    // The parser's message begins with line and column, which stand in the path already.
    refuse('xml', text.slice(0, 40), `well-formed XML (${error.message.replace(/^[\d:]+\s*/, '')})`);
  });
  parser.on('opentag', (tag) => {
    if (open.length === 0 && tag.local !== 'gpx') refuse('xml', `<${tag.local}>`, 'a GPX file');
    if (open.length >= DEEPEST)
      refuse('size', open.length + 1, `at most ${String(DEEPEST)} elements inside one another`);
    open.push(tag.local);
    content = '';
    if (!POINT.has(tag.local)) return;
    if (out.latDeg.length >= MOST_POINTS)
      refuse('range', MOST_POINTS + 1, `at most ${String(MOST_POINTS)} points`);
    out.latDeg.push(number(tag.attributes['lat']?.value, 'lat', -90, 90));
    out.lonDeg.push(number(tag.attributes['lon']?.value, 'lon', -180, 180));
    out.elevationM.push(NaN);
    out.seconds.push(NaN);
  });
  const collect = (more: string): void => {
    // Only short contents are asked for: a name, or a number.
    if (content.length <= LONGEST) content += more.slice(0, LONGEST + 1);
  };
  parser.on('text', collect);
  parser.on('cdata', collect);
  parser.on('closetag', (tag) => {
    open.pop();
    const inside = open.at(-1) ?? '';
    if (tag.local === 'ele' && POINT.has(inside))
      out.elevationM[out.elevationM.length - 1] = number(content, 'ele', -500, 9000);
    if (tag.local === 'time' && POINT.has(inside)) {
      // A road needs no times: one that is none is left out here, and told where a ride is asked for.
      if (/^\s*\d{4}-\d\d-\d\dT/.test(content))
        out.seconds[out.seconds.length - 1] = Date.parse(content.trim()) / 1000;
    }
    if (tag.local === 'name' && (inside === 'trk' || inside === 'rte' || inside === 'metadata'))
      out.name ||= content.trim();
    content = '';
  });
  parser.write(text).close();
  return out;
}

/** Fills missing elevations with the nearest ones before, or after at the beginning. */
function filled(elevations: readonly number[]): readonly number[] {
  let last = elevations.find((e) => !Number.isNaN(e)) ?? 0;
  return elevations.map((e) => (last = Number.isNaN(e) ? last : e));
}

/**
 * Reads the tracks, or routes, of a GPX 1.1 (or 1.0) file as one way. A document type is refused, so that no
 * entity is ever expanded; so are numbers that are none, a single point, and a file without elevations.
 */
export function readGpx(text: string): Result<GpxWay> {
  if (text.length > MOST_CHARACTERS)
    return fail({
      code: 'size',
      path: '',
      actual: text.length,
      limit: `at most ${String(MOST_CHARACTERS)} characters`,
    });
  let reading: Reading;
  try {
    reading = walk(text);
  } catch (error) {
    if (error instanceof Refused) return fail(error.issue);
    throw error;
  }
  const { latDeg, lonDeg, elevationM } = reading;
  if (latDeg.length < 2)
    return fail({ code: 'missing', path: 'trkpt', actual: latDeg.length, limit: 'at least two points' });
  const missing = elevationM.filter((e) => Number.isNaN(e)).length;
  if (missing > latDeg.length / 2)
    return fail({
      code: 'missing',
      path: 'ele',
      actual: latDeg.length - missing,
      limit: 'an elevation at half of the points at least: without it no hill is known',
    });
  if (latDeg.every((lat, i) => lat === latDeg[0] && lonDeg[i] === lonDeg[0]))
    return fail({ code: 'range', path: 'trkpt', actual: 'one place', limit: 'points at different places' });
  return ok({
    name: clipped(reading.name, 80).trim(),
    positions: { latDeg, lonDeg, elevationM: [...filled(elevationM)] },
    withoutElevation: missing,
    seconds: reading.seconds,
  });
}
