import type { BuildDocument } from './document.ts';

type Controls = Pick<BuildDocument, 'controls'>;

/** A hand control that drives the machine, alone or only while the pedals turn; a key for walking beside it is none. */
export const isThrottle = ({ controls }: Controls): boolean =>
  controls.throttle === 'full' || controls.throttle === 'pedalling';

/** The throttle is said to have a speed limit of its own. */
export const throttleEnds = (build: Controls): boolean => isThrottle(build) && build.controls.throttleLimited;

/** It has one, and it was read: a limit that nobody has read holds nothing back, in physics and in law. */
export const throttleHeld = (build: Controls): boolean =>
  throttleEnds(build) && build.controls.throttleCutoffKmh.source !== 'unknown';
