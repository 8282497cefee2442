import type { RideKind, RideReading, Truth } from '@apple-cart/core';

/** A ride of the demo: what was ridden, by which sample build, and what of it was written down. All invented, all simulated. */
export interface RidePlan {
  readonly build: string;
  readonly key: string;
  readonly kind: RideKind;
  readonly on: string;
  readonly title: string;
  readonly route: string;
  readonly who: string;
  readonly note: string;
  /** Kept with its recording; else only the readings named here were written down, as a display shows them. */
  readonly read: 'recorded' | readonly RideReading[];
  readonly seed: number;
  readonly airC: number;
  /** null where nobody noted it. */
  readonly windMs: number | null;
  readonly loadKg: number | null;
  readonly effort: 'cruise' | 'full';
  readonly standsS: number;
  /** Where somebody stood and read the volts and the gauge, of five bars, km. */
  readonly stopsKm?: readonly number[];
}

/**
 * What the machines really are where the plan has it otherwise, as factors: the longtail's boxes catch more wind than was thought,
 * its tyres roll a little worse and its motor keeps its heat; the others are as planned.
 */
export const DEMO_TRUTH: Readonly<Record<string, Truth>> = {
  '0412-orchard-longtail': {
    'donor.cdaM2': 1.13,
    'donor.crr': 1.07,
    'drive.coolStillWK': 0.88,
    'drive.coolMovingWK': 0.88,
  },
};

const longtail = {
  build: '0412-orchard-longtail',
  loadKg: 75,
  effort: 'cruise',
  standsS: 0,
  note: '',
} as const;
const tandem = { build: '0417-choir-tandem', effort: 'cruise', standsS: 0, note: '', loadKg: null } as const;
const trike = {
  build: '0421-tide-flat-trike',
  effort: 'cruise',
  standsS: 0,
  note: '',
  loadKg: null,
} as const;
const DISPLAY: readonly RideReading[] = ['distanceKm', 'minutes', 'energyWh'];

/** Twelve rides over three jobs. The days stand against the Monday that the samples are written against. */
export const RIDE_PLANS: readonly RidePlan[] = [
  {
    ...longtail,
    key: 'demo-ride-01',
    kind: 'everyday',
    on: '2026-02-16',
    title: 'First ride, orchard lanes',
    route: 'orchard-lanes',
    who: 'R. Quince',
    note: 'left brake squeals; rack bolt tightened',
    read: DISPLAY,
    seed: 11,
    airC: 6,
    windMs: 0,
  },
  {
    ...longtail,
    key: 'demo-ride-02',
    kind: 'everyday',
    on: '2026-02-18',
    title: 'Market run, half loaded',
    route: 'market-run',
    who: 'L. Ladder',
    loadKg: 30,
    read: DISPLAY,
    seed: 12,
    airC: 5,
    windMs: null,
  },
  {
    ...longtail,
    key: 'demo-ride-03',
    kind: 'coast-down',
    on: '2026-02-19',
    title: 'Airfield road, ten runs',
    route: '',
    who: 'R. Quince',
    loadKg: null,
    read: 'recorded',
    seed: 13,
    airC: 7,
    windMs: 0,
  },
  {
    ...longtail,
    key: 'demo-ride-04',
    kind: 'top-speed',
    on: '2026-02-21',
    title: 'Airfield road, both ways',
    route: '',
    who: 'R. Quince',
    loadKg: null,
    read: ['topKmh'],
    seed: 14,
    airC: 8,
    windMs: 0,
  },
  {
    ...longtail,
    key: 'demo-ride-05',
    kind: 'hill',
    on: '2026-02-21',
    title: 'Crate Lane',
    route: 'crate-lane',
    who: 'R. Quince',
    effort: 'full',
    read: 'recorded',
    seed: 15,
    airC: 8,
    windMs: 0,
  },
  {
    ...longtail,
    key: 'demo-ride-06',
    kind: 'heat',
    on: '2026-02-24',
    title: 'Crate Lane, then standing',
    route: 'crate-lane',
    who: 'R. Quince',
    effort: 'full',
    standsS: 1200,
    read: 'recorded',
    seed: 16,
    airC: 9,
    windMs: 0,
  },
  {
    ...longtail,
    key: 'demo-ride-07',
    kind: 'everyday',
    on: '2026-02-26',
    title: 'Press house and back',
    route: 'orchard-lanes',
    who: 'L. Ladder',
    loadKg: 40,
    read: 'recorded',
    seed: 17,
    airC: 10,
    windMs: 1,
  },
  {
    ...longtail,
    standsS: 90,
    key: 'demo-ride-08',
    kind: 'range',
    on: '2026-02-28',
    title: 'Market run and back',
    stopsKm: [4, 9, 14, 18],
    route: 'market-run',
    who: 'R. Quince',
    read: 'recorded',
    seed: 18,
    airC: 11,
    windMs: 1,
  },
  {
    ...tandem,
    key: 'demo-ride-09',
    kind: 'everyday',
    on: '2026-02-22',
    title: 'To evensong',
    route: 'market-run',
    who: 'L. Ladder',
    read: [...DISPLAY, 'backWh'],
    seed: 19,
    airC: 7,
    windMs: 1,
  },
  {
    ...tandem,
    standsS: 90,
    key: 'demo-ride-10',
    kind: 'range',
    on: '2026-02-27',
    title: 'Market run with the choir books',
    route: 'market-run',
    who: 'L. Ladder',
    read: 'recorded',
    seed: 20,
    airC: 10,
    windMs: 0,
  },
  {
    ...trike,
    key: 'demo-ride-11',
    kind: 'everyday',
    on: '2026-02-23',
    title: 'Along the sea bank',
    route: 'sea-bank',
    who: 'R. Quince',
    read: DISPLAY,
    seed: 21,
    airC: 5,
    windMs: 0,
  },
  {
    ...trike,
    key: 'demo-ride-12',
    kind: 'everyday',
    on: '2026-02-25',
    title: 'Causeway at low water',
    route: 'tide-causeway',
    who: 'R. Quince',
    note: 'wet sand on the last stretch',
    read: DISPLAY,
    seed: 22,
    airC: 4,
    windMs: null,
  },
];
