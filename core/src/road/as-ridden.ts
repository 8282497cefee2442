import type { BuildDocument } from '../document/document.ts';
import { assemble } from '../machine/assemble.ts';
import { builtToLevel } from '../trips/at-level.ts';
import { levelSets } from '../trips/levels.ts';
import type { RideRecord } from './ride-record.ts';

/** What a display shows whose roll-out nobody has held against the true one is off by, a share. Common practice, no source. */
const DISPLAY_OFF = 0.03;

/** A ride with its true distance and speed, as far as they are known. */
export interface TrueRide {
  readonly ride: RideRecord;
  /** True for shown; null where what was typed is taken as it is. */
  readonly times: number | null;
  /** What they may be off by, a share. */
  readonly off: number;
}

/**
 * Distance and speed of a ride by what told them: of a display that Set up has held against the true speed they are put right; of
 * another one, and where nobody noted what told them, they may be off. A recording has its own.
 */
export function trueRide(
  { settings: { speed } }: Pick<BuildDocument, 'settings'>,
  ride: RideRecord,
  recorded: boolean,
): TrueRide {
  const plain = { ride, times: null, off: 0 };
  const tells = ride.distanceKm !== null || ride.topKmh !== null;
  if (recorded || !tells || ride.toldBy === 'satellite' || ride.toldBy === 'counter') return plain;
  const { shownKmh, trueKmh } = speed;
  if (ride.toldBy === 'unknown' || shownKmh === null || trueKmh === null)
    return { ...plain, off: DISPLAY_OFF };
  const times = trueKmh / shownKmh;
  const right = (value: number | null): number | null => (value === null ? null : value * times);
  return {
    ride: { ...ride, distanceKm: right(ride.distanceKm), topKmh: right(ride.topKmh) },
    times,
    off: 0,
  };
}

/**
 * The build as it was ridden at one level of help: by the pedals, with no more than that level gives. As it is where no level was
 * noted, or where it has none such.
 */
export function riddenAtLevel(build: BuildDocument, { level }: Pick<RideRecord, 'level'>): BuildDocument {
  if (level === null) return build;
  const pedalled: BuildDocument = { ...build, controls: { ...build.controls, throttle: 'none' } };
  const sets = levelSets(pedalled, assemble(pedalled))[level - 1];
  return sets === undefined ? build : builtToLevel(pedalled, { sets });
}
