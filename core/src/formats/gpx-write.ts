import { metresPerDegree } from '../route/geodesy.ts';
import { groundOf, routeLengthM } from '../route/profile.ts';
import { lengthIssue } from '../route/read-route.ts';
import { placesAlong, rawTrack } from '../route/recorded.ts';
import type { Route } from '../route/route.ts';

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&apos;',
};
/** Characters that XML 1.0 knows: no controls but tab and line ends, no halves of pairs, and not the two that are none. */
const isXml = (character: string): boolean => {
  const code = character.codePointAt(0) ?? 0;
  const half = code >= 0xd800 && code <= 0xdfff;
  if (code >= 0x20) return !half && code !== 0xfffe && code !== 0xffff;
  return code === 9 || code === 10 || code === 13;
};
/** Text for XML 1.0: marks escaped, and characters that XML does not know left out. */
const escaped = (text: string): string =>
  Array.from(text)
    .filter(isXml)
    .join('')
    .replace(/[&<>"']/g, (c) => ESCAPES[c] ?? c);

/** A drawn route has no place on the earth: it is laid out from 0, 0 by its bearings, eastwards where it has none. */
function laidOut({ profile }: Route): readonly { latDeg: number; lonDeg: number }[] {
  let [latDeg, lonDeg] = [0, 0];
  return profile.map((point, i) => {
    const before = profile[i - 1];
    if (before !== undefined) {
      const road = point.distanceM - before.distanceM;
      // Along the ground, so that reading it back gives the same length of road.
      const ground = groundOf(road, point.elevationM - before.elevationM);
      const angle = ((before.bearingDeg ?? 90) * Math.PI) / 180;
      const from = latDeg;
      latDeg += (ground * Math.cos(angle)) / metresPerDegree(from).lat;
      lonDeg += (ground * Math.sin(angle)) / metresPerDegree((from + latDeg) / 2).lon;
    }
    return { latDeg, lonDeg };
  });
}

/** A route as GPX 1.1: its profile as one track, at its recorded places or laid out from 0, 0. */
export function writeGpx(route: Route): string {
  const length = routeLengthM(route);
  const { recorded } = route;
  const drawn = recorded === null || lengthIssue(rawTrack(recorded).distanceM.at(-1) ?? 0) !== undefined;
  const places = drawn
    ? laidOut(route)
    : placesAlong(
        recorded,
        route.profile.map((p) => p.distanceM / length),
      );
  const note = drawn ? 'Drawn, not recorded: laid out from 0, 0. ' : '';
  return trackText(
    route.name,
    note + route.note,
    route.profile.map(({ elevationM }, i) => ({ latDeg: 0, lonDeg: 0, ...places[i], elevationM })),
  );
}

/** A point of a track; with the time at which it was passed, ISO 8601, where it was recorded. */
export interface TrackPoint {
  readonly latDeg: number;
  readonly lonDeg: number;
  /** NaN for none. */
  readonly elevationM: number;
  readonly time?: string;
}

/** One track as GPX 1.1. */
export const trackText = (name: string, note: string, points: readonly TrackPoint[]): string =>
  [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<gpx version="1.1" creator="Apple Cart" xmlns="http://www.topografix.com/GPX/1/1">',
    '  <trk>',
    `    <name>${escaped(name)}</name>`,
    `    <desc>${escaped(note)}</desc>`,
    '    <trkseg>',
    ...points.map(({ latDeg, lonDeg, elevationM, time }) => {
      const height = Number.isNaN(elevationM) ? '' : `<ele>${elevationM.toFixed(2)}</ele>`;
      const when = time === undefined ? '' : `<time>${time}</time>`;
      return `      <trkpt lat="${latDeg.toFixed(7)}" lon="${lonDeg.toFixed(7)}">${height}${when}</trkpt>`;
    }),
    '    </trkseg>',
    '  </trk>',
    '</gpx>',
    '',
  ].join('\n');
