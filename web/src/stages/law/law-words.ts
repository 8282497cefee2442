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

/** One sentence under the stamp: why it says what it says. */
export function placeSentence(here: PlaceVerdict): string {
  if (here.tests.length === 0) return 'This rule book has no rules for the place.';
  switch (here.outcome) {
    case 'inside':
      return 'Every clause that is remembered is met.';
    case 'check':
      return 'No clause is broken, but some rest on an assumed value, an uncertain memory or a text that is changing.';
    case 'cannot-tell':
      return here.place.ask
        ? 'Too little is known of this place’s rules: ask the authority. What is known stands here.'
        : 'A value that decides is missing, or a clause that decides is not remembered surely enough.';
    case 'other-class':
      return 'It falls into a class that needs an authority’s approval before it is ridden on a road.';
    case 'outside':
      return here.failing.length === 0
        ? 'The numbers may be met, but no machine that is built by oneself is let in.'
        : 'Clauses of every class that needs no approval are broken.';
  }
}

/** A profile's name in words; empty for the settings of the build itself. */
export const profileWords = (profile: string): string => (profile === '' ? '' : `in “${profile}”`);
