import type { HoldPoint } from '@apple-cart/core';
import { useMemo } from 'react';
import { useSearchParams } from 'react-router';
import { useBuild } from '../../state/build-store.ts';
import { useRecords, type BuildRecords } from '../../state/records.ts';
import { useStage } from './use-stage.ts';
import { benchOf, type BenchFound } from './bench-of.ts';

export interface Bench extends BenchFound {
  readonly build: string;
  /** The plan's version as the server has it. */
  readonly planVersion: number;
  readonly points: readonly HoldPoint[];
  readonly records: BuildRecords;
}

/** The bench of the open build. */
export function useBench(): Bench {
  const { verdict } = useStage();
  const build = useBuild((state) => state.id) ?? '';
  const planVersion = useBuild((state) => state.version);
  const records = useRecords(build);
  const { bench: points } = verdict;
  // An earlier run is looked at by its address.
  const asked = useSearchParams()[0].get('run');
  const found = useMemo(() => benchOf(records, points, asked), [records, points, asked]);
  return { build, planVersion, points, records, ...found };
}
