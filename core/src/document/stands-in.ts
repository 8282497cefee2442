import type { Known, KnownBuild } from './known-build.ts';
import { motorDecided } from './motor-decided.ts';

/** Volts of the packs of which neither label nor cells were read: nothing is told by them. */
export const unlabelled = ({ packs }: KnownBuild): readonly Known[] =>
  packs
    .filter(
      ({ nominalV, cellsInSeries }) => nominalV.source === 'unknown' && cellsInSeries.source === 'unknown',
    )
    .map(({ nominalV }) => nominalV);

/** What drives a build of which nobody has chosen or read the motor, or the volts; empty where both are decided. */
export type UsualDrive = '' | 'with a usual motor' | 'with a usual pack';
export function usualDrive(decided: Parameters<typeof motorDecided>[0]): UsualDrive {
  if (!motorDecided(decided)) return 'with a usual motor';
  return unlabelled(decided.known).length > 0 ? 'with a usual pack' : '';
}
