/** A way to begin a build: what somebody knows already, and what is then asked. */
export interface Door {
  readonly id: 'bicycle' | 'hill' | 'machine';
  readonly title: string;
  /** Beneath it on the first card. */
  readonly under: string;
  /** At the head of its sheet. */
  readonly question: string;
}

const BICYCLE: Door = {
  id: 'bicycle',
  title: 'From a bicycle',
  under: 'Which motor and pack?',
  question: 'Which bicycle, who rides it, where? No motor has to be chosen yet.',
};

export const DOORS: readonly Door[] = [
  BICYCLE,
  {
    id: 'hill',
    title: 'From a hill',
    under: 'what it asks, and what would climb it',
    question: 'Which hill, how far, with what load? It says what that asks before any part.',
  },
  {
    id: 'machine',
    title: 'From a finished machine',
    under: 'what it is, and what a change would gain',
    question: 'What stands on its labels? Class, hill and range follow at once.',
  },
];

export const doorOf = (id: string | null): Door => DOORS.find((d) => d.id === id) ?? BICYCLE;
