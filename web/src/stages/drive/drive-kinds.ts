import type { DriveKind } from '@apple-cart/core';

/** The kinds of motor, and what each is known for. */
export const DRIVE_KINDS: readonly {
  readonly value: DriveKind;
  readonly label: string;
  readonly note: string;
}[] = [
  { value: 'geared-hub', label: 'geared hub', note: 'light, freewheels; one fixed ratio' },
  { value: 'direct-drive-hub', label: 'direct-drive hub', note: 'silent, can regenerate; heavy, drags' },
  { value: 'mid-drive', label: 'mid-drive', note: 'pulls through the gears; wears the chain' },
  { value: 'external', label: 'external', note: 'own chain or belt to a wheel; one fixed ratio' },
];
