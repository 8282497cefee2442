/** A permanent-magnet motor as its direct-current equivalent, SI. */
export interface Motor {
  /** Torque per phase ampere, N m/A, equal to the back EMF per rad/s; of magnets at 20 C where nothing else is said. */
  readonly kt: number;
  /** What the magnets, and the torque constant with them, lose for each kelvin, as a share of that at 20 C. */
  readonly weakerPerK: number;
  /** Winding, line to line, at 20 C. */
  readonly resistance20: number;
  /** Core drag that does not depend on speed, N m. */
  readonly hysteresisNm: number;
  /** Core drag per rad/s, N m s. */
  readonly eddyNms: number;
  readonly freewheel: boolean;
  /** Undefined for a motor whose controller turns the current from winding to winding. */
  readonly brushes?: Brushes;
}

/** A motor with brushes and the one-quadrant chopper that feeds it. */
interface Brushes {
  /** Lost in both brushes, and in the diode through which the current runs on while the switch is open, V. */
  readonly brushV: number;
  readonly diodeV: number;
}

/** Fixed drop of a three-phase bridge, V. From memory. */
const BRIDGE_V = 0.3;
/** A free-wheeling diode, V. From memory. */
export const DIODE_V = 0.7;

/** Fixed drops that the controller's power has to cover beside back EMF and resistance, V. */
export const fixedDrop = ({ brushes }: Motor): number =>
  brushes === undefined ? BRIDGE_V : brushes.brushV + brushes.diodeV;

/**
 * What the pack gives for each watt that the motor's circuit takes, fixed drops counted. A chopper is on for the share
 * D = (E + Vb + I R + Vf) / (V + Vf) of the time and takes D I from the pack: V / (V + Vf) of E' I. Derived from
 * D V = E + Vb + I R + (1 - D) Vf.
 */
export const packShare = ({ brushes }: Motor, busV: number): number =>
  brushes === undefined ? 1 : busV / (busV + brushes.diodeV);

/** Temperature coefficient of copper's resistance at 20 C, 1/K (IEC 60028: 0.00393). */
const COPPER_PER_K = 0.00393;

/** Torque constant in N m/A from the speed constant in rpm/V: Kt = 60 / (2 pi Kv). Exact identity in SI. */
export const torqueConstant = (kvRpmPerV: number): number => 60 / (2 * Math.PI * kvRpmPerV);

/** Resistance at a winding temperature: R20 (1 + 0.00393 (T - 20)). */
export const warmResistance = (resistance20: number, windingC: number): number =>
  resistance20 * (1 + COPPER_PER_K * (windingC - 20));

/** From this temperature down grease stiffens, C. */
const SUPPLE_C = 20;

/** The constant drag of a motor with gears in the cold, as a multiple of that at 20 C and above: 1 + 0.02 (20 - T). From memory. */
export const coldGrease = (airC: number): number => 1 + 0.02 * Math.max(0, SUPPLE_C - airC);

/** Torque the core takes at motor speed `omega` rad/s, N m. */
export const coreDrag = (motor: Motor, omega: number): number =>
  omega > 0 ? motor.hysteresisNm + motor.eddyNms * omega : 0;

/** Share of their strength at 20 C that magnets lose for each kelvin: of neodymium, and the ferrite of motors with brushes. From memory. */
export const WEAKER_PER_K = { neodymium: 0.0011, ferrite: 0.002 } as const;
/** Magnets this weak are spoiled long before, and by more than their warmth: the line is followed no further. */
const WEAKEST = 0.4;

/** Strength of magnets at a temperature as a share of that at 20 C: 1 - p (T - 20). */
export const magnetShare = ({ weakerPerK }: Motor, magnetC: number): number =>
  Math.max(WEAKEST, 1 - weakerPerK * (magnetC - 20));

/** How much the winding's resistance grows per kelvin above 20 C, as a share of that at 20 C. */
export const copperGrowth = COPPER_PER_K;

/**
 * Force at the tyre in N for a phase current: (Kt I - core drag) n eta while driving, divided by eta when
 * the wheel drives the motor; never below 0 with a freewheel.
 * `ratio` is motor rad/s per m/s of road speed, `efficiency` that of all gears to the tyre.
 */
export function wheelForce(
  motor: Motor,
  ratio: number,
  efficiency: number,
  phaseA: number,
  v: number,
): number {
  const torque = motor.kt * phaseA - coreDrag(motor, ratio * v);
  if (torque >= 0) return torque * ratio * efficiency;
  return motor.freewheel ? 0 : (torque * ratio) / efficiency;
}

/**
 * Motor speed at which the net torque is nought, rad/s: all the current that the volts still drive goes into core drag. An
 * upper bound: on the road rolling and air ask for more. Kt I = Th + ce w with I = (V - Vd - Kt w)/R. Derived.
 * @param volts open-circuit volts of the pack
 * @param ohm winding, controller and pack together
 */
export function unloadedSpeed(motor: Motor, volts: number, ohm: number): number {
  const { kt, hysteresisNm, eddyNms } = motor;
  return Math.max(
    0,
    (kt * (volts - (motor.brushes?.brushV ?? 0)) - hysteresisNm * ohm) / (kt * kt + eddyNms * ohm),
  );
}
