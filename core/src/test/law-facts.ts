import type { Answer } from '../document/choices.ts';
import type { AnswerFact, NumberFact } from '../law/fact.ts';
import type { LawFacts } from '../law/facts.ts';

/** A number a clause may be held against; a band where two are given. */
export const number = (low: number, high = low, source: NumberFact['source'] = 'measured'): NumberFact => ({
  kind: 'number',
  low,
  high,
  source,
  how: '',
});

export const say = (answer: Answer): AnswerFact => ({ kind: 'answer', answer, how: '' });

/** A pedal-assist cycle of 250 W that ends at 24.9 km/h: inside in most places. */
export const CYCLE: LawFacts = {
  ratedPowerW: number(250),
  peakWheelW: number(190),
  assistEndKmh: number(24.9),
  motorAloneKmh: number(0),
  throttleAloneKmh: number(0),
  wheelCount: number(2),
  massKg: number(19),
  nominalV: number(36),
  widthMm: number(620),
  wheelbaseMm: number(1080),
  wheelDiameterMm: number(700),
  tyreWidthMm: number(42),
  operablePedals: say('yes'),
  motorStopsWithPedals: say('yes'),
  pedalHelpStops: say('yes'),
  helpFades: say('yes'),
  throttle: say('no'),
  speedometer: say('yes'),
  classLabel: say('yes'),
  brakesCutMotor: say('yes'),
  twoBrakes: say('yes'),
  lights: say('yes'),
  assistRatio: {
    kind: 'curve',
    corners: [
      { kmh: 0, ratio: 1 },
      { kmh: 10, ratio: 1 },
      { kmh: 23, ratio: 0 },
    ],
    how: '',
  },
};
