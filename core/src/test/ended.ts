/** What a generator returns in the end. */
export function ended<T>(work: Generator<unknown, T>): T {
  for (;;) {
    const step = work.next();
    if (step.done === true) return step.value;
  }
}
