import type { BuildDocument } from './document.ts';

type Driven = Pick<BuildDocument, 'drive'>;

/** How many equal motors drive the machine; a motor in the middle is alone, and only hubs stand one in each wheel. */
export function motorCount({ drive: { kind, motors } }: Driven): 1 | 2 {
  if (motors === 'one' || kind === 'mid-drive') return 1;
  return kind === 'external' && motors === 'each-wheel' ? 1 : 2;
}

/** Both wheels drive. */
export const drivesBoth = (build: Driven): boolean =>
  motorCount(build) === 2 && build.drive.motors === 'each-wheel';
