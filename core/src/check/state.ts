/** Whether something will do: `look` asks for work or care, `stop` ends the plan, `unknown` never reads as fine. */
export type State = 'fine' | 'look' | 'stop' | 'unknown';

const SEVERITY: readonly State[] = ['fine', 'look', 'unknown', 'stop'];

/** The state that deserves attention first. */
export const worstState = (states: readonly State[]): State =>
  states.reduce((a, b) => (SEVERITY.indexOf(b) > SEVERITY.indexOf(a) ? b : a), 'fine');
