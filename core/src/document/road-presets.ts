import { stampedNumber } from '../quantity/stamped.ts';
import type { DonorStyle } from './choices.ts';

/** A value that is usual for something, with its standard deviation as a share of it. */
export interface Usual {
  readonly value: number;
  /** What it is usual for, in words. */
  readonly of: string;
  readonly spread: number;
}

const usual = (value: number, spreadPct: number, of: string): Usual => ({
  value,
  of,
  spread: spreadPct / 100,
});

/** Drag area by posture and machine, m2: from memory, of the kind of Wilson, Bicycling Science; valid to 70 km/h. */
export const POSTURES = {
  upright: usual(0.6, 12, 'an upright roadster'),
  'flat-bar': usual(0.52, 10, 'hands on a flat bar'),
  hoods: usual(0.42, 10, 'a drop bar, hands on the hoods'),
  drops: usual(0.35, 10, 'hands in the drops'),
  crouched: usual(0.3, 12, 'crouched on the drops'),
  'wide-bar': usual(0.56, 10, 'a wide bar, fat or mountain'),
  folding: usual(0.55, 10, 'a folding bicycle of 20 in'),
  recumbent: usual(0.28, 12, 'a bare recumbent'),
  'recumbent-bags': usual(0.36, 12, 'a recumbent with bags'),
  'low-trike': usual(0.33, 12, 'a low trike'),
  'tandem-upright': usual(0.72, 12, 'a tandem, upright'),
  'tandem-drops': usual(0.48, 12, 'a tandem on drop bars'),
  longtail: usual(0.6, 12, 'a longtail, empty'),
  'longtail-children': usual(0.75, 12, 'a longtail with two children'),
  'front-box': usual(0.8, 15, 'a box in front'),
  'front-box-tent': usual(0.95, 15, 'a box in front with its tent'),
  'load-trike': usual(0.95, 15, 'an upright load trike'),
  'four-wheels': usual(1.3, 20, 'four wheels, open'),
  'four-wheels-roof': usual(1.6, 20, 'four wheels with a roof'),
  'four-wheels-closed': usual(2.1, 20, 'four wheels with roof and side curtains'),
} as const satisfies Record<string, Usual>;
export type Posture = keyof typeof POSTURES;
export const POSTURE_NAMES = Object.keys(POSTURES) as [Posture, ...Posture[]];

/** What bags and covers add to the drag area, m2. From memory. */
export const DRAG_ADDS = {
  'rear-bags': { value: 0.03, of: 'rear bags' },
  'front-bags': { value: 0.04, of: 'front bags' },
  'bar-bag': { value: 0.01, of: 'a bar bag' },
  'rack-box': { value: 0.02, of: 'a box on the carrier' },
  'child-seat': { value: 0.05, of: 'a child seat' },
  cape: { value: 0.12, of: 'a cape or windscreen' },
} as const;
export type DragAdd = keyof typeof DRAG_ADDS;
export const DRAG_ADD_NAMES = Object.keys(DRAG_ADDS) as [DragAdd, ...DragAdd[]];

const TYRE_SPREAD = 15;

/**
 * Rolling coefficient on smooth paving at 20 C and the right pressure, by kind of tyre. From memory. `on622` is stated
 * for a wheel of 622 mm and grows on a smaller one; the others are of their own wheel.
 */
export const TYRES = {
  road: { ...usual(0.005, TYRE_SPREAD, 'a road tyre of 28 mm'), on622: true },
  tourer: { ...usual(0.0065, TYRE_SPREAD, 'a touring tyre of 35 mm'), on622: true },
  belted: { ...usual(0.008, TYRE_SPREAD, 'a tyre of 42 to 50 mm with a puncture belt'), on622: true },
  airless: { ...usual(0.012, TYRE_SPREAD, 'an airless tyre'), on622: true },
  slick: { ...usual(0.008, TYRE_SPREAD, 'a mountain tyre without knobs'), on622: true },
  knobby: { ...usual(0.011, TYRE_SPREAD, 'a knobby mountain tyre'), on622: true },
  fat: { ...usual(0.014, TYRE_SPREAD, 'a fat tyre at 1 bar'), on622: false },
  'fat-soft': { ...usual(0.02, TYRE_SPREAD, 'a fat tyre at half a bar'), on622: false },
  'small-20': { ...usual(0.009, TYRE_SPREAD, 'a 20 in tyre of 50 mm'), on622: false },
  'small-16': { ...usual(0.011, TYRE_SPREAD, 'a 16 in tyre'), on622: false },
  moped: { ...usual(0.014, TYRE_SPREAD, 'a moped tyre'), on622: false },
  carriage: { ...usual(0.011, TYRE_SPREAD, 'a carriage tyre'), on622: false },
  cast: { ...usual(0.018, TYRE_SPREAD, 'a cast wheel'), on622: false },
} as const satisfies Record<string, Usual & { readonly on622: boolean }>;
export type TyreKind = keyof typeof TYRES;
export const TYRE_NAMES = Object.keys(TYRES) as [TyreKind, ...TyreKind[]];

/** A smaller wheel of the same tyre rolls harder: ((622 + 2w)/(bead + 2w))^0.7. From memory; 406 at 40 mm gives 1.29. */
export const smallWheel = (beadMm: number, tyreMm: number): number =>
  Math.pow((622 + 2 * tyreMm) / (beadMm + 2 * tyreMm), 0.7);

/** Where nothing is said of posture and tyre: usual for the style, from memory. */
const STYLE: Readonly<Record<DonorStyle, { readonly cdaM2: number; readonly crr: number }>> = {
  diamond: { cdaM2: 0.55, crr: 0.008 },
  'step-through': { cdaM2: 0.55, crr: 0.008 },
  'small-wheel': { cdaM2: 0.55, crr: 0.009 },
  fat: { cdaM2: 0.55, crr: 0.013 },
  folding: { cdaM2: 0.55, crr: 0.009 },
  'full-suspension': { cdaM2: 0.5, crr: 0.011 },
  recumbent: { cdaM2: 0.28, crr: 0.0065 },
  tandem: { cdaM2: 0.65, crr: 0.007 },
  longtail: { cdaM2: 0.7, crr: 0.009 },
  trike: { cdaM2: 0.9, crr: 0.01 },
  carriage: { cdaM2: 1.6, crr: 0.01 },
};
/** A style says little of how one sits on it, and less of its tyres. */
const STYLE_SPREAD = { cdaM2: 15, crr: 20 } as const;

/** What is known of how the machine meets road and air. */
export interface RoadAsked {
  readonly style: DonorStyle;
  readonly posture: Posture | 'unknown';
  readonly carries: readonly DragAdd[];
  readonly tyre: TyreKind | 'unknown';
  readonly beadMm: number;
  readonly tyreMm: number;
}

/** Drag area usual for posture and bags, m2. */
export function usualDrag({ style, posture, carries }: RoadAsked): Usual {
  const base =
    posture === 'unknown'
      ? usual(STYLE[style].cdaM2, STYLE_SPREAD.cdaM2, 'the style; how one sits would tell more')
      : POSTURES[posture];
  const adds = carries.map((one) => DRAG_ADDS[one]);
  if (adds.length === 0) return base;
  return {
    value: adds.reduce((sum, add) => sum + add.value, base.value),
    of: [base.of, ...adds.map((add) => add.of)].join(', '),
    spread: base.spread,
  };
}

/** Rolling coefficient usual for the tyre, on smooth paving at 20 C. */
export function usualRolling({ style, tyre, beadMm, tyreMm }: RoadAsked): Usual {
  if (tyre === 'unknown')
    return usual(STYLE[style].crr, STYLE_SPREAD.crr, 'the style; the kind of tyre would tell more');
  const { value, of, spread, on622 } = TYRES[tyre];
  if (!on622 || beadMm >= 622) return { value, of, spread };
  return {
    value: value * smallWheel(beadMm, tyreMm),
    of: `${of}, on a wheel of ${stampedNumber(beadMm)} mm`,
    spread,
  };
}

/** Trailers: drag area behind a rider, m2, and its standard deviation of a quarter. From memory. */
export const TRAILERS = {
  'one-wheel': usual(0.1, 25, 'a trailer on one wheel'),
  child: usual(0.2, 25, 'a child trailer'),
  box: usual(0.35, 25, 'a tall box trailer'),
} as const satisfies Record<string, Usual>;
export type TrailerKind = keyof typeof TRAILERS;
export const TRAILER_NAMES = Object.keys(TRAILERS) as [TrailerKind, ...TrailerKind[]];
