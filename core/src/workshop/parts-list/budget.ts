import type { State } from '../../check/state.ts';
import type { Ledger } from './ledger.ts';

/**
 * How a list stands against a budget: missed where even the least that it can come to is more, met where the most is within and
 * nothing is of no known price, and else not told yet.
 * @param budget in the currency of the list
 */
export function budgetState({ any, total, noIdea, sendingUnknown }: Ledger, budget: number): State {
  if (!any) return 'unknown';
  if (total.least > budget) return 'stop';
  return total.most > budget || noIdea > 0 || sendingUnknown > 0 ? 'unknown' : 'fine';
}
