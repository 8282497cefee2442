import { driveHeatSpecs } from '../../document/drive-heat.ts';
import { hillOutcome } from '../hill-outcome.ts';
import type { Judged } from '../judged.ts';
import { byFigures, pathsOf, type Stage } from './stage.ts';

function words(study: Judged): string {
  const { climb, start, known, heat } = study;
  const { kind } = hillOutcome(study);
  if (study.turns.hill !== undefined) return 'cannot tell yet';
  if (!climb.climbs) return 'does not climb';
  if (kind === 'cuts-out') return 'cuts out on it';
  if (kind === 'heats-out') return 'is held back by heat, and stalls on it';
  if (start.gradePct < known.brief.hillGradePct.value) return 'cannot start on it';
  if (heat.tooHotAfter !== undefined && heat.tooHotAfter <= climb.seconds) return 'gets too hot on it';
  return 'climbs';
}

export const hillStage: Stage = {
  owns: pathsOf('drive', driveHeatSpecs),
  checks: [],
  figures: ['hill', 'start', 'heat'],
  stands: (subject) => byFigures(subject, ['hill', 'start', 'heat'], words(subject.study)),
};
