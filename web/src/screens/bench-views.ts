/** Views of the bench, in the order of the questions. */
export const BENCH_VIEWS = [
  { id: 'step', name: 'At the bicycle' },
  { id: 'run', name: 'The run' },
  { id: 'tools', name: 'Meters and tools' },
  { id: 'handover', name: 'Hand-over' },
] as const;
export type BenchView = (typeof BENCH_VIEWS)[number]['id'];
