import type { Commutation, DriveKind } from '@apple-cart/core';

/** The kinds of motor, and what each is known for. */
export const DRIVE_KINDS: readonly {
  readonly value: DriveKind;
  readonly label: string;
  readonly note: string;
}[] = [
  { value: 'geared-hub', label: 'geared hub', note: 'light, freewheels; one fixed ratio' },
  { value: 'direct-drive-hub', label: 'direct-drive hub', note: 'silent, can regenerate; heavy, drags' },
  { value: 'mid-drive', label: 'mid-drive', note: 'pulls through the gears; wears the chain' },
  { value: 'external', label: 'external', note: 'a motor beside the frame, on a chain or belt of its own' },
];

/** How many leads feed the motor, which tells whether it has brushes. */
export const COMMUTATIONS: readonly {
  readonly value: Commutation;
  readonly label: string;
  readonly note: string;
}[] = [
  { value: 'electronic', label: 'three, no brushes', note: 'the controller turns the current round' },
  { value: 'brushes', label: 'two, with brushes', note: 'simple and cheap; never gives power back' },
];
