import type { BuildDocument } from '../document/document.ts';
import { withValue } from '../document/quantity-at.ts';
import { wayOf, type Way } from '../ride/corners.ts';
import { lazily } from '../quantity/lazily.ts';

/** The standard atmosphere's temperature at sea level, C. ISO 2533. */
const STANDARD_C = 15;

/** A tyre that is pumped as it should be, % of the right pressure. */
const PUMPED_PCT = 100;

/** Tyres that somebody has found softer than they should be. */
const isSoft = ({ donor: { pressurePct } }: BuildDocument): boolean =>
  pressurePct.source !== 'unknown' && pressurePct.value < PUMPED_PCT;

/** No colder than the standard atmosphere, its packs included, on tyres no softer than they should be. */
function warmed(build: BuildDocument, airC: number): BuildDocument {
  const [first, ...rest] = build.packs;
  type Pack = typeof first;
  const thawed = (pack: Pack): Pack =>
    pack.startC.source !== 'unknown' && pack.startC.value < STANDARD_C
      ? { ...pack, startC: { source: 'unknown' } }
      : pack;
  const packs: BuildDocument = { ...build, packs: [thawed(first), ...rest.map(thawed)] };
  const warm = airC < STANDARD_C ? withValue(packs, 'brief.temperatureC', STANDARD_C) : packs;
  return isSoft(build) ? withValue(warm, 'donor.pressurePct', PUMPED_PCT) : warm;
}

/**
 * The way as it is on a day no colder than the standard atmosphere's. Dense air, stiff tyres and cold cells make a machine slower
 * than it can be: the weather of the brief is no property of it, nor is a pump that nobody fetched; no class is met by a frost.
 */
export function inFairWeather(way: Way): Way {
  const { known, build } = way;
  const airC = known.brief.temperatureC.value;
  if (!isSoft(build) && airC >= STANDARD_C && known.packs.every(({ startC }) => startC.value >= STANDARD_C))
    return way;
  const fair = wayOf(warmed(build, airC));
  return lazily<Way>({
    build: () => fair.build,
    known: () => fair.known,
    used: () => way.used,
    // Gears that the way has beside those of its document are kept.
    machine: () => {
      const { gears, anyRatio } = way.machine;
      return { ...fair.machine, gears, ...(anyRatio === undefined ? {} : { anyRatio }) };
    },
  });
}
