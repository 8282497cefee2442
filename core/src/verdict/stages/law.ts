import type { PlaceVerdict } from '../../law/judge.ts';
import { byFigures, type Stage } from './stage.ts';

function words({ outcome, unsettled, failing }: PlaceVerdict): string {
  switch (outcome) {
    case 'inside':
      return 'inside';
    case 'check':
      return `inside, ${String(unsettled.length || 'text')} to check`;
    case 'cannot-tell':
      return 'cannot tell yet';
    case 'other-class':
      return 'needs approval';
    case 'outside':
      return failing.length === 0 ? 'closed to conversions' : `outside by ${String(failing.length)}`;
  }
}

export const lawStage: Stage = {
  owns: ['donor.widthMm', 'controller.setRolloutMm', 'controls.labelSpeedKmh', 'controls.labelPowerW'],
  checks: [],
  figures: ['class'],
  stands: (subject) => byFigures(subject, ['class'], words(subject.study.here)),
};
