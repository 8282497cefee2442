import { useMemo } from 'react';
import {
  OPEN_FAULT,
  curesOf,
  faultScene,
  faultTree,
  faultsOf,
  withoutCopies,
  type FaultKept,
  type FaultTree,
} from '@apple-cart/core';
import { NO_FAULT, NO_NOTES, useBenchNotes, type FaultSearch } from '../../state/bench-notes.ts';
import { ofKind, useRecordsEverywhere } from '../../state/records.ts';
import { useStage } from '../parts/use-stage.ts';
import type { Road } from './use-road.ts';

/** A fault of any build of the shop, with the build that had it. */
interface ShopFault extends FaultKept {
  readonly build: string;
}

/** The search for a fault of the open build, kept in this browser until it is written down. */
export interface FaultInHand {
  readonly search: FaultSearch;
  readonly set: (next: Partial<FaultSearch>) => void;
  readonly clear: () => void;
  /** Undefined until it is said what the machine does. */
  readonly tree: FaultTree | undefined;
  /** Faults of this build that were left open. */
  readonly open: readonly FaultKept[];
  /** What was cured on any machine of the shop, the last first. */
  readonly shop: readonly ShopFault[];
  /** The shop's faults have been read. */
  readonly ready: boolean;
}

export function useFault({ build, records }: Road): FaultInHand {
  const { verdict } = useStage();
  const search = useBenchNotes((state) => state.byBuild[build]?.fault) ?? NO_NOTES.fault;
  const note = useBenchNotes((state) => state.note);
  const everywhere = useRecordsEverywhere('fault');
  const mine = useMemo(() => faultsOf(ofKind(records.records, 'fault')), [records]);
  const shop = useMemo((): readonly ShopFault[] => {
    const buildOf = new Map((everywhere ?? []).map((r) => [r.key, r.build]));
    // What waits in this browser counts as well: it was cured here.
    const known = new Set(buildOf.keys());
    const waiting = records.records.filter((r) => r.kind === 'fault' && !known.has(r.key));
    return withoutCopies(faultsOf([...(everywhere ?? []), ...waiting]))
      .filter(({ fault }) => fault.cause !== OPEN_FAULT)
      .map((f) => ({ ...f, build: buildOf.get(f.key) ?? build }));
  }, [everywhere, records, build]);
  const scene = useMemo(() => faultScene(verdict), [verdict]);
  const { symptom, answers } = search;
  const tree = useMemo(
    () => (symptom === null ? undefined : faultTree(symptom, scene, answers, curesOf(shop))),
    [symptom, scene, answers, shop],
  );
  return {
    search,
    set: (next) => {
      note(build, { fault: { ...search, ...next } });
    },
    clear: () => {
      note(build, { fault: NO_FAULT });
    },
    tree,
    open: mine.filter(({ fault }) => fault.cause === OPEN_FAULT),
    shop,
    ready: everywhere !== undefined,
  };
}
