import type { LeftOverWork } from '../../document/harness.ts';

/** A plug that many controllers bring along, and how it is known. Common practice, no source. */
interface LeftOverSpec {
  /** How it is told from the others. */
  readonly looks: string;
  /** What it does once it is joined. */
  readonly does: string;
}

export const LEFT_OVER_LOOKS: Readonly<Record<LeftOverWork, LeftOverSpec>> = {
  limit: {
    looks: 'two single wires of one colour that meet in a plug',
    does: 'holds the speed down as it is joined, on some as it is parted',
  },
  steps: {
    looks: 'three thin wires, one of them ground',
    does: 'a switch on the bar sets how far it goes',
  },
  cruise: {
    looks: 'two thin wires to a button',
    does: 'it drives on at the speed of the moment without the hand',
  },
  reverse: {
    looks: 'two thin wires; joined, the wheel turns backwards',
    does: 'turns the motor the other way',
  },
  'brake-high': {
    looks: 'one thin wire beside the plugs of the levers',
    does: 'ends the drive as a brake lamp’s 12 V reach it',
  },
  learn: {
    looks: 'two wires of one colour, often white, near the sensors’ plug',
    does: 'tries out phases and sensors by turning the wheel by itself',
  },
  lock: {
    looks: 'a plug of pack volts with one or two thin wires',
    does: 'an alarm holds the wheel by the motor',
  },
  speed: {
    looks: 'one thin wire, pulses as the wheel turns',
    does: 'tells a display how fast the motor turns',
  },
  lamp: {
    looks: 'two wires, volts as a lamp key is pressed',
    does: 'feeds a lamp: at 6 or 12 V, on some at the volts of the pack',
  },
  other: { looks: 'nobody knows yet', does: 'nobody knows yet' },
};
