import type { CategoryVerdict, ClauseState, PlaceOutcome, PlaceVerdict, State } from '@apple-cart/core';

export const CLAUSE_STATE: Readonly<Record<ClauseState, State>> = {
  pass: 'fine',
  check: 'look',
  fail: 'stop',
  unknown: 'unknown',
};

export const CATEGORY_STATE: Readonly<Record<CategoryVerdict['outcome'], State>> = {
  inside: 'fine',
  check: 'look',
  'cannot-tell': 'unknown',
  outside: 'stop',
};

export const CATEGORY_WORD: Readonly<Record<CategoryVerdict['outcome'], string>> = {
  inside: 'inside',
  check: 'inside, check',
  'cannot-tell': 'cannot tell',
  outside: 'outside',
};

export const PLACE_WORD: Readonly<Record<PlaceOutcome, string>> = {
  inside: 'Inside',
  check: 'Check',
  'cannot-tell': 'Cannot tell',
  'other-class': 'Needs approval',
  outside: 'Outside',
};

/** The two questions that a place may ask. */
export const QUESTION = {
  riding: 'May I ride it here?',
  sale: 'May it be sold as a bicycle?',
} as const satisfies Record<PlaceVerdict['about'], string>;

/** A profile's name in words; empty for the settings of the build itself. */
export const profileWords = (profile: string): string => (profile === '' ? '' : `in “${profile}”`);
