import type { PlannedAnswer } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import { knownBuild } from '../document/known.ts';
import type { PackDocument } from '../document/pack.ts';
import { withPack } from '../document/quantity-at.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import type { Part } from './part.ts';

const unknown = { source: 'unknown' } as const;

/** What somebody has looked at on the old part is planned for the new one; what was amiss with the old one is not known of it. */
const lookedAgain = (answer: PlannedAnswer, good: 'yes' | 'no'): PlannedAnswer => {
  if (answer === 'unknown' || answer === 'planned') return answer;
  return answer === good ? 'planned' : 'unknown';
};

/** A value that the old one was read to hold is what the new one is to be set to. */
const toBeSet = (quantity: Sourced): Sourced =>
  quantity.source === 'unknown' ? quantity : { source: 'assumed', value: quantity.value };

/** Settings are put into a new controller anew, and read back: its own names for them are not known either. */
function newController(build: BuildDocument): BuildDocument {
  const { controller, controls, settings } = build;
  return {
    ...build,
    controller: {
      ...controller,
      place: controller.place === 'motor' ? 'unknown' : controller.place,
      lifted: lookedAgain(controller.lifted, 'no'),
      regenerates: 'unknown',
      weakens: 'unknown',
      foldStartC: unknown,
      foldEndC: unknown,
      assistCutoffKmh: toBeSet(controller.assistCutoffKmh),
      assistTaperKmh: toBeSet(controller.assistTaperKmh),
      powerLimitW: toBeSet(controller.powerLimitW),
      // It is told the wheel that turns, whatever the old one was told.
      setRolloutMm:
        controller.setRolloutMm.source === 'unknown'
          ? unknown
          : { source: 'assumed', value: Math.round(knownBuild(build).donor.rolloutMm.value) },
    },
    controls: {
      ...controls,
      pedalHelpStops: lookedAgain(controls.pedalHelpStops, 'yes'),
      brakeCutoffs: controls.brakeCutoffs === 'yes' ? 'planned' : controls.brakeCutoffs,
      throttleCutoffKmh: toBeSet(controls.throttleCutoffKmh),
      walkCutoffKmh: toBeSet(controls.walkCutoffKmh),
    },
    settings: {
      ...settings,
      lines: {},
      speed: { ...settings.speed, shownKmh: null, trueKmh: null },
    },
  };
}

/** Age, health, board and leads are those of the old pack. */
const newPack = (pack: PackDocument): PackDocument => ({
  ...pack,
  board: 'unknown',
  boardCutoffV: unknown,
  wiringMohm: unknown,
  ageYears: unknown,
  cycles: unknown,
  healthPct: unknown,
});

/**
 * A build in which what was found out of a controller or of a pack is left behind with it, since another takes its place: what
 * was looked at on the old one says nothing of the new.
 */
export function leftBehind(build: BuildDocument, part: Part, packIndex: number): BuildDocument {
  if (part.type === 'controller') return newController(build);
  return part.type === 'pack' ? withPack(build, packIndex, newPack) : build;
}

/** A pack that is bought is new. */
export const asNew = (build: BuildDocument, part: Part, packIndex: number): BuildDocument =>
  part.type === 'pack'
    ? withPack(build, packIndex, (pack) => ({
        ...pack,
        ageYears: { source: 'assumed', value: 0 },
        cycles: { source: 'assumed', value: 0 },
      }))
    : build;
