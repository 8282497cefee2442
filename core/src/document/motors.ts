import type { BuildDocument } from './document.ts';
import type { Known } from './known-build.ts';

type Driven = Pick<BuildDocument, 'drive'>;

/** How many equal motors drive the machine; a motor in the middle is alone, and only hubs stand one in each wheel. */
export function motorCount({ drive: { kind, motors } }: Driven): 1 | 2 {
  if (motors === 'one' || kind === 'mid-drive') return 1;
  return kind === 'external' && motors === 'each-wheel' ? 1 : 2;
}

/** Ratings of all motors together, as the law counts them; undefined where nobody has read them. */
export const ratedTogether = (build: Driven, { source, value }: Known): number | undefined =>
  source === 'unknown' ? undefined : motorCount(build) * value;

/** Both wheels drive. */
export const drivesBoth = (build: Driven): boolean =>
  motorCount(build) === 2 && build.drive.motors === 'each-wheel';

/** Controllers that stand beside their motors: one each; none of those inside is a box of its own. */
export const controllersBeside = (build: Pick<BuildDocument, 'drive' | 'controller'>): 0 | 1 | 2 =>
  build.controller.place === 'motor' ? 0 : motorCount(build);
