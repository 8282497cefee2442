/** World Geodetic System 1984, as GPX 1.1 prescribes: semi-major axis in m, and flattening (NIMA TR8350.2, 2000). */
const SEMI_MAJOR_M = 6378137;
const FLATTENING = 1 / 298.257223563;
const ECCENTRICITY_2 = FLATTENING * (2 - FLATTENING);
const RADIAN = Math.PI / 180;

/** Metres per degree of latitude and of longitude, from the radii of curvature of the ellipsoid at a latitude. */
export function metresPerDegree(latDeg: number): { readonly lat: number; readonly lon: number } {
  const sine = Math.sin(latDeg * RADIAN);
  const w = Math.sqrt(1 - ECCENTRICITY_2 * sine * sine);
  const meridian = (SEMI_MAJOR_M * (1 - ECCENTRICITY_2)) / (w * w * w);
  const primeVertical = SEMI_MAJOR_M / w;
  return { lat: meridian * RADIAN, lon: primeVertical * Math.cos(latDeg * RADIAN) * RADIAN };
}

/**
 * Distance in m and bearing in degrees of a short hop, on the plane that touches the ellipsoid at its middle.
 * Within 1e-6 of the geodesic for hops up to a few km.
 */
export function hop(
  fromLat: number,
  fromLon: number,
  toLat: number,
  toLon: number,
): { readonly metres: number; readonly bearingDeg: number } {
  const per = metresPerDegree((fromLat + toLat) / 2);
  const turn = toLon - fromLon;
  // Over the date line the short way round is meant.
  const west = turn < -180 ? turn + 360 : turn;
  const lon = turn > 180 ? turn - 360 : west;
  const [north, east] = [(toLat - fromLat) * per.lat, lon * per.lon];
  const bearing = Math.atan2(east, north) / RADIAN;
  return { metres: Math.hypot(north, east), bearingDeg: bearing < 0 ? bearing + 360 : bearing };
}
