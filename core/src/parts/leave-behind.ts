import type { PlannedAnswer } from '../document/choices.ts';
import type { BuildDocument } from '../document/document.ts';
import { numberedId } from '../document/current-cables.ts';
import { donorSpecs } from '../document/donor.ts';
import { knownBuild } from '../document/known.ts';
import type { PackDocument } from '../document/pack.ts';
import { withPack } from '../document/quantity-at.ts';
import type { Sourced } from '../document/quantity-spec.ts';
import type { Part, PartOf } from './part.ts';

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
      reached: 'unknown',
      lifted: lookedAgain(controller.lifted, 'no'),
      regenerates: 'unknown',
      weakens: 'unknown',
      foldStartC: unknown,
      foldEndC: unknown,
      assistCutoffKmh: toBeSet(controller.assistCutoffKmh),
      assistTaperKmh: toBeSet(controller.assistTaperKmh),
      powerLimitW: toBeSet(controller.powerLimitW),
      lowVoltageFoldV: toBeSet(controller.lowVoltageFoldV),
      regenA: toBeSet(controller.regenA),
      weakeningA: toBeSet(controller.weakeningA),
      // It is told the wheel that turns, whatever the old one was told.
      setRolloutMm:
        controller.setRolloutMm.source === 'unknown'
          ? unknown
          : { source: 'assumed', value: Math.round(knownBuild(build).donor.rolloutMm.value) },
    },
    // What it holds the motor back by is put into it as well.
    drive: {
      ...build.drive,
      rollbackStartC: toBeSet(build.drive.rollbackStartC),
      rollbackEndC: toBeSet(build.drive.rollbackEndC),
    },
    controls: {
      ...controls,
      helpFollows: 'unknown',
      pedalHelpStops: lookedAgain(controls.pedalHelpStops, 'yes'),
      limitHoldsThrottle: lookedAgain(controls.limitHoldsThrottle, 'yes'),
      brakeCutoffs: controls.brakeCutoffs === 'yes' ? 'planned' : controls.brakeCutoffs,
      throttleCutoffKmh: toBeSet(controls.throttleCutoffKmh),
      walkCutoffKmh: toBeSet(controls.walkCutoffKmh),
    },
    // What hung from the old one went with it.
    harness: { ...build.harness, leftOver: {} },
    settings: {
      ...settings,
      lines: {},
      others: {},
      readWith: '',
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

/** Every quantity of these as one that nobody has read. */
const unread = <K extends string>(keys: readonly K[]): Record<K, { readonly source: 'unknown' }> =>
  Object.fromEntries(keys.map((key) => [key, unknown])) as Record<K, typeof unknown>;

/** Of the motor itself, and of what it was laced into, beside what its sheet gives: arms and cover are parts of their own, and by which heat it is held back is the controller’s to know. */
const OF_MOTOR = [
  'axleLengthMm',
  'rotorMm',
  'flangeMm',
  'flangeGapMm',
  'spokes',
  'crossings',
  'cancelA',
  'fluidFactor',
  'motorSprocketTeeth',
] as const;

const newMotor = (build: BuildDocument): BuildDocument => ({
  ...build,
  drive: {
    ...build.drive,
    ...unread(OF_MOTOR),
    // As many rings as are there, until the new one stands in the shell.
    spacerMm: toBeSet(build.drive.spacerMm),
    cogBody: 'unknown',
    lacing: 'unknown',
    bearsOnFrame: 'unknown',
    pullsBack: 'unknown',
    fluid: false,
  },
});

const DONOR_QUANTITIES = Object.keys(donorSpecs) as (keyof typeof donorSpecs)[];

/** Another bicycle: nothing that was measured or looked at on the one before is known of it. */
function newDonor(build: BuildDocument, { style }: PartOf<'donor'>): BuildDocument {
  const { donor } = build;
  return {
    ...build,
    donor: {
      ...donor,
      ...unread(DONOR_QUANTITIES),
      cranks: 'unknown',
      cogBody: 'unknown',
      sprung: 'unknown',
      tyre: 'unknown',
      bothRims: false,
      ...(donor.style === style ? {} : { posture: 'unknown', seats: 1, crankSets: 1 }),
    },
    drive: { ...build.drive, otherEnd: 'unknown' },
  };
}

/**
 * Volts that were read at plugs of a component are those of the old one.
 * @param components as a cable is called by its ends; one of a motor leads to its controller, and is called by the motor alone
 */
function unmetered(build: BuildDocument, components: string): BuildDocument {
  const at = new RegExp(`(^|-)(${components})(-|/|$)`);
  const { harness } = build;
  const readings = Object.fromEntries(Object.entries(harness.readings).filter(([key]) => !at.test(key)));
  return { ...build, harness: { ...harness, readings } };
}

/**
 * A build in which what was found out of a donor, motor, controller or pack is left behind with it, since another takes its
 * place: what was looked at on the old one says nothing of the new.
 */
export function leftBehind(build: BuildDocument, part: Part, packIndex: number): BuildDocument {
  switch (part.type) {
    case 'donor':
      return newDonor(build, part);
    case 'motor':
      return unmetered(newMotor(build), 'motor');
    case 'controller':
      return unmetered(newController(build), 'controller|motor');
    case 'pack':
      return unmetered(
        withPack(build, packIndex, newPack),
        packIndex === 0 ? 'pack(?!-\\d)' : numberedId('pack', packIndex),
      );
    case 'ring':
    case 'cogs':
    case 'tyre':
    case 'cell':
    case 'charger':
    case 'connector':
    case 'wire':
    case 'fitting':
    case 'consumable':
    case 'tool':
      return build;
  }
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
