import type { Figure } from '../figure.ts';
import type { Finding } from '../finding.ts';
import type { Judged } from '../judged.ts';
import { STAGES } from './registry.ts';
import type { Check } from '../../check/check.ts';
import { STAGE_IDS, type StageId } from '../../check/stage-ids.ts';
import { stageOf, stageOfCheck } from './stage-of.ts';
import type { StageSubject, StageVerdict } from './stage.ts';

/** A list parted by the stage that each belongs to, in one pass: it is done at every keystroke. */
function parted<T>(list: readonly T[], stage: (one: T) => StageId): (id: StageId) => readonly T[] {
  const parts = new Map<StageId, T[]>(STAGE_IDS.map((id) => [id, []]));
  for (const one of list) parts.get(stage(one))?.push(one);
  return (id) => parts.get(id) ?? [];
}

/** State and a few words for every stage, in working order. */
export function stages(
  study: Judged,
  figures: readonly Figure[],
  findings: readonly Finding[],
  own: readonly Check[],
  lazy: Pick<StageSubject, 'ledger' | 'wiring' | 'settings'>,
): readonly StageVerdict[] {
  const found = parted(findings, (f) => f.stage);
  const entered = parted(study.used, (k) => stageOf(k.path));
  const checks = parted([...study.checks, ...study.powerChecks, ...own], stageOfCheck);
  return STAGE_IDS.map((id) => ({
    id,
    ...STAGES[id].stands({
      study,
      figures,
      findings: found(id),
      entered: entered(id),
      checks: checks(id),
      ...lazy,
    }),
  }));
}
