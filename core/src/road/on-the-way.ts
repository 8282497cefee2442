import { chargeAtRest, type Pack } from '../machine/battery.ts';
import { interpolate } from '../quantity/numerics.ts';
import type { Trace } from '../ride/trace.ts';
import type { RideRecord, RideTold } from './ride-record.ts';
import { trueKm } from './measured.ts';

/** A gauge that shows so much more, or less, than there is, as a share of a full pack, misleads. Common practice, no source. */
const GAUGE_OFF = 0.1;

/** A display's last digit: a stop may be read as so much beyond the end, km. */
export const BEYOND_KM = 0.05;

/** What was read somewhere on the way, with what follows from it and what the plan had there. Shares are 0 to 1. */
export interface WayRow {
  /** From the beginning, by what Set up knows of the display that told it. */
  readonly km: number;
  /** What was left of the ride; undefined where nobody read how long it was. */
  readonly toGoKm: number | undefined;
  readonly restV: number | null;
  /** As the display showed it, and as a share of its full face. */
  readonly gauge: number | null;
  readonly gaugeShare: number | undefined;
  /** In the pack by the volts at rest, of one pack whose cells are counted; and what the plan had left there. */
  readonly inPack: number | undefined;
  readonly planned: number | undefined;
  /** How much more the gauge showed than there was at the least (less than none: less), where it is more than it may be off by. */
  readonly flatters: number | undefined;
  readonly windingC: number | null;
  readonly plannedC: number | undefined;
}

/** A ride of the plan as far as its rows need it. */
type Planned = Pick<Trace, 'metres' | 'charge' | 'windingC'>;

/**
 * The readings on the way of a ride, by their distance.
 * @param pack whose volts at rest tell its charge; undefined where they do not
 * @param trace the plan on the road of the ride; undefined where it has none
 */
export function wayRows(
  { ride, told }: { readonly ride: RideRecord; readonly told: Pick<RideTold, 'shownTimes'> | undefined },
  pack: Pack | undefined,
  trace: Planned | undefined,
): readonly WayRow[] {
  const whole = trueKm({ ride, told });
  const there = (km: number, values: readonly number[]): number | undefined =>
    trace === undefined || trace.metres.length < 2 || 1000 * km > (trace.metres.at(-1) ?? 0)
      ? undefined
      : interpolate(trace.metres, values, 1000 * km);
  return ride.way
    .map(({ km: shown, restV, gauge, windingC }): WayRow => {
      const km = shown * (told?.shownTimes ?? 1);
      const inPack = pack === undefined || restV === null ? undefined : chargeAtRest(pack, restV);
      const share = gauge === null || ride.gaugeOf === null ? undefined : Math.min(1, gauge / ride.gaugeOf);
      const off =
        share === undefined || inPack === undefined ? 0 : misreads(share, inPack, ride.gaugeOf ?? 1);
      return {
        km,
        toGoKm: whole === undefined || km > whole + BEYOND_KM ? undefined : Math.max(0, whole - km),
        restV,
        gauge,
        gaugeShare: share,
        inPack,
        planned: trace === undefined ? undefined : there(km, trace.charge),
        flatters: Math.abs(off) > GAUGE_OFF ? off : undefined,
        windingC,
        plannedC: trace === undefined ? undefined : there(km, trace.windingC),
      };
    })
    .sort((a, b) => a.km - b.km);
}

/** What a gauge is off by at the least: a bar stays until the next one goes out, and on some until it is used up itself. */
function misreads(share: number, inPack: number, steps: number): number {
  const [least, most] = [share - 1 / steps, share + 1 / steps];
  if (inPack > most) return most - inPack;
  return inPack < least ? least - inPack : 0;
}

/** What a gauge showed on a ride, and what it stood for there. */
export interface GaugeSeen {
  readonly on: string;
  readonly title: string;
  readonly gaugeOf: number;
  readonly row: WayRow & { readonly gauge: number };
}

/** Everything that gauges were seen to show, the fullest first: what a bar stands for is learnt on the road. */
export const gaugeSeen = (
  rides: readonly { readonly ride: RideRecord; readonly told: Pick<RideTold, 'shownTimes'> | undefined }[],
  pack: Pack | undefined,
): readonly GaugeSeen[] =>
  rides
    .flatMap((kept): GaugeSeen[] => {
      const { on, title, gaugeOf } = kept.ride;
      if (gaugeOf === null) return [];
      return wayRows(kept, pack, undefined).flatMap((row) =>
        row.gauge === null ? [] : [{ on, title, gaugeOf, row: { ...row, gauge: row.gauge } }],
      );
    })
    .sort((a, b) => b.row.gauge / b.gaugeOf - a.row.gauge / a.gaugeOf || b.on.localeCompare(a.on));
