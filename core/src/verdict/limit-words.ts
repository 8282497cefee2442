import type { Limit } from '../machine/limits.ts';

/** The trade's name of each limit. */
export const LIMIT_WORDS: Readonly<Record<Limit | 'empty', string>> = {
  voltage: 'voltage',
  'battery-current': 'battery current',
  'pack-protection': 'pack protection',
  'low-voltage': 'low-voltage cut-off',
  'pack-power': 'the pack itself',
  'power-limit': 'power limit',
  'phase-current': 'phase current',
  'speed-limit': 'speed limit',
  'assist-ratio': 'assist ratio',
  cadence: 'cadence',
  'no-motor': 'no control for the motor',
  empty: 'an empty pack',
};
