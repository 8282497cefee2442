import { standingKg } from '../machine/machine.ts';
import type { BuildDocument } from '../document/document.ts';
import { withPack } from '../document/quantity-at.ts';
import type { PackPlace } from '../frame/names.ts';
import { batteryChecks } from '../fit/battery-checks.ts';
import type { State } from '../check/state.ts';
import { gripGrades } from '../fit/load-checks.ts';
import { nearestRooms, tightest } from '../fit/pack-room.ts';
import { axleLoadsKg } from '../ride/start-grade.ts';
import { study } from '../verdict/study.ts';
import { worstState } from '../check/state.ts';

/** One pack, whole, in one place of the frame, and what that does to room and balance. */
export interface PlaceTried {
  readonly place: PackPlace;
  /** The build has all its boxes there. */
  readonly here: boolean;
  readonly state: State;
  /** Title of the check that is worst; undefined when all are fine. */
  readonly trouble: string | undefined;
  /** What stands nearest, and how near; undefined on a carrier or a floor, where nothing does. */
  readonly roomMm: number | undefined;
  readonly nearest: string | undefined;
  readonly centreUpMm: number;
  readonly frontSharePct: number;
  readonly liftPct: number;
}

/** Every place that this frame has for a pack, tried in turn for one of them; all else alike. */
export function comparePlaces(build: BuildDocument, packIndex = 0): readonly PlaceTried[] {
  const places = study(build).subject.frame.places.map((p) => p.place);
  return places.map((place) => {
    const here = build.packs[packIndex]?.boxes.every((box) => box.place === place) ?? false;
    const moved = withPack(build, packIndex, (pack) => ({
      ...pack,
      boxes: pack.boxes.map(() => ({ place, at: null })),
    }));
    const s = study(moved).subject;
    const checks = batteryChecks(s);
    const state = worstState(checks.map((c) => c.state));
    const near = tightest(nearestRooms(s).flatMap((room) => room ?? []));
    const loads = axleLoadsKg(standingKg(s.machine), s.machine.balance);
    return {
      place,
      here,
      state,
      trouble: state === 'fine' ? undefined : checks.find((c) => c.state === state)?.title,
      roomMm: near?.mm,
      nearest: near?.what,
      centreUpMm: s.known.donor.massHeightMm.value,
      frontSharePct: (100 * loads.front) / (loads.front + loads.rear),
      liftPct: gripGrades(s).liftPct,
    };
  });
}
