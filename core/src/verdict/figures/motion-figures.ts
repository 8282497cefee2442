import { HILL_WORDS, givesOut, hillOutcome } from '../hill-outcome.ts';
import { sameGear } from '../../machine/driveline.ts';
import { msToKmh } from '../../quantity/units.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure } from '../figure.ts';
import type { Study } from '../study.ts';
import {
  FORMULA_SOURCES,
  NOT_MODELLED,
  PEAK_AMPS,
  balanceSteps,
  powerInputs,
  roadInputs,
} from './physics-rows.ts';

const BALANCE = [
  'Fm(v) + Fr(v) = m g (sin theta + Crr cos theta) + 0.5 rho CdA (v + w)^2',
  'Fm = (Kt I - Th - ce omega) n eta,  omega = n v,  E = Kt omega',
  'I = the least of: (Voc - E) / (R + Rb);  2P / (E + 0.3 + sqrt((E + 0.3)^2 + 4 R P));  I max;  each faded near the speed limit',
] as const;

/** What is shown to a tenth is reached to half of one, km/h. */
const HAIR_KMH = 0.05;
/** A start with a fifth in hand is no trouble. Common practice. */
const AMPLE = 1.2;

/** Top speed on the level with all help, at half charge. */
export function topSpeedFigure(study: Study): Figure {
  const { top, known, topFull } = study;
  const wanted = known.brief.cruiseSpeedKmh.value;
  const kmh = top.moves ? msToKmh(top.v) : undefined;
  const fast = (kmh ?? 0) + HAIR_KMH >= wanted ? 'fine' : 'look';
  const state: State = kmh === undefined ? 'stop' : fast;
  const condition: Phrase = top.moves
    ? [`half charge, ${study.limitNames[top.traction.limit]}`]
    : ['does not move on the level'];
  return {
    id: 'top-speed',
    label: 'Top speed',
    state,
    value: kmh,
    upTo: undefined,
    unit: 'km/h',
    words: kmh === undefined ? 'Stands' : undefined,
    condition,
    get working() {
      return {
        formulas: BALANCE,
        inputs: [...roadInputs(study), ...powerInputs(study), inputRow('wanted', known.brief.cruiseSpeedKmh)],
        steps: [
          ...(top.moves ? balanceSteps(study, top.v, top.traction, 0) : []),
          ...(topFull.moves
            ? [stepRow('v full', 'The same at the charge limit', msToKmh(topFull.v), 'km/h')]
            : []),
        ],
        sources: FORMULA_SOURCES,
        leftOut: [NOT_MODELLED, 'Stated at half charge: a full pack is faster where voltage binds.'],
      };
    },
  };
}

/** Below this a bicycle is hard to balance uphill, km/h. Common practice, no source. */
const WOBBLE_KMH = 6;

/** The brief's test hill at its steady speed. */
export function hillFigure(study: Study): Figure {
  const { climb, known, build } = study;
  const grade = known.brief.hillGradePct;
  const name = build.brief.hillName === '' ? 'test hill' : build.brief.hillName;
  const kmh = climb.climbs ? msToKmh(climb.v) : undefined;
  const twoWheels = build.donor.wheelCount === 2;
  const steady = (kmh ?? 0) < WOBBLE_KMH && twoWheels ? 'look' : 'fine';
  const outcome = hillOutcome(study);
  const climbs = outcome.kind === 'climbs';
  const state: State = climbs ? steady : 'stop';
  const traction = climb.climbs
    ? {
        totalN: climb.motorN + climb.riderN,
        motorN: climb.motorN,
        riderN: climb.riderN,
        phaseA: climb.phaseA,
        limit: climb.limit,
        gear: study.machine.gears.find((g) => sameGear(g, climb)),
      }
    : undefined;
  const gear = traction?.gear;
  return {
    id: 'hill',
    label: 'Test hill',
    state,
    value: climbs ? kmh : undefined,
    upTo: undefined,
    unit: 'km/h',
    words: climbs ? undefined : HILL_WORDS[outcome.kind],
    condition: givesOut(outcome, climb) ?? [`${name}, `, qty(grade.value, '%')],
    get working() {
      return {
        formulas: [...BALANCE, 'time = length / v;  energy = watts from the pack x time'],
        inputs: [
          inputRow('length', known.brief.hillLengthM),
          inputRow('grade', grade),
          ...roadInputs(study),
          ...powerInputs(study),
        ],
        steps:
          climb.climbs && traction !== undefined && gear !== undefined
            ? [
                ...balanceSteps(study, climb.v, { ...traction, gear }, grade.value),
                stepRow('t', 'Time on the hill', climb.seconds, 's'),
                stepRow('Pb', 'Taken from the pack', climb.batteryW, 'W'),
                stepRow('Pm', 'At the motor’s shaft', climb.motorW, 'W'),
                stepRow('Pcu', 'Lost in copper and controller', climb.copperW, 'W'),
                stepRow('W', 'Energy for the hill', climb.energyWh, 'Wh'),
              ]
            : [stepRow('F', 'Force at standstill', climb.climbs ? 0 : climb.forceN, 'N')],
        sources: FORMULA_SOURCES,
        leftOut: [NOT_MODELLED, PEAK_AMPS, 'Steady speed on an even grade: the run-up is left out.'],
      };
    },
  };
}

const DECIDES = { force: 'force at rest', grip: 'tyre grip', 'front-lift': 'front wheel lifts' } as const;

/** Steepest grade it can move off on. */
export function startFigure(study: Study): Figure {
  const { start, known } = study;
  const wanted = known.brief.hillGradePct.value;
  const ample = start.gradePct < wanted * AMPLE ? 'look' : 'fine';
  const state: State = start.gradePct < wanted ? 'stop' : ample;
  return {
    id: 'start',
    label: 'Starts on',
    state,
    value: start.gradePct,
    upTo: undefined,
    unit: '%',
    words: undefined,
    condition: [`limit: ${DECIDES[start.decides]}`],
    get working() {
      return {
        formulas: [
          'by force: tan(asin(F / (m g sqrt(1 + Crr^2))) - atan Crr)',
          'by grip, rear drive: mu (L - a) / (L - mu h);  front drive: mu a / (L + mu h)',
          'front lift: a / h;  the least of the three decides',
        ],
        inputs: [
          inputRow('L', known.donor.wheelbaseMm),
          inputRow('h', known.donor.massHeightMm),
          inputRow('a', known.donor.massAheadMm),
          inputRow('mu', known.donor.tyreGrip),
          inputRow('Crr', known.donor.crr),
          inputRow('I max', known.controller.phaseCurrentA),
          inputRow('Kv', known.drive.kvRpmPerV),
          inputRow('G', known.drive.reduction),
          inputRow('Pr', known.brief.riderPowerW),
        ],
        steps: [
          stepRow('m', 'All masses together', study.machine.road.massKg, 'kg'),
          stepRow('F', 'Force at the tyre at rest, motor and rider', start.forceN, 'N'),
          stepRow('', 'By force', start.byForcePct ?? 'no limit', '%'),
          stepRow('', 'By grip', start.byGripPct ?? 'the front lifts first', '%'),
          stepRow('', 'By front lift', start.byLiftPct, '%'),
        ],
        sources: ['Statics of a two-wheeled machine on a slope, derived.', ...FORMULA_SOURCES],
        leftOut: [
          PEAK_AMPS,
          'At that grade nothing is left over to gather speed with.',
          'A trike’s side-to-side balance is not modelled yet.',
        ],
      };
    },
  };
}
