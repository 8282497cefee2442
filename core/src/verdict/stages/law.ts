import type { PlaceVerdict } from '../../law/judge.ts';
import { onlyTheText } from '../../law/only-text.ts';
import { byFigures, type Stage } from './stage.ts';

function words(place: PlaceVerdict): string {
  const { outcome, unsettled, failing } = place;
  switch (outcome) {
    case 'inside':
      return 'inside';
    case 'check':
      return onlyTheText(place) ? 'inside, check text' : `inside, ${String(unsettled.length)} to check`;
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
