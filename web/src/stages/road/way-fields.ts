import {
  BEYOND_KM,
  convert,
  firstOf,
  formatNumber,
  shownUnit,
  type RideKind,
  type UnitSystem,
  type WayReading,
} from '@apple-cart/core';
import type { RideTyped, WayTyped } from '../../state/ride-typed.ts';
import { numberIn, numberText, type NumberField } from './number-in.ts';

/** What is read at a stop on the way, in the order in which it is read off. */
export const WAY_FIELDS: Readonly<Record<keyof WayReading, NumberField>> = {
  km: { name: 'After', unit: 'km', min: 0, max: 2000 },
  restV: { name: 'At rest', unit: 'V', min: 5, max: 150 },
  gauge: { name: 'Gauge', unit: '1', min: 0, max: 100 },
  windingC: { name: 'Winding', unit: 'C', min: -30, max: 300 },
};
/** Rides on which somebody stops and reads. */
export const hasWay = (kind: RideKind): boolean => kind !== 'top-speed' && kind !== 'coast-down';
export const WAY_IDS = Object.keys(WAY_FIELDS) as (keyof WayReading)[];
export const NOTHING_ON_THE_WAY: WayTyped = { km: '', restV: '', gauge: '', windingC: '' };

/** A reading on the way as typed, in its own unit; null for nothing, undefined for what is none or beyond. */
export const wayReadingOf = (
  id: keyof WayReading,
  text: string,
  system: UnitSystem,
): number | null | undefined => numberIn(WAY_FIELDS[id], text, system);

/** What a full gauge shows, as typed: a whole number of bars, or 100; null for nothing, undefined for what is none. */
export function gaugeOfTyped(text: string): number | null | undefined {
  const value = numberIn({ name: '', unit: '1', min: 2, max: 100 }, text, 'metric');
  return value === null || value === undefined || Number.isInteger(value) ? value : undefined;
}

/**
 * What keeps the stops from being read, in words, by their place; a stop with readings needs its distance, and lies on the ride.
 * @param km how far the ride was, as it was typed
 */
export function wayTroubles(
  { kind, way, gaugeOf }: Pick<RideTyped, 'kind' | 'way' | 'gaugeOf'>,
  km: number | null | undefined,
  system: UnitSystem,
): { readonly stops: readonly (string | undefined)[]; readonly gauge: string | undefined } {
  if (!hasWay(kind)) return { stops: [], gauge: undefined };
  const stops = way.map((stop): string | undefined => {
    const read = WAY_IDS.map((id) => ({ id, value: wayReadingOf(id, stop[id], system) }));
    const bad = read.find((r) => r.value === undefined);
    if (bad !== undefined) {
      const { name, unit, min, max } = WAY_FIELDS[bad.id];
      const shown = shownUnit(unit, system);
      return `${name}: a number from ${formatNumber(convert(min, unit, shown), 0)} to ${formatNumber(convert(max, unit, shown), 0)}.`;
    }
    const [after] = read;
    if (after?.value === null || after?.value === undefined)
      return read.every((r) => r.value === null) ? undefined : 'After how far was it?';
    if (typeof km === 'number' && after.value > km + BEYOND_KM) return 'It lies beyond the end of the ride.';
    return undefined;
  });
  const [of, shows] = [gaugeOfTyped(gaugeOf), way.map((stop) => wayReadingOf('gauge', stop.gauge, system))];
  const most = Math.max(0, ...shows.flatMap((v) => (typeof v === 'number' ? [v] : [])));
  const gauge = firstOf(
    [
      [of === undefined, 'A whole number from 2 to 100: bars, or 100 for per cent.'],
      [typeof of === 'number' && most > of, 'The gauge showed more than that.'],
    ],
    undefined,
  );
  return { stops, gauge };
}

/** The stops that were read, by their distance. */
export const wayFrom = (way: readonly WayTyped[], system: UnitSystem): WayReading[] =>
  way
    .flatMap((stop): WayReading[] => {
      const of = (id: keyof WayReading): number | null => wayReadingOf(id, stop[id], system) ?? null;
      const km = of('km');
      return km === null ? [] : [{ km, restV: of('restV'), gauge: of('gauge'), windingC: of('windingC') }];
    })
    .sort((a, b) => a.km - b.km);

/** The stops as text again, to be put right. */
export const wayTyped = (way: readonly WayReading[], system: UnitSystem): WayTyped[] =>
  way.map((stop) => {
    const of = (id: keyof WayReading): string => numberText(stop[id], WAY_FIELDS[id].unit, system);
    return { km: of('km'), restV: of('restV'), gauge: of('gauge'), windingC: of('windingC') };
  });
