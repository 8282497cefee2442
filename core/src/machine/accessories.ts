import type { Accessory } from '../document/charging.ts';
import type { BuildDocument } from '../document/document.ts';
import type { KnownBuild } from '../document/known-build.ts';

/** One accessory as the pack feels it. */
export interface AccessoryDraw {
  readonly accessory: Accessory;
  /** While it is on, W from the pack. */
  readonly onW: number;
  /** Turned to heat in a resistor, W while it is on. */
  readonly wastedW: number;
}

/**
 * What one accessory takes from the pack: on the pack's own volts its watts; through a converter its watts
 * over the efficiency; through a dropping resistor the same amps at the pack's volts, W x V(pack) / V(own).
 */
export function accessoryDraw(
  build: BuildDocument,
  { supply, packs }: KnownBuild,
  accessory: Accessory,
): AccessoryDraw {
  const { volts, watts } = accessory;
  const { means } = build.supply;
  if (means === 'own-cells') return { accessory, onW: 0, wastedW: 0 };
  if (volts === 0) return { accessory, onW: watts, wastedW: 0 };
  if (means === 'resistor') {
    const onW = (watts * Math.max(packs[0].nominalV.value, volts)) / volts;
    return { accessory, onW, wastedW: onW - watts };
  }
  const onW = watts / (supply.efficiencyPct.value / 100);
  return { accessory, onW, wastedW: onW - watts };
}

/** Average of all accessories over a ride, W from the pack. */
export const accessoryWatts = (build: BuildDocument, known: KnownBuild): number =>
  build.supply.accessories.reduce((sum, a) => sum + (accessoryDraw(build, known, a).onW * a.onPct) / 100, 0);
