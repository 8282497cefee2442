import { leastCharge, supplyAt, type BehindDiode, type Supply } from './battery.ts';
import type { Machine, PackAboard } from './machine.ts';
import { opensAfter } from './trips.ts';

/** Several sources side by side as one (Millman's theorem). */
export function sideBySide(supplies: readonly Supply[]): Supply {
  let conductance = 0;
  let current = 0;
  for (const { openVolts, ohm } of supplies) {
    conductance += 1 / ohm;
    current += openVolts / ohm;
  }
  return { openVolts: current / conductance, ohm: 1 / conductance };
}

/**
 * Packs behind diodes as one source. The highest feeds alone until its volts have sagged to those of the next, then both
 * side by side, and so on: at every current the terminals stand at the highest of what the first one, two, three ... give
 * together, since one that lies below them would only draw them down. Exact; derived.
 * @param packs at least one
 */
export function behindDiodes(packs: readonly BehindDiode[]): Supply {
  const behind = packs.toSorted((a, b) => b.openVolts - a.openVolts);
  let joined: Supply | undefined;
  for (let k = behind.length; k > 0; k -= 1) joined = { ...sideBySide(behind.slice(0, k)), joined };
  if (joined === undefined) throw new TypeError('a machine has at least one pack');
  return { ...joined, behind };
}

/** Volts at the terminals at a current, V. */
export function terminalVolts(supply: Supply, amps: number): number {
  const volts = supply.openVolts - amps * supply.ohm;
  return supply.joined === undefined ? volts : Math.max(volts, terminalVolts(supply.joined, amps));
}

/** What feeds at a current: the packs that stand highest together, and how many they are. */
export function feedingAt(
  supply: Supply,
  amps: number,
  packs = 1,
): { readonly supply: Supply; readonly packs: number } {
  const { joined } = supply;
  return joined === undefined || supply.openVolts - amps * supply.ohm >= terminalVolts(joined, amps)
    ? { supply, packs }
    : feedingAt(joined, amps, packs + 1);
}

/** The most that can be had at the terminals, W: Voc^2 / (4 R). */
export function mostWatts({ openVolts, ohm, joined }: Supply): number {
  const watts = openVolts ** 2 / (4 * ohm);
  return joined === undefined ? watts : Math.max(watts, mostWatts(joined));
}

/**
 * Seconds until a protection board opens at an even current, A: of packs behind diodes the first that does. Undefined where
 * all carry it.
 * @param bmsA what the board carries where there is one pack
 */
export function boardOpensAfter(supply: Supply, bmsA: number, amps: number): number | undefined {
  if (supply.behind === undefined) return opensAfter(bmsA, amps);
  const volts = terminalVolts(supply, amps);
  const opens = supply.behind.flatMap(
    (pack) => opensAfter(pack.bmsA, Math.max(0, pack.openVolts - volts) / pack.ohm) ?? [],
  );
  return opens.length === 0 ? undefined : Math.min(...opens);
}

/** Packs behind diodes at a charge of the first; one that has nothing more to give is cut off, unless all have none. */
export function diodesAt(
  packs: readonly PackAboard[],
  charges: readonly number[],
  diodeV: number,
  cellsC?: readonly number[],
): Supply {
  const all = packs.map(({ pack, bmsA }, i) => {
    const [charge, cellC] = [charges[i] ?? 0, cellsC?.[i] ?? pack.temperatureC];
    const { openVolts, ohm } = supplyAt(pack, charge, cellC);
    return { openVolts: openVolts - diodeV, ohm, bmsA, gives: charge > leastCharge(pack.chemistry, cellC) };
  });
  const giving = all.filter(({ gives }) => gives);
  return behindDiodes(giving.length > 0 ? giving : all);
}

/** The packs of a machine in the order of use, the first at a charge, each other at its own, at most at that. */
export const aboardAt = (
  { pack, others, limits }: Pick<Machine, 'pack' | 'others' | 'limits'>,
  charge: number,
): readonly PackAboard[] => [
  { pack, bmsA: limits.bmsA, charge },
  ...others.map((other) => ({ ...other, charge: Math.min(charge, other.charge) })),
];

/**
 * What drives a machine at a charge: its first pack, or all of them behind diodes. Packs that are changed over by hand drive
 * one at a time.
 */
export function supplyOn(
  machine: Pick<Machine, 'pack' | 'others' | 'limits' | 'join' | 'diodeV'>,
  charge: number,
): Supply {
  if (machine.others.length === 0 || machine.join === 'switch') return supplyAt(machine.pack, charge);
  const aboard = aboardAt(machine, charge);
  return diodesAt(
    aboard,
    aboard.map((one) => one.charge),
    machine.diodeV,
  );
}
