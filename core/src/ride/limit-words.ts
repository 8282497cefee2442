import type { Known, KnownBuild } from '../document/known-build.ts';
import { LIMITS, type Limit } from '../machine/limits.ts';
import type { RideEnd } from './ride.ts';
import type { Binding } from './trace.ts';

/** The trade's name of each limit. */
export const LIMIT_WORDS: Readonly<Record<Limit | 'empty', string>> = {
  voltage: 'voltage',
  'battery-current': 'battery current',
  'pack-protection': 'pack protection',
  'low-voltage': 'low-voltage cut-off',
  'pack-power': 'the pack itself',
  'power-limit': 'power limit',
  'phase-current': 'phase current',
  heat: 'heat of the motor',
  'controller-heat': 'heat of the controller',
  'speed-limit': 'speed limit',
  'throttle-limit': 'speed limit of the throttle',
  'assist-ratio': 'assist ratio',
  cadence: 'cadence',
  'no-motor': 'no control for the motor',
  empty: 'an empty pack',
};

/** What decides a step of a ride, in words. */
export const BINDING_WORDS: Readonly<Record<Binding | 'empty', string>> = {
  ...LIMIT_WORDS,
  wish: 'speed wished for',
  rolling: 'rolls freely',
  braking: 'brakes',
  standing: 'stands',
};

/** How a ride ends, in words. */
export const RIDE_END_WORDS: Readonly<Record<RideEnd, string>> = {
  arrived: 'arrives',
  stalled: 'stalls',
  'cut-off': 'low-voltage cut-off',
  'cut-out': 'the protection cuts out',
  empty: 'empty pack',
  charge: 'charge kept',
  time: 'time is up',
  hot: 'too hot',
  'never-hot': 'never too hot',
};

/** The quantity of the build that sets a limit; undefined where it follows from several. */
export function limitQuantity(
  limit: Limit,
  { controller, packs, brief, controls, drive }: KnownBuild,
): Known | undefined {
  switch (limit) {
    case 'battery-current':
      return controller.batteryCurrentA;
    case 'pack-protection':
      return packs[0].bmsCurrentA;
    case 'low-voltage':
      return controller.lowVoltageCutoffV;
    case 'power-limit':
      return controller.powerLimitW;
    case 'phase-current':
      return controller.phaseCurrentA;
    case 'heat':
      return drive.rollbackStartC;
    case 'controller-heat':
      return controller.foldStartC;
    case 'speed-limit':
      return controller.assistCutoffKmh;
    case 'throttle-limit':
      return controls.throttleCutoffKmh;
    case 'assist-ratio':
      return controls.assistRatio;
    case 'cadence':
      return brief.cadenceMaxRpm;
    case 'voltage':
      return drive.kvRpmPerV;
    case 'pack-power':
    case 'no-motor':
      return undefined;
  }
}

/** The name of everything that can bind on a build. */
export type LimitNames = Readonly<Record<Binding | 'empty', string>>;

const isAssumed = (known: Known | undefined): boolean =>
  known?.source === 'unknown' || known?.source === 'assumed';

/** Names of what can bind; one that rests on a value nobody has read or measured says so, so that no default decides in silence. */
export const limitNames = (known: KnownBuild): LimitNames => ({
  ...BINDING_WORDS,
  ...Object.fromEntries(
    LIMITS.filter((limit) => isAssumed(limitQuantity(limit, known))).map((limit) => [
      limit,
      `${LIMIT_WORDS[limit]} (assumed)`,
    ]),
  ),
});
