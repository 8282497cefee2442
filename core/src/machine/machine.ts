import type { BuildDocument } from '../document/document.ts';
import type { Pack } from './battery.ts';
import type { ControllerHeat } from './controller-heat.ts';
import type { Gear } from './driveline.ts';
import type { RatioSpan } from './ratios.ts';
import type { Limits } from './limits.ts';
import type { Motor } from './motor.ts';
import type { Regeneration } from './regeneration.ts';
import type { Thermal } from './thermal.ts';
import type { Rider } from './rider.ts';
import type { RoadLoad } from './road-load.ts';

/** Geometry that decides grip and front lift, m, with the machine laden. */
export interface Balance {
  readonly wheelbase: number;
  readonly massHeight: number;
  readonly massAhead: number;
  readonly grip: number;
  /** Mass towed over the mass that stands on the machine's own wheels, and the height of its hitch, m. */
  readonly towed: number;
  readonly hitchHeight: number;
  readonly drivenWheel: 'front' | 'rear' | 'both';
}

/** One pack of a machine, as a ride drains it. */
export interface PackAboard {
  readonly pack: Pack;
  /** Its protection carries this much, A. */
  readonly bmsA: number;
  /** State of charge when a ride begins, 0 to 1. */
  readonly charge: number;
}

/** Current against the magnets, A: the most that is allowed, and that at which nothing of them is left. */
interface Weakening {
  readonly amps: number;
  readonly cancelA: number;
}

/** A build as the physics sees it, SI throughout. */
export interface Machine {
  readonly kind: BuildDocument['drive']['kind'];
  /** Equal motors, of which `motor` is the sum: what one carries is its share of this. */
  readonly motors: 1 | 2;
  readonly machineMassKg: number;
  /** The trailer with its load, kg; part of the road's mass. */
  readonly towedKg: number;
  readonly road: RoadLoad;
  readonly motor: Motor;
  /** Winding at its working temperature plus the controller, ohm. */
  readonly circuitOhm: number;
  /** Fixed drops in that circuit, V, and what the pack gives for each watt that it takes. */
  readonly dropV: number;
  readonly packShare: number;
  /** The controller's own share of it. */
  readonly controllerOhm: number;
  /** Efficiency from motor shaft to tyre. */
  readonly efficiency: number;
  /** Inside the motor alone: what it does not pass on warms its shell. */
  readonly gearEfficiency: number;
  readonly chainEfficiency: number;
  /** Field weakening that the controller states, A, and the current that would cancel the magnets; undefined without it. */
  readonly weakening?: Weakening | undefined;
  readonly wheelRadius: number;
  readonly gears: readonly Gear[];
  /** Where nobody has read how the motor is geared: its gears stand for every ratio of these. */
  readonly anyRatio?: readonly RatioSpan[];
  readonly heldGear: Gear | null;
  readonly limits: Limits;
  /** The part of the standby power that lights and other accessories take, W. */
  readonly accessoryW: number;
  readonly thermal: Thermal;
  readonly controllerHeat: ControllerHeat;
  /** What braking may give back; undefined where it cannot. */
  readonly regeneration: Regeneration | undefined;
  readonly airC: number;
  /** The pack that speeds and hills are worked out on: the first, or all where they are joined directly. */
  readonly pack: Pack;
  /** Packs beside it, in the order of use; none where all are joined directly. */
  readonly others: readonly PackAboard[];
  /** How they come together, and what each diode between them drops, V. */
  readonly join: 'switch' | 'combiner';
  readonly diodeV: number;
  readonly rider: Rider;
  /** What lets the motor work: a throttle, turning pedals, or nothing fitted. */
  readonly control: 'throttle' | 'pedals' | 'none';
  /**
   * Motor watts per rider watt at most while ridden by the pedals, or torque at the wheel per torque at the cranks where help
   * follows that; Infinity when help follows neither.
   */
  readonly assistRatio: number;
  /** What that ratio is of. */
  readonly assistOf: 'power' | 'torque';
  /** Share of the way that is ridden by the throttle, 0 to 1. */
  readonly throttleShare: number;
  readonly balance: Balance;
}

/** Everything that stands on the machine's own wheels, kg. */
export const standingKg = ({ road, towedKg }: Machine): number => road.massKg - towedKg;
