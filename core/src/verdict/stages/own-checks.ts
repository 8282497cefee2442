import { STAGE_IDS, type StageId } from '../../check/stage-ids.ts';
import type { Check } from '../../check/check.ts';
import type { Judged } from '../judged.ts';
import { ratingChecks } from '../over-rating.ts';
import { riderChecks } from '../rider-checks.ts';
import { weakeningChecks } from '../weakening-checks.ts';

/**
 * What a stage checks itself, beyond the fit and the power chain: in the group that bears its name. Apart from what a stage is,
 * which every page asks, so that no page waits for the physics behind its checks.
 */
const OWN: Partial<Record<StageId, (study: Judged) => readonly Check[]>> = {
  drive: ({ build, known, machine }) => [
    ...ratingChecks(build, known, machine),
    ...weakeningChecks(build, known, machine),
  ],
  law: riderChecks,
};

/** What the stages check themselves, in working order. */
export const ownChecks = (study: Judged): readonly Check[] =>
  STAGE_IDS.flatMap((id) => OWN[id]?.(study) ?? []);
