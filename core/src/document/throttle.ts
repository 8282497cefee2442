import type { BuildDocument } from './document.ts';
import type { Known, KnownBuild } from './known-build.ts';

type Controls = Pick<BuildDocument, 'controls'>;

/** A hand control that drives the machine, alone or only while the pedals turn; a key for walking beside it is none. */
export const isThrottle = ({ controls }: Controls): boolean =>
  controls.throttle === 'full' || controls.throttle === 'pedalling';

/** Something is fitted for the hand, with a cable of its own: a throttle, or a lever for walk help that is no key at the display. */
export const hasHandLever = ({ controls }: Controls): boolean =>
  isThrottle({ controls }) || (controls.throttle === 'walk' && controls.throttleKind !== 'display');

/** A throttle's kind; a key at the display is none. */
export const throttleKindOf = ({
  controls: { throttleKind: kind },
}: Controls): Exclude<BuildDocument['controls']['throttleKind'], 'display'> =>
  kind === 'display' ? 'unknown' : kind;

/** The throttle is said to have a speed limit of its own. */
export const throttleEnds = (build: Controls): boolean => isThrottle(build) && build.controls.throttleLimited;

/** It has one, and it was read: a limit that nobody has read holds nothing back, in physics and in law. */
export const throttleHeld = (build: Controls): boolean =>
  throttleEnds(build) && build.controls.throttleCutoffKmh.source !== 'unknown';

type Driven = Pick<BuildDocument, 'controls' | 'controller'>;

/**
 * Help by the pedals ends at a speed, and nothing says by itself whether that holds the hand as well: some controllers hold both at one
 * speed, others hold the pedals' help alone. Without a sensor at the pedals the limit is the hand's.
 */
export const asksWhatHoldsHand = (build: Driven): boolean =>
  isThrottle(build) &&
  build.controls.assistSensor !== 'none' &&
  build.controller.limitsSpeed &&
  !throttleHeld(build);

/** The hand drives on where the help of the pedals has ended, to where the motor itself ends. */
export const handGoesOn = (build: Driven): boolean =>
  asksWhatHoldsHand(build) && build.controls.limitHoldsThrottle === 'no';

/** The speed at which the hand has stopped driving: its own limit, else that of all help; undefined where nothing holds it. */
export function handLimit(build: Driven, { controls, controller }: KnownBuild): Known | undefined {
  if (throttleHeld(build)) return controls.throttleCutoffKmh;
  return build.controller.limitsSpeed && !handGoesOn(build) ? controller.assistCutoffKmh : undefined;
}

/** The speed at which all help has ended, by pedals and hand; undefined where nothing ends it. */
export function helpLimit(build: Driven, known: KnownBuild): Known | undefined {
  const pedals = build.controller.limitsSpeed ? known.controller.assistCutoffKmh : undefined;
  if (!isThrottle(build)) return pedals;
  const hand = handLimit(build, known);
  if (build.controls.assistSensor === 'none') return hand;
  if (pedals === undefined || hand === undefined) return undefined;
  return hand.value > pedals.value ? hand : pedals;
}
