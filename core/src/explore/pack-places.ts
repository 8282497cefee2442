import type { BuildDocument } from '../document/document.ts';
import type { PackPlace } from '../frame/names.ts';
import { batteryChecks } from '../fit/battery-checks.ts';
import type { State } from '../check/state.ts';
import { gripGrades } from '../fit/load-checks.ts';
import { nearestRooms, tightest } from '../fit/pack-room.ts';
import { axleLoadsKg } from '../ride/start-grade.ts';
import { study } from '../verdict/study.ts';
import { worstState } from '../check/state.ts';

/** The whole pack in one place of the frame, and what that does to room and balance. */
export interface PlaceTried {
  readonly place: PackPlace;
  /** The build has all its boxes there. */
  readonly here: boolean;
  readonly state: State;
  /** Title of the check that is worst; undefined when all are fine. */
  readonly trouble: string | undefined;
  readonly roomMm: number;
  readonly nearest: string;
  readonly centreUpMm: number;
  readonly frontSharePct: number;
  readonly liftPct: number;
}

/** Every place that this frame has for a pack, tried in turn; all else alike. */
export function comparePlaces(build: BuildDocument): readonly PlaceTried[] {
  const places = study(build).subject.frame.places.map((p) => p.place);
  return places.map((place) => {
    const boxes = build.pack.boxes.map(() => ({ place, at: null }));
    const here = build.pack.boxes.every((box) => box.place === place);
    const s = study({ ...build, pack: { ...build.pack, boxes } }).subject;
    const checks = batteryChecks(s);
    const state = worstState(checks.map((c) => c.state));
    const near = tightest(nearestRooms(s).flatMap((room) => room ?? []));
    const loads = axleLoadsKg(s.machine.road.massKg, s.machine.balance);
    return {
      place,
      here,
      state,
      trouble: state === 'fine' ? undefined : checks.find((c) => c.state === state)?.title,
      roomMm: near?.mm ?? 0,
      nearest: near?.what ?? '',
      centreUpMm: s.known.donor.massHeightMm.value,
      frontSharePct: (100 * loads.front) / (loads.front + loads.rear),
      liftPct: gripGrades(s).liftPct,
    };
  });
}
