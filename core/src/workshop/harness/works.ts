import type { PinWork } from '../../document/harness.ts';
import type { Volts } from '../pins/spans.ts';

/** What a pin is to the rest, by what it carries. */
export interface WorkSpec {
  readonly name: string;
  readonly kind: 'power' | 'supply' | 'ground' | 'phase' | 'signal' | 'none' | 'unknown';
  /** Against ground, standing still and at work; undefined where a meter tells nothing. */
  readonly rest: Volts | undefined;
  readonly work: Volts | undefined;
  /** What it says to look for at work. */
  readonly at: string;
}

const spec = (
  name: string,
  kind: WorkSpec['kind'],
  rest: Volts | undefined,
  work: Volts | undefined = rest,
  at = 'the same',
): WorkSpec => ({ name, kind, rest, work, at });

const PULSE: Volts = [0, 5.3];

/**
 * Works of pins with what a meter shows against ground. Common practice, no source: 5 V sensors, cut-off lines that are pulled to
 * ground, serial lines that idle high.
 * @param pack volts of the pack from empty to full
 */
export const worksOf = (pack: Volts): Readonly<Record<PinWork, WorkSpec>> => ({
  'pack-plus': spec('pack +', 'power', pack),
  'pack-minus': spec('pack −', 'power', [0, 0.05]),
  'charge-plus': spec('charge +', 'power', pack),
  'charge-minus': spec('charge −', 'power', [0, 0.05]),
  switched: spec('switched pack +', 'supply', pack),
  lock: spec('lock', 'supply', pack),
  supply5: spec('5 V', 'supply', [4.3, 5.3]),
  supply12: spec('12 V', 'supply', [11, 14]),
  ground: spec('0 V', 'ground', [0, 0.05]),
  'phase-a': spec('phase A', 'phase', undefined),
  'phase-b': spec('phase B', 'phase', undefined),
  'phase-c': spec('phase C', 'phase', undefined),
  'hall-a': spec('hall A', 'signal', PULSE, PULSE, 'pulses as it turns'),
  'hall-b': spec('hall B', 'signal', PULSE, PULSE, 'pulses as it turns'),
  'hall-c': spec('hall C', 'signal', PULSE, PULSE, 'pulses as it turns'),
  heat: spec('heat', 'signal', [0.3, 3.3]),
  throttle: spec('throttle', 'signal', [0.6, 1.15], [3.1, 4.5], 'fully open'),
  cutoff: spec('cut-off', 'signal', [3, 5.3], [0, 0.5], 'lever pulled'),
  pulse: spec('pulses', 'signal', PULSE, PULSE, 'as crank or wheel turns'),
  torque: spec('torque', 'signal', [0.7, 1.8], [1.9, 3.6], 'pressed on the pedal'),
  sends: spec('sends', 'signal', [1.5, 5.3]),
  hears: spec('hears', 'signal', [3, 5.3]),
  lamp: spec('lamp', 'supply', [0, 0.6], [5, 84], 'lamps on'),
  none: spec('not used', 'none', undefined),
  unknown: spec('not known', 'unknown', undefined),
});

/** What two pins that face each other have to be: the same, or the two ends of one line. */
const ANSWERS: Readonly<Partial<Record<PinWork, PinWork>>> = { sends: 'hears', hears: 'sends' };

/** Two pins that face each other carry the same thing. */
export const agrees = (a: PinWork, b: PinWork): boolean => (ANSWERS[a] ?? a) === b;
