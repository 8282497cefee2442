import { driveHeatSpecs } from '../../document/drive-heat.ts';
import type { Study } from '../study.ts';
import { byFigures, pathsOf, type Stage } from './stage.ts';

function words({ climb, start, known, heat }: Study): string {
  if (!climb.climbs) return 'does not climb';
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
