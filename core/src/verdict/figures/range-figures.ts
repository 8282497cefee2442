import { coldAgedCapacityAh } from '../../machine/battery.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure } from '../figure.ts';
import { MIXED_RIDING } from '../../ride/stated.ts';
import type { RangeOutcome, RangeResult } from '../../ride/range.ts';
import type { Study } from '../study.ts';
import { FORMULA_SOURCES, powerInputs, roadInputs } from './physics-rows.ts';

/** What the range leaves out as it is worked out here; said wherever a range is shown. */
export const RANGE_LEFT_OUT = [
  'Level road, constant speed, steady wind: stops and grades take about 15 % off (common practice, no source). Ride a route on the Range stage for its own figure.',
] as const;

/** The span of range that may be planned on, in m, the reserve already kept back. */
export interface PlannedRange {
  /** Legs resting (their share of the load where help is in proportion), with stops and small grades. */
  readonly low: number;
  /** The rider's power all the way, steady and level. */
  readonly high: number;
}

/** The planned span of a speed that is held with the rider's help; `reserve` is the share kept back. */
export function plannedSpan(helped: RangeResult, rested: RangeOutcome, reserve: number): PlannedRange {
  const kept = 1 - reserve;
  return { low: rested.holds ? rested.metres * kept * MIXED_RIDING : 0, high: helped.metres * kept };
}

/** The planned range at the brief's speed, or undefined when it is not held even with the rider's help. */
const plannedRange = ({ range, rangeRested, known }: Study): PlannedRange | undefined =>
  range.holds ? plannedSpan(range, rangeRested, known.brief.reservePct.value / 100) : undefined;

function enough(planned: PlannedRange | undefined, wanted: number): State {
  if (planned === undefined || planned.high < wanted) return 'stop';
  return planned.low < wanted ? 'look' : 'fine';
}

/** Range at the brief's speed, less the reserve. */
export function rangeFigure(study: Study): Figure {
  const { range, rangeRested, known, machine } = study;
  const planned = plannedRange(study);
  const wanted = known.brief.distanceKm.value * 1000;
  const state = enough(planned, wanted);
  const speed = qty(known.brief.cruiseSpeedKmh.value, 'km/h', 0);
  const condition: Phrase = range.holds ? ['at ', speed, ', level'] : ['cannot hold ', speed];
  return {
    id: 'range',
    label: 'Range',
    state,
    value: planned === undefined ? undefined : planned.low / 1000,
    upTo: planned === undefined ? undefined : planned.high / 1000,
    unit: 'km',
    words: planned === undefined ? 'None' : undefined,
    condition,
    get working() {
      return {
        formulas: [
          'distance = v x integral of Q dq / Ib(q), from the charge limit to the end',
          'Ib = 2 Pb / (Voc + sqrt(Voc^2 - 4 Rb Pb)),  Pb = (E + 0.3 + I R) I + standby',
          'I = (F / (n eta) + Th + ce omega) / Kt,  F = road load - rider',
          'far end = distance x (1 - reserve);  near end = the same with legs resting, x 0.85',
        ],
        inputs: [
          inputRow('v', known.brief.cruiseSpeedKmh),
          inputRow('reserve', known.brief.reservePct),
          inputRow('charged', known.packs[0].chargeLimitPct),
          inputRow('Vn', known.packs[0].nominalV),
          ...roadInputs(study),
          ...powerInputs(study),
        ],
        steps:
          range.holds && planned !== undefined
            ? [
                stepRow(
                  'Wh',
                  'Energy on the label, V x Ah',
                  known.packs[0].nominalV.value * machine.pack.capacityAh,
                  'Wh',
                ),
                stepRow('Q', 'Capacity at this age and temperature', coldAgedCapacityAh(machine.pack), 'Ah'),
                stepRow(
                  '',
                  `Ends at this charge, by ${study.limitNames[range.ends]}`,
                  range.endCharge * 100,
                  '%',
                ),
                stepRow('Fr', 'Rider’s share of the force', range.riderN, 'N'),
                stepRow('Fm', 'Motor’s share of the force', range.motorN, 'N'),
                stepRow('Ib', 'Current at half charge', range.batteryA, 'A'),
                stepRow('', 'Energy at half charge', range.whPerKm, 'Wh/km'),
                stepRow('', 'Energy taken in all', range.usedWh, 'Wh'),
                stepRow('', 'With the rider, to the end of the charge', range.metres / 1000, 'km'),
                stepRow('', 'With the rider, less the reserve', planned.high / 1000, 'km'),
                ...(rangeRested.holds
                  ? [
                      stepRow('', 'Legs resting: energy at half charge', rangeRested.whPerKm, 'Wh/km'),
                      stepRow('', 'Legs resting, to the end of the charge', rangeRested.metres / 1000, 'km'),
                    ]
                  : [stepRow('', 'Legs resting', 'speed not held', 'km')]),
                stepRow(
                  '',
                  'Legs resting, stops and small grades, less the reserve',
                  planned.low / 1000,
                  'km',
                ),
                stepRow('', 'Wanted', wanted / 1000, 'km'),
              ]
            : [],
        sources: FORMULA_SOURCES,
        leftOut: RANGE_LEFT_OUT,
      };
    },
  };
}

/** Energy per distance at the brief's speed, from the rider's help to legs resting. */
export function consumptionFigure(study: Study): Figure {
  const { range, rangeRested, known } = study;
  const rider = qty(known.brief.riderPowerW.value, 'W');
  return {
    id: 'consumption',
    label: 'Energy',
    state: range.holds ? 'fine' : 'stop',
    value: range.holds ? range.whPerKm : undefined,
    upTo: range.holds && rangeRested.holds ? rangeRested.whPerKm : undefined,
    unit: 'Wh/km',
    words: range.holds ? undefined : 'None',
    condition: ['rider ', rider, ' to resting'],
    get working() {
      return {
        formulas: [
          'Wh/km = watts from the pack / speed in km/h',
          'Pb = (E + 0.3 + I R) I + standby',
          'I = (F / (n eta) + Th + ce omega) / Kt,  F = road load - rider',
        ],
        inputs: [inputRow('v', known.brief.cruiseSpeedKmh), ...roadInputs(study), ...powerInputs(study)],
        steps: range.holds
          ? [
              stepRow('Fr', 'Rider’s share of the force', range.riderN, 'N'),
              stepRow('Fm', 'Motor’s share of the force', range.motorN, 'N'),
              stepRow('Ib', 'Current at half charge', range.batteryA, 'A'),
              stepRow('', 'With the rider', range.whPerKm, 'Wh/km'),
              ...(rangeRested.holds ? [stepRow('', 'Legs resting', rangeRested.whPerKm, 'Wh/km')] : []),
            ]
          : [],
        sources: FORMULA_SOURCES,
        leftOut: RANGE_LEFT_OUT,
      };
    },
  };
}

/** What may be planned on, the reserve kept back, km; undefined where the brief's speed is not held. */
export function plannedKm(study: Study): { readonly low: number; readonly high: number } | undefined {
  const planned = plannedRange(study);
  return planned === undefined ? undefined : { low: planned.low / 1000, high: planned.high / 1000 };
}
