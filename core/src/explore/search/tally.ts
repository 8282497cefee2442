/** Why a combination does not stand, in the order in which it is asked. */
export const REASONS = ['law', 'volts', 'current', 'price', 'mass', 'hill', 'range'] as const;
export type Reason = (typeof REASONS)[number];

/** What was looked at, and what became of it. */
export interface Counts {
  readonly looked: number;
  readonly stand: number;
  readonly refused: Readonly<Record<Reason, number>>;
  /** Of those refused, how many were by a bound alone, without one working point of a motor. */
  readonly byBounds: number;
}

/** Nothing looked at yet. */
export const NONE: Counts = {
  looked: 0,
  stand: 0,
  refused: { law: 0, volts: 0, current: 0, price: 0, mass: 0, hill: 0, range: 0 },
  byBounds: 0,
};

/** Counts while they grow. */
export interface Tally {
  looked: number;
  stand: number;
  refused: Record<Reason, number>;
  byBounds: number;
}
export const told = ({ looked, stand, refused, byBounds }: Tally): Counts => ({
  looked,
  stand,
  refused: { ...refused },
  byBounds,
});

/** Adds up what several workers have counted. */
export const summed = (all: readonly Counts[]): Counts =>
  all.reduce<Counts>(
    (sum, c) => ({
      looked: sum.looked + c.looked,
      stand: sum.stand + c.stand,
      refused: Object.fromEntries(
        REASONS.map((r) => [r, sum.refused[r] + c.refused[r]]),
      ) as Counts['refused'],
      byBounds: sum.byBounds + c.byBounds,
    }),
    NONE,
  );
