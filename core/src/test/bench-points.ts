import type { BenchEntry } from '../workshop/bench/entry.ts';
import type { BuildDocument } from '../document/document.ts';
import { evaluate } from './evaluate.ts';
import { sample, type Changes } from './sample.ts';
import { type HoldPoint } from '../workshop/bench/hold-point.ts';

export const pointsOf = (build: BuildDocument): readonly HoldPoint[] => evaluate(build).bench;
export const keysOf = (build: BuildDocument): readonly string[] => pointsOf(build).map((p) => p.key);
export function pointOf(build: BuildDocument, key: string): HoldPoint {
  const found = pointsOf(build).find((p) => p.key === key);
  if (found === undefined) throw new Error(`${key} of ${keysOf(build).join(' ')}`);
  return found;
}
/** Band of a point of readings. */
export function bandOf(build: BuildDocument, key: string): readonly [number | null, number | null] {
  const { evidence } = pointOf(build, key);
  if (evidence.kind !== 'readings') throw new Error(key);
  return [evidence.low, evidence.high];
}
export const hub = (changes: Changes = {}): BuildDocument =>
  sample({
    ...changes,
    drive: { name: 'Hub', ...changes.drive },
    controls: { throttle: 'full', ...changes.controls },
  });
export const series = (s: number, more: Changes = {}): BuildDocument =>
  hub({
    ...more,
    controller: { limitsSpeed: false, ...more.controller },
    drive: { kvRpmPerV: 10, reduction: 1, ...more.drive },
    pack: { cellsInSeries: s, nominalV: 3.6 * s, ...more.pack },
  });
export const leadAcid = hub({
  pack: { chemistry: 'lead-acid', cellsInSeries: 24, nominalV: 48 },
  cabling: { protection: 'breaker' },
});

/** An entry of a point, in order by default. */
export function entryOf(
  point: HoldPoint,
  says: BenchEntry['says'],
  more: Partial<BenchEntry> = {},
): BenchEntry {
  const { evidence } = point;
  const middle = (): number =>
    evidence.kind === 'readings'
      ? ((evidence.low ?? evidence.high ?? 1) + (evidence.high ?? evidence.low ?? 1)) / 2
      : 0;
  return {
    step: point.key,
    says,
    readings: evidence.kind === 'readings' ? evidence.names.map(middle) : [],
    ticks: evidence.kind === 'ticks' ? evidence.items.map(() => true) : [],
    words: 'in order',
    who: 'R. Quince',
    simulated: false,
    against: { planVersion: 1, evidence, part: point.part, guards: point.guards },
    corrects: null,
    ...more,
  };
}
