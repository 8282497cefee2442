import { useMemo } from 'react';
import {
  analyzeLog,
  beyondRoad,
  cutRecording,
  distancesOf,
  isCut,
  riddenLengthM,
  type LogAnalysis,
  type Recording,
  type RideKept,
  type RiddenPart,
} from '@apple-cart/core';
import type { ToldAnalysis } from '@apple-cart/contracts';
import { useRecording } from '../../state/logs.ts';
import { useRoute } from '../../state/routes.ts';
import type { Road } from './use-road.ts';

/** An analysis as it is told: JSON has no number that is none. */
const toldOf = (analysis: LogAnalysis): ToldAnalysis => JSON.parse(JSON.stringify(analysis)) as ToldAnalysis;

/** What of a ride's recording counts. */
export interface Counted {
  readonly recording: Recording | undefined;
  /** Of what counts; analysed anew where that is not the whole. */
  readonly analysis: ToldAnalysis | undefined;
  /** Where it begins on the recording's way, and how long that is in all, m. */
  readonly startM: number;
  /** Where it ends there, m, where the recording is cut. */
  readonly endM: number | undefined;
  readonly wholeM: number;
  /** The road that the ride names as it was ridden, m; NaN for none. */
  readonly roadM: number;
  /** What of it is the ride, where it went on beyond its road and nobody has cut it. */
  readonly beyond: RiddenPart | undefined;
}

export function useCounted({ build, logs }: Road, { first, ride }: RideKept): Counted {
  const log = logs.get(first);
  const recording = useRecording(build, log === undefined ? undefined : first);
  const route = useRoute(ride.route);
  const roadM = route.state === 'there' ? riddenLengthM(route.stored.document) : NaN;
  const part = isCut(ride);
  // Tests up and down a road are no way along it.
  const isTest = ride.kind === 'coast-down' || ride.kind === 'top-speed';
  const counted = useMemo(() => {
    if (log === undefined || recording === undefined || !part)
      return { analysis: log?.analysis, startM: 0, endM: undefined };
    const { metres } = distancesOf(recording);
    const begins = recording.seconds.findIndex((t) => t >= (ride.cutFromS ?? 0));
    const ends = recording.seconds.findLastIndex((t) => t <= (ride.cutToS ?? Infinity));
    return {
      analysis: toldOf(analyzeLog(cutRecording(recording, ride))),
      startM: metres[begins] ?? 0,
      endM: metres[ends],
    };
  }, [log, recording, ride, part]);
  const beyond = useMemo(
    () => (recording === undefined || part || isTest ? undefined : beyondRoad(recording, roadM)),
    [recording, part, isTest, roadM],
  );
  return { ...counted, recording, roadM, beyond, wholeM: log?.analysis.metres ?? 0 };
}
