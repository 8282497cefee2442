import { giveBack, takeHand } from './pool.ts';
import type { StudyInput, StudyName, StudyOutput } from './studies.ts';

/** Runs one study away from the interface; the signal ends it. @throws Error with why it has no answer */
export async function runOnce<N extends StudyName>(
  name: N,
  input: StudyInput<N>,
  signal: AbortSignal,
): Promise<StudyOutput<N>> {
  if (signal.aborted) throw new Error('stopped');
  const hand = takeHand();
  const aborted = new Promise<never>((_, reject) => {
    signal.addEventListener('abort', () => {
      reject(new Error('stopped'));
    });
  });
  let done = false;
  try {
    const answer = await Promise.race([hand.runner.run(name, input), aborted]);
    done = true;
    if (answer.state === 'done') return answer.value as StudyOutput<N>;
    throw new Error(answer.state === 'failed' ? answer.why : 'stopped');
  } finally {
    giveBack(hand, !done);
  }
}
