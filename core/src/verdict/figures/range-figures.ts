import { countsUnder } from '../../document/counts-when.ts';
import { wholeCapacityAh } from '../../machine/battery.ts';
import { easeAt } from '../../ride/operating-point.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure, type WorkingRow } from '../figure.ts';
import { firstOf } from '../../quantity/first-of.ts';
import { kmhToMs, msToKmh } from '../../quantity/units.ts';
import { MIXED_RIDING } from '../../ride/stated.ts';
import {
  TOLD_H,
  heldMetres,
  outlastsTold,
  wholeMetres,
  type RangeOutcome,
} from '../../ride/range-outcome.ts';
import type { RideOn, RideOnEnd } from '../../ride/ride-on.ts';
import type { Study } from '../study.ts';
import { FORMULA_SOURCES, powerInputs, roadInputs } from './physics-rows.ts';

/** How it is ridden where throttle and pedals both drive it, and what legs give behind a sensor of cadence. */
function riddenRows({ build, known, machine }: Study): readonly WorkingRow[] {
  const ease = easeAt(machine, kmhToMs(known.brief.cruiseSpeedKmh.value));
  return [
    ...(countsUnder(build, 'controls.throttleSharePct')
      ? [inputRow('phi', known.controls.throttleSharePct)]
      : []),
    ...(ease < 1
      ? [stepRow('', 'Given of the rider’s power while the motor helps, common practice', 100 * ease, '%')]
      : []),
  ];
}

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

/** The planned span; `reserve` is the share kept back. A speed that is never held is ridden at what the machine gives. */
export const plannedSpan = (helped: RangeOutcome, rested: RangeOutcome, reserve: number): PlannedRange => ({
  low: heldMetres(rested) * (1 - reserve) * MIXED_RIDING,
  high: heldMetres(helped) * (1 - reserve),
});

/** The planned range at the brief's speed, or undefined for a machine that does not move. */
function plannedRange({ range, rangeRested, known }: Study): PlannedRange | undefined {
  const planned = plannedSpan(range, rangeRested, known.brief.reservePct.value / 100);
  return planned.high > 0 ? planned : undefined;
}

/** Going on more slowly is worth a word from this share of the range on. */
const WORTH_SAYING = 0.05;

/** Far end in all, with what is ridden on more slowly, less the reserve, m; undefined where that is no matter. */
function inAll({ range, known }: Study): number | undefined {
  if (!range.holds || range.endCharge <= 0.05) return undefined;
  const whole = wholeMetres(range);
  return whole > range.metres * (1 + WORTH_SAYING)
    ? whole * (1 - known.brief.reservePct.value / 100)
    : undefined;
}

/** Enough at the wanted speed is fine; enough only with the legs' help, or more slowly, asks for a look. */
function enough(planned: PlannedRange | undefined, { range, known }: Study, all: number | undefined): State {
  const wanted = known.brief.distanceKm.value * 1000;
  if (planned === undefined || Math.max(planned.high, all ?? 0) < wanted) return 'stop';
  return planned.low < wanted || !range.holds ? 'look' : 'fine';
}

/** At which speed, and what is left when it is no longer held. */
function rangeCondition({ range, known }: Study, all: number | undefined): Phrase {
  const speed = qty(known.brief.cruiseSpeedKmh.value, 'km/h', 0);
  if (range.holds && outlastsTold(range))
    return [speed, ': it takes next to nothing; told to ', qty(TOLD_H, 'h', 0), ' of riding'];
  if (range.holds)
    return all === undefined
      ? [speed, ', mixed to level']
      : ['at ', speed, '; ', qty(all / 1000, 'km', 0), ' in all'];
  if (range.on === undefined && range.limit === 'no-motor') return ['nothing asks the motor for help'];
  if (range.on === undefined)
    return range.wakes ? ['cannot hold ', speed] : ['cut-off: the motor never starts'];
  return ['at ', qty(msToKmh(range.on.fromV), 'km/h', 1), ' at most, not ', speed];
}

const ON_END: Readonly<Record<RideOnEnd, string>> = {
  empty: 'an empty pack',
  crawl: 'half of the speed, or walking pace',
  'legs-alone': 'the legs, which carry it on alone',
};

/** What is ridden on more slowly, in steps of the working. */
const onSteps = (name: string, on: RideOn | undefined): readonly WorkingRow[] =>
  on === undefined
    ? []
    : [
        stepRow('', `${name}: then more slowly, from`, msToKmh(on.fromV), 'km/h'),
        stepRow('', `falling to, ended by ${ON_END[on.ends]}`, msToKmh(on.toV), 'km/h'),
        stepRow('', 'so far', on.metres / 1000, 'km'),
      ];

/** Range at the brief's speed, less the reserve. */
export function rangeFigure(study: Study): Figure {
  const { range, rangeRested, known, machine } = study;
  const planned = plannedRange(study);
  const wanted = known.brief.distanceKm.value * 1000;
  const all = inAll(study);
  const state = enough(planned, study, all);
  const condition = rangeCondition(study, all);
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
          ...riddenRows(study),
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
                stepRow('Q', 'Capacity at this age and temperature', wholeCapacityAh(machine.pack), 'Ah'),
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
                ...onSteps('With the rider', all === undefined ? undefined : range.on),
                ...onSteps('Legs resting', rangeRested.holds ? undefined : rangeRested.on),
                stepRow(
                  '',
                  'Legs resting, stops and small grades, less the reserve',
                  planned.low / 1000,
                  'km',
                ),
                stepRow('', 'Wanted', wanted / 1000, 'km'),
              ]
            : [
                ...onSteps('With the rider', range.on),
                ...onSteps('Legs resting', rangeRested.on),
                stepRow('', 'Wanted', wanted / 1000, 'km'),
              ],
        sources: FORMULA_SOURCES,
        leftOut: RANGE_LEFT_OUT,
      };
    },
  };
}

/** Energy per distance at the speed, or at what the machine gives where it is not held. */
function whPerKm(range: RangeOutcome): number | undefined {
  if (range.holds) return range.whPerKm;
  return range.on === undefined || range.on.metres === 0
    ? undefined
    : range.on.usedWh / (range.on.metres / 1000);
}

/** Energy per distance at the brief's speed, from the rider's help to legs resting. */
export function consumptionFigure(study: Study): Figure {
  const { range, rangeRested, known } = study;
  const rider = qty(known.brief.riderPowerW.value, 'W');
  return {
    id: 'consumption',
    label: 'Energy',
    state: firstOf<State>(
      [
        [range.holds, 'fine'],
        [range.on !== undefined, 'look'],
      ],
      'stop',
    ),
    value: whPerKm(range),
    upTo: rangeRested.holds || !range.holds ? whPerKm(rangeRested) : undefined,
    unit: 'Wh/km',
    words: whPerKm(range) === undefined ? 'None' : undefined,
    condition: ['rider ', rider, ' to resting'],
    get working() {
      return {
        formulas: [
          'Wh/km = watts from the pack / speed in km/h',
          'Pb = (E + 0.3 + I R) I + standby',
          'I = (F / (n eta) + Th + ce omega) / Kt,  F = road load - rider',
        ],
        inputs: [
          inputRow('v', known.brief.cruiseSpeedKmh),
          ...roadInputs(study),
          ...powerInputs(study),
          ...riddenRows(study),
        ],
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
