/** One gear: how motor and cranks turn with the road. */
export interface Gear {
  readonly cogTeeth: number;
  /** Gear of a hub gear or two-speed change, counted from 1; null without one. */
  readonly hubGear: number | null;
  /** Motor rad/s per m/s of road speed: n = G x / r. */
  readonly motorRatio: number;
  /** Crank rad/s per m/s of road speed. */
  readonly crankRatio: number;
}

/** What tells one gear from another: its cog and, before a hub gear, which of that. */
export type GearId = Pick<Gear, 'cogTeeth' | 'hubGear'>;

export const sameGear = (a: GearId, b: GearId): boolean =>
  a.cogTeeth === b.cogTeeth && a.hubGear === b.hubGear;

/** "34 T", "gear 3", or both where a hub gear has several cogs. */
export function gearName({ cogTeeth, hubGear }: GearId, cogs: number): string {
  if (hubGear === null) return `${String(cogTeeth)} T`;
  return cogs > 1 ? `${String(cogTeeth)} T, gear ${String(hubGear)}` : `gear ${String(hubGear)}`;
}

/** As a sentence says it: "34-tooth cog", "19-tooth cog, gear 3". */
export const gearInWords = ({ cogTeeth, hubGear }: GearId): string =>
  `${String(cogTeeth)}-tooth cog${hubGear === null ? '' : `, gear ${String(hubGear)}`}`;

export interface DrivelineInput {
  /** Loaded radius, m. */
  readonly wheelRadius: number;
  readonly ringTeeth: number;
  readonly cogTeeth: readonly number[];
  /** Wheel turns per cog turn of a hub gear; empty without one. */
  readonly hubRatios: readonly number[];
  /** Motor turns per turn of its output. */
  readonly reduction: number;
  /** True when the motor drives the cranks' side of the chain. */
  readonly midDrive: boolean;
}

/**
 * The gears from the lowest to the highest: every cog in every gear of the hub. A hub motor turns with the
 * wheel whatever the gear (n = G / r); a mid-drive turns with the chainring (n = G cog / (ring q r), with q
 * the hub gear's ratio). Derived.
 */
export function gears(input: DrivelineInput): readonly Gear[] {
  const ratios = input.hubRatios.length === 0 ? [null] : input.hubRatios;
  return input.cogTeeth
    .flatMap((cogTeeth) =>
      ratios.map((ratio, i): Gear => {
        const crankRatio = cogTeeth / input.ringTeeth / (ratio ?? 1) / input.wheelRadius;
        const motorRatio = input.midDrive
          ? input.reduction * crankRatio
          : input.reduction / input.wheelRadius;
        return { cogTeeth, hubGear: ratio === null ? null : i + 1, motorRatio, crankRatio };
      }),
    )
    .sort((a, b) => b.crankRatio - a.crankRatio);
}

const RPM_PER_RAD_S = 30 / Math.PI;

/** Cadence in rpm at road speed `v` m/s. */
export const cadenceRpm = (gear: Gear, v: number): number => v * gear.crankRatio * RPM_PER_RAD_S;

/** Metres of road per turn of the cranks. */
export const developmentM = (gear: Gear): number => (2 * Math.PI) / gear.crankRatio;
