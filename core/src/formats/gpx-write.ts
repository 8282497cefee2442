import { metresPerDegree } from '../route/geodesy.ts';
import { routeLengthM } from '../route/profile.ts';
import { placesAlong } from '../route/recorded.ts';
import type { Route } from '../route/route.ts';

const ESCAPES: Readonly<Record<string, string>> = {
  '&': '&amp;',
  '<': '&lt;',
  '>': '&gt;',
  '"': '&quot;',
  "'": '&apos;',
};
/** Characters that XML 1.0 does not know: controls but tab and line ends, and two that are none. */
const isXml = (character: string): boolean => {
  const code = character.codePointAt(0) ?? 0;
  return code >= 0x20 ? code !== 0xfffe && code !== 0xffff : code === 9 || code === 10 || code === 13;
};
/** Text for XML 1.0: marks escaped, and characters that XML does not know left out. */
const escaped = (text: string): string =>
  Array.from(text)
    .filter(isXml)
    .join('')
    .replace(/[&<>"']/g, (c) => ESCAPES[c] ?? c);

/** A drawn route has no place on the earth: it is laid out from 0, 0 by its bearings, eastwards where it has none. */
function laidOut({ profile }: Route): readonly { latDeg: number; lonDeg: number }[] {
  const per = metresPerDegree(0);
  let [north, east] = [0, 0];
  return profile.map((point, i) => {
    const before = profile[i - 1];
    if (before !== undefined) {
      const road = point.distanceM - before.distanceM;
      // Along the ground, so that reading it back gives the same length of road.
      const ground = Math.sqrt(Math.max(0, road ** 2 - (point.elevationM - before.elevationM) ** 2));
      const angle = ((before.bearingDeg ?? 90) * Math.PI) / 180;
      north += ground * Math.cos(angle);
      east += ground * Math.sin(angle);
    }
    return { latDeg: north / per.lat, lonDeg: east / per.lon };
  });
}

/** A route as GPX 1.1: its profile as one track, at its recorded places or laid out from 0, 0. */
export function writeGpx(route: Route): string {
  const length = routeLengthM(route);
  const places =
    route.recorded === null
      ? laidOut(route)
      : placesAlong(
          route.recorded,
          route.profile.map((p) => p.distanceM / length),
        );
  const points = route.profile.map((point, i) => {
    const { latDeg = 0, lonDeg = 0 } = places[i] ?? {};
    return `      <trkpt lat="${latDeg.toFixed(7)}" lon="${lonDeg.toFixed(7)}"><ele>${point.elevationM.toFixed(2)}</ele></trkpt>`;
  });
  const note = route.recorded === null ? 'Drawn, not recorded: laid out from 0, 0. ' : '';
  return [
    '<?xml version="1.0" encoding="UTF-8"?>',
    '<gpx version="1.1" creator="Apple Cart" xmlns="http://www.topografix.com/GPX/1/1">',
    '  <trk>',
    `    <name>${escaped(route.name)}</name>`,
    `    <desc>${escaped(note + route.note)}</desc>`,
    '    <trkseg>',
    ...points,
    '    </trkseg>',
    '  </trk>',
    '</gpx>',
    '',
  ].join('\n');
}
