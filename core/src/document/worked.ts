import type { Known } from './known-build.ts';

/** The known with a value worked out in place of an unknown one. */
export const worked = (known: Known, value: number): Known =>
  known.source === 'unknown' ? { ...known, value, source: 'worked' } : known;

/** The known with a value that is always worked out, whatever was entered before. */
export const workedAlways = (known: Known, value: number): Known => ({
  ...known,
  value,
  source: 'worked',
  origin: '',
});
