import { useQuery } from '@tanstack/react-query';
import { useEffect, useMemo, useRef } from 'react';
import {
  cutRecording,
  ridesOf,
  roadStands,
  type Beside,
  type BuildDocument,
  type Kept,
  type RideKept,
  type RoadStands,
} from '@apple-cart/core';
import type { LogInfo } from '@apple-cart/contracts';
import { api } from '../../state/api.ts';
import { useBuild, useDocument } from '../../state/build-store.ts';
import { useLogs, useRecording } from '../../state/logs.ts';
import { keepRecord, ofKind, useRecords, type BuildRecords } from '../../state/records.ts';
import { useRoute } from '../../state/routes.ts';
import { useStudy, type Studied } from '../../work/use-study.ts';

/** Rides, charges and upkeep of the open build. */
export interface Road {
  readonly build: string;
  readonly document: BuildDocument;
  /** The plan's version as the server has it. */
  readonly planVersion: number;
  readonly records: BuildRecords;
  readonly rides: readonly RideKept[];
  readonly logs: ReadonlyMap<string, LogInfo>;
  /** Rides and their recordings are all there: until then none is without one. */
  readonly ready: boolean;
  readonly charges: readonly Kept<'charge'>[];
  readonly upkeep: readonly Kept<'upkeep'>[];
  readonly stands: RoadStands;
}

export function useRoadBook(): Road {
  const document = useDocument();
  const build = useBuild((state) => state.id) ?? '';
  const planVersion = useBuild((state) => state.version);
  const records = useRecords(build);
  const { logs, ready } = useLogs(build);
  const found = useMemo(() => {
    const rides = ridesOf(records.records);
    return {
      rides,
      charges: ofKind(records.records, 'charge'),
      upkeep: ofKind(records.records, 'upkeep'),
      stands: roadStands(rides.map(({ ride: { kind }, told }) => ({ kind, told }))),
    };
  }, [records]);
  return { build, document, planVersion, records, logs, ready: ready && records.ready, ...found };
}

/** The plan as it was at a version: today's where it is that one, or where no other is kept any more. */
interface PlanThen {
  readonly document: BuildDocument | undefined;
  readonly version: number;
}

function usePlanThen({ build, document, planVersion }: Road, version: number | undefined): PlanThen {
  const then = version !== undefined && version !== planVersion ? version : undefined;
  const { data, isPending } = useQuery({
    queryKey: ['plan-then', build, then ?? 0],
    queryFn: async (): Promise<PlanThen | null> => {
      const { revisions } = await api.builds.versions.list(build);
      const one = revisions.find((r) => r.version === then);
      if (one === undefined) return null;
      return { document: (await api.builds.versions.get(build, one.id)).document, version: one.version };
    },
    enabled: build !== '' && then !== undefined,
  });
  if (then === undefined) return { document, version: planVersion };
  if (isPending) return { document: undefined, version: planVersion };
  return data ?? { document, version: planVersion };
}

export interface RideStudied extends Studied<Beside> {
  /** Of the plan that it was ridden by. */
  readonly version: number;
}

/** A ride held against the plan of its day. What the plan says of it is written down once, as a fact of that day. */
export function useRideBeside(road: Road, kept: RideKept | undefined): RideStudied {
  const { build, logs, records } = road;
  const { document, version } = usePlanThen(road, kept?.ride.planVersion);
  const route = useRoute(kept?.ride.route ?? '');
  const log = kept !== undefined && logs.has(kept.first) ? kept.first : undefined;
  const whole = useRecording(build, log);
  const ride = kept?.ride;
  const recording = useMemo(
    () => (whole === undefined || ride === undefined ? undefined : cutRecording(whole, ride)),
    [whole, ride],
  );
  const reading = !road.ready || route.state === 'reading' || (log !== undefined && recording === undefined);
  const named = route.state === 'there' ? route.stored.document : undefined;
  const input = useMemo(
    () =>
      ride === undefined || document === undefined || reading
        ? undefined
        : { build: document, ride, route: named, recording },
    [ride, document, reading, named, recording],
  );
  const studied = useStudy('beside', input);
  const written = useRef(new Set<string>());
  useEffect(() => {
    const { value, busy } = studied;
    if (kept === undefined || kept.told !== undefined || value === undefined || busy || !records.ready)
      return;
    if (written.current.has(kept.key)) return;
    written.current.add(kept.key);
    void keepRecord(build, 'ride-told', kept.key, { ...value.told, planVersion: version });
  }, [build, kept, records.ready, studied, version]);
  return { ...studied, version };
}
