import { FEATURES, type Feature, type ReadyMade } from '../../document/money-plans.ts';
import { overSpan, timesSpan, exactly, type Span } from './span.ts';

export const FEATURE_NAMES: Readonly<Record<Feature, string>> = {
  lights: 'lights from the pack',
  rack: 'a rack',
  mudguards: 'mudguards',
  display: 'a display',
  throttle: 'a throttle',
  'torque-sensor': 'help by torque',
  'walk-help': 'walk help',
  'removable-pack': 'a pack that comes off',
  regeneration: 'regeneration',
  warranty: 'a warranty on the whole',
  'service-near': 'service nearby',
  'own-repair': 'parts that you can replace yourself',
};

/** What this build is, by figures. */
export interface OwnFigures {
  /** With what is likely; undefined where no price is known. */
  readonly price: Span | undefined;
  readonly energyWh: number;
  readonly packV: number;
  readonly motorW: number | undefined;
  readonly torqueNm: number | undefined;
  readonly className: string;
  readonly massKg: number;
  readonly rangeKm: Span | undefined;
  readonly features: readonly Feature[];
}

/** One row of the comparison; null is not known. */
export interface WorthRow {
  readonly id: 'price' | 'energy' | 'volts' | 'motor' | 'torque' | 'mass' | 'range' | 'perWh' | 'perKm';
  readonly label: string;
  readonly unit: 'money' | 'Wh' | 'V' | 'W' | 'N m' | 'kg' | 'km';
  readonly ready: Span | null;
  readonly own: Span | null;
  /** Less is better. */
  readonly less: boolean;
}

export interface Comparison {
  readonly rows: readonly WorthRow[];
  readonly readyHas: readonly Feature[];
  readonly ownHas: readonly Feature[];
  readonly both: readonly Feature[];
}

const one = (value: number | null | undefined): Span | null =>
  value === null || value === undefined ? null : exactly(value);

const over = (price: Span | null, by: Span | null): Span | null =>
  price === null || by === null || by.least <= 0 ? null : overSpan(price, by);

/**
 * A build against a ready-made bicycle by the figures of both labels: price of a watt-hour and of a kilometre of range, and
 * what each has that the other has not. What is not known cannot be told.
 * @param hours the builder's own, as a cost in money; 0 counts none
 */
export function againstReadyMade(ready: ReadyMade, own: OwnFigures, hours: number): Comparison {
  const ownPrice =
    own.price === undefined ? null : { least: own.price.least + hours, most: own.price.most + hours };
  const rangeKm = own.rangeKm ?? null;
  const [price, energy, range] = [one(ready.price), one(ready.energyWh), one(ready.rangeKm)];
  const features = new Set([...own.features, ...ready.own]);
  const theirs = new Set(ready.features);
  return {
    rows: [
      { id: 'price', label: 'Price', unit: 'money', ready: price, own: ownPrice, less: true },
      { id: 'energy', label: 'Energy', unit: 'Wh', ready: energy, own: exactly(own.energyWh), less: false },
      {
        id: 'volts',
        label: 'Pack',
        unit: 'V',
        ready: one(ready.packV),
        own: exactly(own.packV),
        less: false,
      },
      { id: 'motor', label: 'Motor', unit: 'W', ready: one(ready.motorW), own: one(own.motorW), less: false },
      {
        id: 'torque',
        label: 'Torque',
        unit: 'N m',
        ready: one(ready.torqueNm),
        own: one(own.torqueNm),
        less: false,
      },
      {
        id: 'mass',
        label: 'Mass',
        unit: 'kg',
        ready: one(ready.massKg),
        own: exactly(own.massKg),
        less: true,
      },
      { id: 'range', label: 'Range, as told', unit: 'km', ready: range, own: rangeKm, less: false },
      {
        id: 'perWh',
        label: 'A watt-hour',
        unit: 'money',
        ready: over(price, energy),
        own: over(ownPrice, exactly(own.energyWh)),
        less: true,
      },
      {
        id: 'perKm',
        label: 'A kilometre of range',
        unit: 'money',
        ready: over(price, range),
        own: over(ownPrice, rangeKm),
        less: true,
      },
    ],
    readyHas: FEATURES.filter((f) => theirs.has(f) && !features.has(f)),
    ownHas: FEATURES.filter((f) => !theirs.has(f) && features.has(f)),
    both: FEATURES.filter((f) => theirs.has(f) && features.has(f)),
  };
}

/** Hours of work as money. */
export const hoursCost = (hours: number, hourly: number | null): number =>
  timesSpan(exactly(hours), hourly ?? 0).least;
