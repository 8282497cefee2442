import { isThrottle } from '../../document/throttle.ts';
import type { BuildDocument } from '../../document/document.ts';
import { knownBuild } from '../../document/known.ts';
import { withBatteryLimit } from '../../document/turned-down.ts';
import { peakWheelWatts } from '../../law/motor-alone.ts';
import { LIFTED, profileName } from '../../law/profile.ts';
import type { CurveClause, NumberClause } from '../../law/rule-schema.ts';
import { assemble, assembleKnown } from '../../machine/assemble.ts';
import { qty } from '../../quantity/phrase.ts';
import { convert } from '../../quantity/units.ts';
import { assumed, tenthBelow, type ComplyChange } from './change.ts';
import { cutoff } from './speed-changes.ts';

/** Battery amps turned down until the peak at the wheel is within the limit. */
export function lessCurrent(build: BuildDocument, clause: NumberClause): ComplyChange | undefined {
  const limit = convert(clause.limit, clause.unit, 'W');
  const turned = (amps: number): BuildDocument => withBatteryLimit(build, amps);
  const meets = (amps: number): boolean => {
    const peak = peakWheelWatts(assemble(turned(amps)));
    return clause.op === '<' ? peak < limit : peak <= limit;
  };
  const now = knownBuild(build).controller.batteryCurrentA.value;
  // In half amps, as such settings go.
  let [low, high] = [0, Math.ceil(now * 2)];
  while (high - low > 1) {
    const middle = Math.floor((low + high) / 2);
    if (meets(middle / 2)) low = middle;
    else high = middle;
  }
  if (low < 2) return undefined;
  const amps = low / 2;
  return {
    id: 'current',
    what: ['Battery current limit to ', qty(amps, 'A', 1)],
    effort: 'setting',
    apply: (b) => withBatteryLimit(b, amps),
  };
}

/** Help in proportion to the rider, under the corners of a curve that is level and then falls to nothing. */
export function proportional(
  build: BuildDocument,
  clause: CurveClause,
  meets: (build: BuildDocument) => boolean,
): ComplyChange | undefined {
  const [first] = clause.corners;
  const level = clause.corners.findLast((c) => c.ratio === first?.ratio);
  const end = clause.corners.at(-1);
  if (first === undefined || level === undefined || end === undefined) return undefined;
  const machine = assembleKnown(build, knownBuild(build));
  const most = tenthBelow((first.ratio * machine.chainEfficiency) / machine.efficiency, false);
  const kmh = tenthBelow(end.kmh, true);
  const fade = Math.round((end.kmh - level.kmh) * 10) / 10;
  const torque = build.controls.assistSensor === 'torque';
  const helping =
    (ratio: number) =>
    (b: BuildDocument): BuildDocument => ({
      ...b,
      controls: {
        ...b.controls,
        assistSensor: 'torque',
        // What a new sensor's help follows is chosen with it; of the one there is it stays what it is.
        helpFollows: torque ? b.controls.helpFollows : 'power',
        throttle: isThrottle(b) ? 'none' : b.controls.throttle,
        assistRatio: assumed(ratio),
      },
      controller: {
        ...b.controller,
        limitsSpeed: true,
        assistCutoffKmh: assumed(kmh),
        assistTaperKmh: assumed(fade),
      },
    });
  // What is not known of the motor takes a little off.
  const tenths = Array.from({ length: Math.round(most * 10) }, (_, i) => (Math.round(most * 10) - i) / 10);
  const ratio = tenths.find((r) => meets(helping(r)(build))) ?? most;
  return {
    id: 'proportional',
    what: [
      torque ? 'Help of at most ' : 'Torque sensor, help of at most ',
      `${ratio.toFixed(1)} times the rider’s, fading over the last `,
      qty(fade, 'km/h', 1),
      ' to ',
      qty(kmh, 'km/h', 1),
    ],
    effort: torque ? 'setting' : 'part',
    apply: helping(ratio),
  };
}

const USUAL_FADE_KMH = 1.5;

/** Help that fades; where nothing limits it there is nothing to fade, so that a limit is set with it. */
export function fades(build: BuildDocument, limit: NumberClause | undefined): ComplyChange | undefined {
  const fade = (b: BuildDocument): BuildDocument => ({
    ...b,
    controller: { ...b.controller, assistTaperKmh: assumed(USUAL_FADE_KMH) },
  });
  if (build.controller.limitsSpeed)
    return {
      id: 'fade',
      what: ['Let the help fade over the last ', qty(USUAL_FADE_KMH, 'km/h', 1)],
      effort: 'setting',
      apply: fade,
    };
  const limited = limit === undefined ? undefined : cutoff(build, limit);
  return limited === undefined
    ? undefined
    : {
        id: 'limit-and-fade',
        what: [...limited.what, ', fading over the last ', qty(USUAL_FADE_KMH, 'km/h', 1)],
        effort: 'setting',
        apply: (b) => fade(limited.apply(b)),
      };
}

export const stops = (build: BuildDocument): ComplyChange =>
  build.controls.assistSensor === 'none'
    ? {
        id: 'pedal-sensor',
        what: ['Fit a sensor at the pedals that stops the motor with them'],
        effort: 'part',
        apply: (b) => ({
          ...b,
          controls: { ...b.controls, assistSensor: 'cadence', pedalHelpStops: 'planned' },
        }),
      }
    : {
        id: 'pedal-stop',
        what: ['Set the help to stop with the pedals'],
        effort: 'setting',
        apply: (b) => ({ ...b, controls: { ...b.controls, pedalHelpStops: 'planned' } }),
      };

export const fitted = (
  key: 'speedometer' | 'classLabel' | 'brakeCutoffs',
  what: string,
  effort: ComplyChange['effort'],
): ComplyChange => ({
  id: key,
  what: [what],
  effort,
  apply: (b) => ({ ...b, controls: { ...b.controls, [key]: key === 'classLabel' ? 'yes' : 'planned' } }),
});

/** What takes a way of riding away that breaks the clause. */
export function withoutProfile(build: BuildDocument, name: string): ComplyChange {
  if (name === LIFTED && build.controller.lifted === 'yes')
    return {
      id: 'lock',
      what: ['Take the wire, jumper or menu that lifts the limit out of the rider’s reach'],
      effort: 'setting',
      apply: (b) => ({ ...b, controller: { ...b.controller, lifted: 'planned' } }),
    };
  return {
    id: `profile-${name}`,
    what: [`Take out the profile “${name}”`],
    effort: 'setting',
    apply: (b) => ({
      ...b,
      controller: {
        ...b.controller,
        profiles: b.controller.profiles.filter((p) => p.reach !== 'rider' || profileName(p) !== name),
      },
    }),
  };
}
