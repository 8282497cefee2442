import type { ClauseState, PlaceOutcome, State } from '@apple-cart/core';

export const CLAUSE_STATE: Readonly<Record<ClauseState, State>> = {
  pass: 'fine',
  check: 'look',
  fail: 'stop',
  unknown: 'unknown',
};

export const PLACE_WORD: Readonly<Record<PlaceOutcome, string>> = {
  inside: 'Inside',
  check: 'Check',
  'cannot-tell': 'Cannot tell',
  'other-class': 'Other class',
  outside: 'Outside',
};

export const PLACE_SENTENCE: Readonly<Record<PlaceOutcome, string>> = {
  inside: 'Every clause that is remembered is met.',
  check: 'No clause is broken, but some rest on an assumed value or an uncertain memory.',
  'cannot-tell': 'A value that decides is missing.',
  'other-class': 'It falls into a class that needs an authority’s approval before it is ridden on a road.',
  outside: 'Clauses of every class that needs no approval are broken.',
};
