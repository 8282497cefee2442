/** What the numbers of a rule may be held against: value of the build, its own unit, and words for it. */
export const NUMBER_FACTS = {
  ratedPowerW: { unit: 'W', words: 'rated continuous power' },
  peakWheelW: { unit: 'W', words: 'most power at the wheel' },
  assistEndKmh: { unit: 'km/h', words: 'speed at which help ends' },
  motorAloneKmh: { unit: 'km/h', words: 'top speed on the motor alone, 170 lb rider, level' },
  throttleAloneKmh: { unit: 'km/h', words: 'top speed by hand control alone, full charge' },
  wheelCount: { unit: '1', words: 'number of wheels' },
  massKg: { unit: 'kg', words: 'mass ready to ride, without rider' },
  nominalV: { unit: 'V', words: 'nominal volts of the pack' },
  widthMm: { unit: 'mm', words: 'width over all' },
  wheelbaseMm: { unit: 'mm', words: 'wheelbase' },
  wheelDiameterMm: { unit: 'mm', words: 'wheel over its tyre' },
  tyreWidthMm: { unit: 'mm', words: 'width of the tyre' },
} as const satisfies Record<string, { unit: LimitUnit; words: string }>;
export type NumberFactName = keyof typeof NUMBER_FACTS;
export const NUMBER_FACT_NAMES = Object.keys(NUMBER_FACTS) as [NumberFactName, ...NumberFactName[]];

/** What the yes-or-no clauses ask. */
export const ANSWER_FACTS = {
  operablePedals: 'pedals that can drive it',
  motorStopsWithPedals: 'motor cannot run with the pedals still',
  pedalHelpStops: 'pedal help stops with the pedals, a hand control need not',
  helpFades: 'help fades towards the cut-off',
  throttle: 'hand control that drives it alone',
  speedometer: 'speedometer fitted',
  classLabel: 'label or marking fitted',
  brakesCutMotor: 'brake levers cut the motor',
  twoBrakes: 'two independent brakes',
  lights: 'lights fitted',
} as const;
export type AnswerFactName = keyof typeof ANSWER_FACTS;
export const ANSWER_FACT_NAMES = Object.keys(ANSWER_FACTS) as [AnswerFactName, ...AnswerFactName[]];

/** Units a limit may be written in: the instrument's own. */
export const LIMIT_UNITS = ['W', 'hp', 'km/h', 'mph', 'kg', 'lb', 'V', 'mm', 'in', '1'] as const;
type LimitUnit = (typeof LIMIT_UNITS)[number];

export const DUTY_KINDS = [
  'age',
  'helmet',
  'licence',
  'registration',
  'insurance',
  'label',
  'speedometer',
  'brakes',
  'lighting',
  'approval',
  'other',
] as const;

/** What a duty may want on the machine. */
export const DUTY_FITTINGS = ['lamps', 'reflectors', 'bell', 'mirror', 'plate', 'label'] as const;

export const RULES_FORMAT = 'apple-cart-rules';
export const REGIONS = ['Europe', 'North America', 'South America', 'Asia', 'Oceania', 'Own'] as const;
