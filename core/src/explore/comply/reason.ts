import type { BuildDocument } from '../../document/document.ts';
import { motorCount } from '../../document/motors.ts';
import type { ClauseVerdict } from '../../law/judge-clause.ts';

/** Why no setting helps, by what the clause is about. */
export function reason({ clause }: ClauseVerdict, build: BuildDocument): string {
  if (clause.kind === 'one-of') return 'The number of wheels is the machine itself.';
  if (clause.kind === 'answer')
    return clause.fact === 'operablePedals'
      ? 'It needs pedals that can drive it.'
      : 'Something has to be fitted to the machine.';
  if (clause.kind !== 'number') return 'No setting of this build brings it in.';
  switch (clause.fact) {
    case 'ratedPowerW':
      if (motorCount(build) === 2)
        return 'The ratings of both motors count together: it takes one motor only, or smaller ones. A lower current limit changes no rating.';
      return 'The rating is the maker’s and belongs to the motor as tested: a lower current limit does not change it. It takes another motor, or a rating for this one.';
    case 'massKg':
      return 'It takes a lighter donor, motor or pack.';
    case 'nominalV':
      return 'It takes another pack, and a motor wound for it.';
    case 'wheelCount':
      return 'The number of wheels is the machine itself.';
    case 'widthMm':
    case 'wheelbaseMm':
    case 'wheelDiameterMm':
    case 'tyreWidthMm':
      return 'It is a measure of the donor.';
    case 'peakWheelW':
    case 'assistEndKmh':
    case 'motorAloneKmh':
    case 'throttleAloneKmh':
      return 'No setting of this build brings it in.';
  }
}
