import type { BuildDocument } from '../document/document.ts';
import type { PlaceVerdict } from '../law/judge.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { builtToLevel } from '../trips/at-level.ts';
import type { Level } from '../trips/levels.ts';
import { judged } from './judged.ts';
import { study } from './study.ts';

/**
 * What the place says if a level were the highest that its rider can reach, level by level. Profiles that the rider can
 * switch to count as before.
 */
export const levelClasses = (
  build: BuildDocument,
  book: RuleBook,
  levels: readonly Level[],
): readonly PlaceVerdict[] => levels.map((level) => judged(study(builtToLevel(build, level)), book).here);
