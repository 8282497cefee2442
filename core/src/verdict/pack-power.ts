import { packsAboard } from '../machine/packs-aboard.ts';
import { fullChargeVolts, supplyAt, type Supply } from '../machine/battery.ts';
import { supplyOn, terminalVolts } from '../machine/diodes.ts';
import { allAlike } from '../machine/joined-packs.ts';
import { mostAmps } from '../machine/limits.ts';
import type { PackAboard } from '../machine/machine.ts';
import { STATED_CHARGE } from '../ride/stated.ts';
import type { Judged } from './judged.ts';

/** One pack in numbers. */
export interface PackPower {
  readonly nominalV: number;
  readonly fullV: number;
  /** By its label: volts times amp-hours. */
  readonly energyWh: number;
  /** At half charge: at rest, its resistance with leads, and at the most current that the controller allows. */
  readonly halfV: number;
  readonly halfOhm: number;
  readonly loadedV: number;
  /** That current is of all packs together: others give their share of it. */
  readonly shares: boolean;
}

/** Packs that feed together: behind diodes, or joined directly and of one kind. Unlike ones joined directly are stopped. */
function feedTogether({ build: { joining } }: Judged, aboard: readonly PackAboard[]): boolean {
  if (aboard.length === 1 || joining.how === 'switch') return false;
  return joining.how === 'combiner' || allAlike(aboard.map(({ pack }) => pack));
}

/** Volts of one of several that feed together. Behind a diode one that stands below the others rests. */
function loadedTogether({ build: { joining }, machine }: Judged, own: Supply): number {
  const all = supplyOn(machine, STATED_CHARGE);
  const bus = terminalVolts(all, mostAmps(machine.limits, all));
  return joining.how === 'combiner' ? Math.min(own.openVolts, bus + machine.diodeV) : bus;
}

/** The packs in numbers, in their order. */
export function packPowers(s: Judged): readonly PackPower[] {
  const { known, machine } = s;
  const aboard = packsAboard(s.build, known);
  const shares = feedTogether(s, aboard);
  return aboard.map(({ pack }, i) => {
    const { nominalV, capacityAh } = known.packs[i] ?? known.packs[0];
    const half = supplyAt(pack, STATED_CHARGE);
    return {
      nominalV: nominalV.value,
      fullV: fullChargeVolts(pack),
      energyWh: nominalV.value * capacityAh.value,
      halfV: half.openVolts,
      halfOhm: half.ohm,
      loadedV: shares ? loadedTogether(s, half) : half.openVolts - half.ohm * mostAmps(machine.limits, half),
      shares,
    };
  });
}
