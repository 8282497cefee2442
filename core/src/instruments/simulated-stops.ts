import type { BuildDocument } from '../document/document.ts';
import { assemble } from '../machine/assemble.ts';
import { chargeAtRest, supplyAt, wholeCapacityAh } from '../machine/battery.ts';
import type { Recording } from '../road/channels.ts';
import type { WayReading } from '../road/ride-record.ts';
import { gaugeShare } from '../workshop/settings/gauge.ts';

/**
 * What somebody who stood there would have read on a simulated ride: the first pack at rest by what had flowed till then, to a tenth of
 * a volt, and a plain gauge of so many bars that is set for it. Nothing where the recording has no distance, volts or amps.
 * @param stopsKm from the beginning, km
 */
export function simulatedStops(
  build: BuildDocument,
  { seconds, columns: { distance, amps, volts } }: Recording,
  stopsKm: readonly number[],
  bars: number,
): WayReading[] {
  const { pack } = assemble(build);
  const first = volts?.[0];
  if (distance === undefined || amps === undefined || first === undefined) return [];
  const full = chargeAtRest(pack, first);
  return stopsKm.map((km) => {
    let flowedAh = 0;
    for (let i = 1; i < seconds.length && (distance[i] ?? 0) < 1000 * km; i += 1)
      flowedAh += ((amps[i] ?? 0) * ((seconds[i] ?? 0) - (seconds[i - 1] ?? 0))) / 3600;
    const restV = supplyAt(pack, full - flowedAh / wholeCapacityAh(pack)).openVolts;
    const gauge = Math.ceil(bars * gaugeShare(restV, pack.cellsInSeries, pack.chemistry));
    return { km, restV: Number(restV.toFixed(1)), gauge, windingC: null };
  });
}
