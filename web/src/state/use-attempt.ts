import { useState } from 'react';

/** What went wrong, in words that can be shown. */
export const problemWords = (problem: unknown, otherwise = 'It could not be done.'): string =>
  problem instanceof Error ? problem.message : otherwise;

/** Does something that may fail, and holds what went wrong until the next try. */
export function useAttempt(): readonly [
  trouble: string | undefined,
  attempt: (work: () => Promise<void>) => Promise<void>,
] {
  const [trouble, setTrouble] = useState<string>();
  return [
    trouble,
    async (work) => {
      try {
        setTrouble(undefined);
        await work();
      } catch (problem) {
        setTrouble(problemWords(problem));
      }
    },
  ];
}
