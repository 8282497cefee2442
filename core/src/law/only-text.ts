import type { PlaceVerdict } from './judge.ts';

/** Every clause is met, and what is left to check is the text itself: it is being changed, or another one stands by now. */
export const onlyTheText = ({ outcome, unsettled }: Pick<PlaceVerdict, 'outcome' | 'unsettled'>): boolean =>
  outcome === 'check' && unsettled.length === 0;
