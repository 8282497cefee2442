import { OPEN_FAULT, OTHER_CAUSE, type FaultRecord } from './faults/fault-record.ts';
import type { Paid } from './paid.ts';
import type { UpkeepRecord } from './ride-record.ts';

/** A cause that came back, and what it has cost in all. */
interface CameBack {
  readonly cause: string;
  readonly times: number;
  readonly sum: number;
}

/** What a machine has cost since it is ridden, as far as it was written down. */
export interface KeptUp {
  readonly upkeep: number;
  readonly faults: number;
  /** For one of them, km; undefined before a first ride or where nothing was noted. */
  readonly perKm: number | undefined;
  /** Things that were written down without what they cost, and those in another currency: not in the sums. */
  readonly unsaid: number;
  readonly elsewhere: number;
  /** What was cured more than once, the dearest first: one better part may be cheaper than the next cure. */
  readonly again: readonly CameBack[];
}

/**
 * Sums what upkeep and cures have cost.
 * @param money the build's currency: sums in another are left out, and counted
 * @param faults those that stand, put right by none after them
 */
export function keptUpOf(
  money: string,
  upkeep: readonly Pick<UpkeepRecord, 'paid'>[],
  faults: readonly Pick<FaultRecord, 'paid' | 'cause'>[],
  km: number,
): KeptUp {
  const cured = faults.filter(({ cause }) => cause !== OPEN_FAULT);
  const own = (paid: Paid): number => (paid?.currency === money ? paid.sum : 0);
  const sumOf = (all: readonly { readonly paid: Paid }[]): number =>
    all.reduce((sum, { paid }) => sum + own(paid), 0);
  const all = [...upkeep, ...cured].map(({ paid }) => paid);
  const said = all.filter((paid) => paid?.currency === money).length;
  const again = [...new Set(cured.map(({ cause }) => cause))].flatMap((cause): CameBack[] => {
    const same = cured.filter((f) => f.cause === cause);
    // Two things that are in no list are not one that came back.
    return same.length > 1 && cause !== OTHER_CAUSE ? [{ cause, times: same.length, sum: sumOf(same) }] : [];
  });
  const [kept, mended] = [sumOf(upkeep), sumOf(cured)];
  return {
    upkeep: kept,
    faults: mended,
    perKm: said > 0 && km > 0 ? (kept + mended) / km : undefined,
    unsaid: all.filter((paid) => paid === null).length,
    elsewhere: all.filter((paid) => paid !== null && paid.currency !== money).length,
    again: again.sort((a, b) => b.sum - a.sum),
  };
}
