import { placeOf } from '../../machine/controller-heat.ts';
import type { Machine } from '../../machine/machine.ts';
import { magnetShare } from '../../machine/motor.ts';
import { bearableC } from '../../ride/continuous.ts';
import { formatNumber } from '../../quantity/format.ts';
import { qty, type Phrase } from '../../quantity/phrase.ts';
import type { HeatTimes } from '../../trips/hill-heat.ts';
import type { State } from '../../check/state.ts';
import { inputRow, stepRow, type Figure } from '../figure.ts';
import type { Study } from '../study.ts';

/** What the two-body heat of the motor rests on; said wherever a temperature is shown. */
const HEAT_SOURCES = [
  'Motor: two bodies, winding and shell, stepped by backward Euler; heat to air h0 + h1 v^0.7, from memory.',
  'Magnets: 0.11 % weaker for each kelvin, ferrite ones of a motor with brushes 0.2 %, from memory.',
  'Controller: one body by its battery limit, from memory, within some 35 %; in the wind, in a box, on metal or in the motor.',
  'Heat values of a motor are estimates until they are fitted from a log; a maker’s curve wins.',
] as const;

const PLACE_WORDS = {
  wind: 'in the wind',
  box: 'in a bag or box',
  plate: 'on metal',
  motor: 'in the motor',
} as const;

/** What they are of is taken from the kind of motor. */
const magnetsOf = ({ motor }: Machine): string => (motor.brushes === undefined ? 'neodymium' : 'ferrite');

/** Whole minutes are enough for what is longer than this, min. */
const LONG_MIN = 10;
const minutes = (seconds: number) => qty(seconds / 60, 'min', seconds / 60 < LONG_MIN ? 1 : 0);

/** How long the climb takes, and how long such a climb is borne, in words. */
function lastsWords({ tooHotAfter }: HeatTimes, climbSeconds: number): Phrase {
  if (tooHotAfter === undefined) return ['lasts: never too hot'];
  const borne = tooHotAfter / 60;
  return [minutes(climbSeconds), ` asked, ${formatNumber(borne, borne < LONG_MIN ? 1 : 0)} borne`];
}

/** Room that a climb should leave: a hill twice as long comes soon enough. */
const ROOM = 2;

/** The winding, or what it leaves of the motor, does not last to the top. */
export function isTooHot({ climb, hillRide, known }: Study): boolean {
  const up = climb.climbs && hillRide !== undefined && hillRide.ends !== 'stalled';
  return !up || hillRide.hottestC >= known.drive.damageC.value;
}

function stateOf(study: Study): State {
  const { climb, heat } = study;
  if (isTooHot(study) || !climb.climbs) return 'stop';
  return (heat.tooHotAfter ?? Infinity) < ROOM * climb.seconds ? 'look' : 'fine';
}

/** The winding at the top of the test hill, from cold, and how long such a climb lasts. */
export function heatFigure(study: Study): Figure {
  const { climb, hillRide, heat, machine, known, build } = study;
  const hottest = hillRide?.hottestC;
  const state = stateOf(study);
  const { thermal } = machine;
  return {
    id: 'heat',
    label: 'Hottest winding',
    state,
    value: climb.climbs ? hottest : undefined,
    upTo: undefined,
    unit: 'C',
    words: climb.climbs ? undefined : 'Stalls',
    condition: climb.climbs ? lastsWords(heat, climb.seconds) : ['a stalled motor burns'],
    get working() {
      return {
        formulas: [
          'Cw dTw/dt = I^2 R(Tw) + (Th + ce omega) omega - G (Tw - Ts)',
          'Cs dTs/dt = G (Tw - Ts) + gear loss - (h0 + h1 v^0.7)(Ts - Ta)',
          'C dTc/dt = 0.3 I + Rc I^2 + standby - G (Tc - Ta), the controller’s case by its amps and its place',
          'Kt(Ts) = Kt20 (1 - p (Ts - 20)): magnets as warm as the shell weaken, and the same force takes more amps',
          'R(Tw) = R20 (1 + 0.00393 (Tw - 20)); phase limit x (T2 - Tw) / (T2 - T1) between T1 and T2',
        ],
        inputs: [
          inputRow('Cw', known.drive.windingHeatJK),
          inputRow('Cs', known.drive.shellHeatJK),
          inputRow('G', known.drive.coupleWK),
          ...(build.drive.fluid ? [inputRow('x', known.drive.fluidFactor)] : []),
          inputRow('h0', known.drive.coolStillWK),
          inputRow('h1', known.drive.coolMovingWK),
          inputRow('Ta', known.brief.temperatureC),
          ...(build.drive.windingSensor === 'yes'
            ? [inputRow('T1', known.drive.rollbackStartC), inputRow('T2', known.drive.rollbackEndC)]
            : []),
          inputRow('Td', known.drive.damageC),
          inputRow('Tc1', known.controller.foldStartC),
          inputRow('Tc2', known.controller.foldEndC),
          inputRow('R20', known.drive.resistanceOhm),
          inputRow('length', known.brief.hillLengthM),
          inputRow('grade', known.brief.hillGradePct),
        ],
        steps:
          hillRide === undefined || !climb.climbs
            ? []
            : [
                stepRow('I', 'Phase current on the hill', climb.phaseA, 'A'),
                stepRow('G', 'Winding to shell', thermal.coupleWK, 'W/K'),
                stepRow('t', 'Time on the hill', hillRide.seconds, 's'),
                stepRow('Ts', 'Shell at the top, and the magnets in it', hillRide.warmth.shellC, 'C'),
                stepRow(
                  'Kt/Kt20',
                  `Strength of its ${magnetsOf(machine)} magnets there`,
                  100 * magnetShare(machine.motor, hillRide.warmth.shellC),
                  '%',
                ),
                stepRow('Tw', 'Winding at the top', hillRide.hottestC, 'C'),
                stepRow(
                  'Tc',
                  `Controller at the top, ${PLACE_WORDS[placeOf(build)]}`,
                  hillRide.caseHottestC,
                  'C',
                ),
                stepRow('', 'Borne for ever up to', bearableC(machine), 'C'),
                stepRow(
                  '',
                  'On the same grade without an end: too hot after',
                  heat.tooHotAfter === undefined ? 'not in two hours' : heat.tooHotAfter / 60,
                  'min',
                ),
              ],
        sources: HEAT_SOURCES,
        leftOut: [
          'Heat left from a climb before: see the repeated climb on the Hill stage.',
          ...(build.controller.place === 'unknown'
            ? [`Where the controller sits is not known: it is taken as ${PLACE_WORDS[placeOf(build)]}.`]
            : []),
          ...(build.drive.windingSensor === 'unknown'
            ? ['Whether a sensor lets the controller hold back is not known: none is counted on.']
            : []),
        ],
      };
    },
  };
}
