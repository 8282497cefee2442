/** Median time of one call in microseconds: rounds of many calls, so that the clock's grain does not count. */
export function medianMicroseconds(work: () => unknown, calls: number, rounds = 15): number {
  for (let i = 0; i < calls; i += 1) work();
  const times = Array.from({ length: rounds }, () => {
    const start = performance.now();
    for (let i = 0; i < calls; i += 1) work();
    return ((performance.now() - start) * 1000) / calls;
  });
  return median(times);
}

export function median(values: readonly number[]): number {
  const sorted = [...values].sort((a, b) => a - b);
  return sorted[Math.floor(sorted.length / 2)] ?? NaN;
}

/** One line of the report: what, how much, what was wished for, and the ratio to a reference in this run. */
export function line(what: string, value: string, wish: string, ratio = ''): void {
  process.stdout.write(`${what.padEnd(44)} ${value.padStart(14)}   ${wish.padEnd(18)} ${ratio}\n`);
}
