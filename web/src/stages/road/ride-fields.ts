import {
  NOTHING_READ,
  type RideKind,
  type RideReading,
  type RideRecord,
  type UnitSystem,
} from '@apple-cart/core';
import { numberIn, numberText, type NumberField } from './number-in.ts';
import { gaugeOfTyped, hasWay, wayFrom, wayTyped } from './way-fields.ts';
import { today } from '../../state/today.ts';
import type { RideTyped } from '../../state/ride-typed.ts';

/** The readings that are typed, with their bounds in their own unit. */
export const RIDE_FIELDS: Readonly<Partial<Record<RideReading, NumberField>>> = {
  distanceKm: { name: 'Distance', unit: 'km', min: 0.01, max: 2000 },
  minutes: { name: 'Time, moving', unit: 'min', min: 0.1, max: 6000 },
  energyWh: { name: 'Energy, from the display', unit: 'Wh', min: 0, max: 100_000 },
  backWh: { name: 'Back by braking', unit: 'Wh', min: 0, max: 100_000 },
  chargeAh: { name: 'Amp-hours taken', unit: 'Ah', min: 0, max: 2000 },
  voltsBefore: { name: 'Volts before, at rest', unit: 'V', min: 5, max: 150 },
  voltsAfter: { name: 'Volts after, at rest', unit: 'V', min: 5, max: 150 },
  topKmh: { name: 'Top speed', unit: 'km/h', min: 1, max: 150 },
  runInKmh: { name: 'Speed at the foot', unit: 'km/h', min: 0, max: 80 },
  hottestC: { name: 'Hottest winding', unit: 'C', min: -30, max: 300 },
  riderW: { name: 'Rider, mean while pedalling', unit: 'W', min: 0, max: 1000 },
  loadKg: { name: 'Load carried', unit: 'kg', min: 0, max: 500 },
  airC: { name: 'Air', unit: 'C', min: -40, max: 55 },
  windFromDeg: { name: 'Wind comes from', unit: 'deg', min: 0, max: 360 },
};

/** What is asked of a kind, in the order in which it is read off. */
export const ASKED: Readonly<Record<RideKind, readonly RideReading[]>> = {
  everyday: ['distanceKm', 'minutes', 'energyWh', 'backWh', 'voltsBefore', 'voltsAfter', 'loadKg', 'airC'],
  range: [
    'distanceKm',
    'minutes',
    'voltsBefore',
    'voltsAfter',
    'energyWh',
    'backWh',
    'chargeAh',
    'loadKg',
    'airC',
  ],
  hill: ['minutes', 'runInKmh', 'distanceKm', 'voltsBefore', 'energyWh', 'hottestC', 'loadKg', 'airC'],
  'top-speed': ['topKmh', 'voltsBefore', 'loadKg', 'airC'],
  heat: ['minutes', 'runInKmh', 'distanceKm', 'hottestC', 'energyWh', 'loadKg', 'airC'],
  'coast-down': ['loadKg', 'airC'],
};

/** How strong a wind is called, m/s as the rider feels it. Common practice, no source. */
export const WINDS = [
  { name: 'still', ms: 0 },
  { name: 'light', ms: 2 },
  { name: 'fresh', ms: 5 },
  { name: 'strong', ms: 9 },
] as const;

export const NOTHING_TYPED = (): RideTyped => ({
  kind: 'everyday',
  on: today(),
  title: '',
  route: '',
  readings: {},
  ground: 'dry',
  pedalled: 'yes',
  level: null,
  toldBy: 'unknown',
  way: [],
  gaugeOf: '',
  note: '',
  noticed: [],
});

/** A reading as typed, with comma or point, in its own unit; null for nothing, undefined for what is none or beyond. */
export function readingOf(
  id: RideReading,
  text: string | undefined,
  system: UnitSystem,
): number | null | undefined {
  const field = id === 'windMs' ? WIND : RIDE_FIELDS[id];
  return field === undefined ? undefined : numberIn(field, text ?? '', system);
}

/** The wind is chosen in words, and kept in its own unit whatever the reader's. */
const WIND: NumberField = { name: 'Wind', unit: '1', min: 0, max: 40 };

/** A ride as it is typed; readings that cannot be read count as not read. */
export function rideFrom(
  typed: RideTyped,
  {
    planVersion,
    who,
    corrects,
    was,
  }: {
    planVersion: number;
    who: string;
    corrects: string | null;
    /** The ride that is put right: what of its recording counts stays, and that a stand-in rode it. */
    was?: Pick<RideRecord, 'cutFromS' | 'cutToS' | 'simulated'> | undefined;
  },
  system: UnitSystem,
): RideRecord {
  const readings = Object.fromEntries(
    (Object.keys(NOTHING_READ) as RideReading[]).map((id) => [
      id,
      readingOf(id, typed.readings[id], system) ?? null,
    ]),
  ) as Record<RideReading, number | null>;
  const { kind, on, title, route, ground, pedalled, level, toldBy, way, gaugeOf, note, noticed } = typed;
  return {
    kind,
    on,
    title: title.trim(),
    route,
    planVersion,
    ...readings,
    ground,
    pedalled,
    level,
    toldBy,
    way: hasWay(kind) ? wayFrom(way, system) : [],
    gaugeOf: hasWay(kind) ? (gaugeOfTyped(gaugeOf) ?? null) : null,
    note: note.trim(),
    noticed: [...noticed],
    who,
    cutFromS: was?.cutFromS ?? null,
    cutToS: was?.cutToS ?? null,
    simulated: was?.simulated ?? false,
    corrects,
    withdrawn: false,
  };
}

/** A ride as text again, to be put right. */
export function typedFrom(ride: RideRecord, system: UnitSystem): RideTyped {
  const text = (id: RideReading): string => numberText(ride[id], RIDE_FIELDS[id]?.unit ?? '1', system);
  const { kind, on, title, route, ground, pedalled, level, toldBy, note, noticed } = ride;
  return {
    kind,
    on,
    title,
    route,
    ground,
    pedalled,
    level,
    toldBy,
    way: wayTyped(ride.way, system),
    gaugeOf: ride.gaugeOf === null ? '' : String(ride.gaugeOf),
    note,
    noticed,
    readings: Object.fromEntries(
      (Object.keys(NOTHING_READ) as RideReading[])
        .map((id): readonly [RideReading, string] => [id, text(id)])
        .filter(([, t]) => t !== ''),
    ),
  };
}
