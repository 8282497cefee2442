import { useState } from 'react';
import { cutRecording, type LearnOutcome, type LearnRide, type RideKept } from '@apple-cart/core';
import { fetchRecording } from '../../state/logs.ts';
import { fetchRoute } from '../../state/routes.ts';
import { useRun, type Run } from '../../work/use-run.ts';
import type { Road } from './use-road.ts';

/** Why a ride is not offered as a teacher; empty where it is. */
export function whyLeftOut(road: Road, { ride, first }: RideKept): string {
  const log = road.logs.get(first);
  if (log !== undefined) return ride.windMs === null && ride.kind !== 'coast-down' ? 'wind unknown' : '';
  const tells =
    ride.kind === 'top-speed' ? ride.topKmh !== null : ride.chargeAh !== null && ride.voltsAfter !== null;
  return tells ? '' : 'no recording';
}

export interface Learning {
  readonly chosen: ReadonlySet<string>;
  readonly choose: (key: string, wanted: boolean) => void;
  readonly run: Run<'learn'>;
  readonly outcome: LearnOutcome | undefined;
  readonly trouble: string;
  readonly start: () => void;
  readonly stop: () => void;
  /** Paths that are taken, of what was learnt. */
  readonly taken: ReadonlyMap<string, boolean>;
  readonly take: (path: string, wanted: boolean | undefined) => void;
}

/** The fit of the chosen rides: started by hand, in a worker; what it gives is taken or left value by value. */
export function useLearning(road: Road): Learning {
  const [left, setLeft] = useState<ReadonlyMap<string, boolean>>(new Map());
  const [trouble, setTrouble] = useState('');
  const [taken, setTaken] = useState<ReadonlyMap<string, boolean>>(new Map());
  const { run, start, stop } = useRun('learn');
  const chosen = new Set(
    road.rides.filter((r) => left.get(r.first) ?? whyLeftOut(road, r) === '').map((r) => r.first),
  );
  const begin = async (): Promise<void> => {
    setTrouble('');
    setTaken(new Map());
    const rides = await Promise.all(
      road.rides
        .filter((r) => chosen.has(r.first))
        // The oldest first: the last is the one that is held out.
        .toReversed()
        .map(async ({ first, ride }): Promise<LearnRide> => ({
          key: first,
          ride,
          recording: road.logs.has(first)
            ? cutRecording(await fetchRecording(road.build, first), ride)
            : undefined,
          route: ride.route === '' ? undefined : (await fetchRoute(ride.route))?.document,
        })),
    );
    start({ build: road.document, rides });
  };
  return {
    chosen,
    choose: (key, wanted) => {
      setLeft(new Map(left).set(key, wanted));
    },
    run,
    outcome: run.state === 'done' ? run.outcome : undefined,
    trouble,
    start: () => {
      begin().catch(() => {
        setTrouble('A recording cannot be read now: the server is away.');
      });
    },
    stop,
    taken,
    take: (path, wanted) => {
      const next = new Map(taken);
      if (wanted === undefined) next.delete(path);
      else next.set(path, wanted);
      setTaken(next);
    },
  };
}
