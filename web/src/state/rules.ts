import { useQuery } from '@tanstack/react-query';
import type { Broken, ListAnswer, ListedRules } from '@apple-cart/contracts';
import type { PlaceRules, RuleBook } from '@apple-cart/core';
import { api } from './api.ts';
import { queryClient, readTrouble, refresh } from './query-client.ts';

const KEY = ['rules'] as const;
type Read = ListAnswer<ListedRules> & { readonly book: RuleBook };

/** The book is made once per reading: verdicts are remembered by it. */
async function read(signal: AbortSignal): Promise<Read> {
  const answer = await api.rules.list(signal);
  return { ...answer, book: answer.documents.map((p) => p.document) };
}

/** Reads the book anew. */
export const loadRules = (): Promise<void> => refresh(KEY);
const NONE: RuleBook = [];
const NO_RULES: readonly ListedRules[] = [];
const NO_BROKEN: readonly Broken[] = [];

export interface Rules {
  /** The rules in force; undefined until they have been read. */
  readonly book: RuleBook | undefined;
  readonly listed: readonly ListedRules[];
  /** Stored files that cannot be used. */
  readonly broken: readonly Broken[];
  readonly error: string | undefined;
  /** Whether they have come, or could not be read. */
  readonly answered: boolean;
  readonly load: () => Promise<void>;
}

/** The rule book as the server has it: what ships, corrected and added to. */
export function useRules(): Rules {
  const { data, error, isFetched } = useQuery({ queryKey: KEY, queryFn: ({ signal }) => read(signal) });
  return {
    answered: isFetched,
    book: data?.book,
    listed: data?.documents ?? NO_RULES,
    broken: data?.broken ?? NO_BROKEN,
    error: error === null ? undefined : readTrouble(error, 'The rules cannot be read.'),
    load: loadRules,
  };
}

/** Adds rules that came whole, or replaces them. Throws what the server said. */
export async function saveRules(rules: PlaceRules, baseVersion: number): Promise<void> {
  await api.rules.save(rules.id, { baseVersion, document: rules });
  await loadRules();
}

export async function takeRulesOut(id: string): Promise<void> {
  await api.rules.putAway(id);
  await loadRules();
}

export async function bringRulesBack(id: string): Promise<void> {
  await api.rules.restore(id);
  await loadRules();
}

/** The book in force, outside of React; empty before it has been read. */
export const bookInForce = (): RuleBook => queryClient.getQueryData<Read>(KEY)?.book ?? NONE;
/** The book in force; a page that shows verdicts is drawn anew when it changes. */
export const useBook = (): RuleBook => useRules().book ?? NONE;
