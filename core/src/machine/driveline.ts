/** One gear: how motor and cranks turn with the road. */
export interface Gear {
  readonly cogTeeth: number;
  /** Motor rad/s per m/s of road speed: n = G x / r. */
  readonly motorRatio: number;
  /** Crank rad/s per m/s of road speed. */
  readonly crankRatio: number;
}

export interface DrivelineInput {
  /** Loaded radius, m. */
  readonly wheelRadius: number;
  readonly ringTeeth: number;
  readonly cogTeeth: readonly number[];
  /** Motor turns per turn of its output. */
  readonly reduction: number;
  /** True when the motor drives the cranks' side of the chain. */
  readonly midDrive: boolean;
}

/**
 * The gears from largest cog to smallest. A hub motor turns with the wheel whatever the cog
 * (n = G / r); a mid-drive turns with the chainring (n = G cog / (ring r)). Derived.
 */
export function gears(input: DrivelineInput): readonly Gear[] {
  return [...input.cogTeeth]
    .sort((a, b) => b - a)
    .map((cogTeeth) => {
      const crankRatio = cogTeeth / input.ringTeeth / input.wheelRadius;
      const motorRatio = input.midDrive ? input.reduction * crankRatio : input.reduction / input.wheelRadius;
      return { cogTeeth, motorRatio, crankRatio };
    });
}

const RPM_PER_RAD_S = 30 / Math.PI;

/** Cadence in rpm at road speed `v` m/s. */
export const cadenceRpm = (gear: Gear, v: number): number => v * gear.crankRatio * RPM_PER_RAD_S;

/** Metres of road per turn of the cranks. */
export const developmentM = (gear: Gear): number => (2 * Math.PI) / gear.crankRatio;
