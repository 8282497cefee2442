import type { BuildDocument } from '../../document/document.ts';
import { handGoesOn, throttleEnds } from '../../document/throttle.ts';
import type { ClauseVerdict } from '../../law/judge-clause.ts';
import { settingOf } from '../../law/profile.ts';
import type { Clause, NumberClause } from '../../law/rule-schema.ts';
import { convert } from '../../quantity/units.ts';
import type { ComplyChange } from './change.ts';
import { fades, fitted, lessCurrent, proportional, stops, withoutProfile } from './help-changes.ts';
import {
  WALKING_KMH,
  cutoff,
  smallerRing,
  throttleLimit,
  throttleOff,
  walkHelp,
  wheelSize,
} from './speed-changes.ts';

function forNumber(
  build: BuildDocument,
  clause: NumberClause,
  meets: (build: BuildDocument) => boolean,
): readonly (ComplyChange | undefined)[] {
  switch (clause.fact) {
    case 'assistEndKmh':
      return [
        wheelSize(build),
        cutoff(build, clause),
        throttleEnds(build) || handGoesOn(build) ? throttleLimit(build, clause) : undefined,
        smallerRing(build, meets),
      ];
    case 'throttleAloneKmh':
    case 'motorAloneKmh': {
      const walking = convert(clause.limit, clause.unit, 'km/h') <= WALKING_KMH;
      return walking
        ? [wheelSize(build), walkHelp(build, clause), throttleOff(build)]
        : [
            wheelSize(build),
            throttleLimit(build, clause),
            cutoff(build, clause),
            throttleOff(build),
            smallerRing(build, meets),
          ];
    }
    case 'peakWheelW':
      return [lessCurrent(build, clause)];
    case 'ratedPowerW':
    case 'wheelCount':
    case 'massKg':
    case 'nominalV':
    case 'widthMm':
    case 'wheelbaseMm':
    case 'wheelDiameterMm':
    case 'tyreWidthMm':
      return [];
  }
}

/** The lowest limit on the help among what has to be met. */
const limitOfHelp = (beside: readonly Clause[]): NumberClause | undefined =>
  beside
    .filter((c) => c.kind === 'number')
    .filter((c) => c.fact === 'assistEndKmh' && (c.op === '<' || c.op === '<='))
    .toSorted((a, b) => convert(a.limit, a.unit, 'km/h') - convert(b.limit, b.unit, 'km/h'))[0];

/**
 * Changes that bring one clause in, the smallest first; empty where no setting and nothing simple to fit does.
 * @param meets whether the clause is met by a build
 * @param beside every clause that has to be met with it
 */
export function changesFor(
  build: BuildDocument,
  verdict: ClauseVerdict,
  meets: (build: BuildDocument) => boolean,
  beside: readonly Clause[],
): readonly ComplyChange[] {
  const { clause, profile } = verdict;
  // What another pack does is mended by the build's own settings, not by leaving a setting out.
  const setting = settingOf(profile);
  if (setting !== '') return [withoutProfile(build, setting)];
  const drafts = (): readonly (ComplyChange | undefined)[] => {
    switch (clause.kind) {
      case 'number':
        return forNumber(build, clause, meets);
      case 'curve':
        return [proportional(build, clause, meets)];
      case 'one-of':
      case 'open':
        return [];
      case 'answer':
        switch (clause.fact) {
          case 'throttle':
            return [throttleOff(build)];
          case 'helpFades':
            // A limit that is set with it is read on the wheel that the controller holds.
            return [
              build.controller.limitsSpeed ? undefined : wheelSize(build),
              fades(build, limitOfHelp(beside)),
            ];
          case 'motorStopsWithPedals':
            return build.controls.throttle === 'full' ? [throttleOff(build)] : [stops(build)];
          case 'pedalHelpStops':
            return [stops(build)];
          case 'speedometer':
            return [fitted('speedometer', 'Fit a speedometer', 'part')];
          case 'classLabel':
            return [fitted('classLabel', 'Fit the label: the class sheet prints it', 'paper')];
          case 'brakesCutMotor':
            return [fitted('brakeCutoffs', 'Fit brake levers that cut the motor', 'part')];
          case 'operablePedals':
          case 'twoBrakes':
          case 'lights':
            return [];
        }
    }
  };
  return drafts().filter((d) => d !== undefined);
}
