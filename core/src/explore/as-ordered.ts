import { plannedUnlessTold } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';

/** Over how many km/h the help of such a kit fades before its end. Common practice, no source. */
const USUAL_FADE_KMH = 2;

/**
 * As such a kit is ordered and set up: pedal help that stops with the pedals and fades before a limit that its rider cannot
 * lift, told the wheel that it turns; brakes that cut the motor, a speedometer. What somebody has answered stays; the table says that the rest is planned so.
 */
export function asOrdered(build: BuildDocument): BuildDocument {
  const { controls, controller } = build;
  return {
    ...build,
    controls: {
      ...controls,
      pedalHelpStops: plannedUnlessTold(controls.pedalHelpStops),
      brakeCutoffs: plannedUnlessTold(controls.brakeCutoffs),
      speedometer: plannedUnlessTold(controls.speedometer),
      limitHoldsThrottle: plannedUnlessTold(controls.limitHoldsThrottle),
    },
    controller: {
      ...controller,
      lifted: plannedUnlessTold(controller.lifted),
      assistTaperKmh:
        controller.assistTaperKmh.source === 'unknown'
          ? { source: 'assumed', value: USUAL_FADE_KMH }
          : controller.assistTaperKmh,
      setRolloutMm:
        controller.setRolloutMm.source === 'unknown'
          ? { source: 'assumed', value: Math.round(knownBuild(build).donor.rolloutMm.value) }
          : controller.setRolloutMm,
    },
  };
}

/** A new controller is set for the place; a lower limit of the build's own stays. */
export function newlySet(build: BuildDocument, cutoffKmh: number | undefined): BuildDocument {
  if (cutoffKmh === undefined) return build;
  const { assistCutoffKmh: now, limitsSpeed } = build.controller;
  const inside = limitsSpeed && now.source !== 'unknown' && now.value <= cutoffKmh;
  return {
    ...build,
    controller: {
      ...build.controller,
      limitsSpeed: true,
      assistCutoffKmh: inside ? now : { source: 'assumed', value: cutoffKmh },
    },
  };
}
