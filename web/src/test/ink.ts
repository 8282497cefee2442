import { chartInk } from '../charts/ink.ts';

/** A palette whose colours are the names of their tokens, so that tests can say which is used where. */
export const NAMED_INK = chartInk((name) => name);
