/** Whether something will do: `look` asks for work or care, `stop` ends the plan, `unknown` never reads as fine. */
export type State = 'fine' | 'look' | 'stop' | 'unknown';

const SEVERITY: readonly State[] = ['fine', 'look', 'unknown', 'stop'];

/** Whether a state deserves attention before another. */
export const isWorse = (one: State, other: State): boolean => SEVERITY.indexOf(one) > SEVERITY.indexOf(other);

/** The state that deserves attention first. */
export const worstState = (states: readonly State[]): State =>
  states.reduce((a, b) => (isWorse(b, a) ? b : a), 'fine');
