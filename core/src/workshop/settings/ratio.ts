/**
 * What explains that a display shows another speed than the true one: causes that multiply, by how well they fit the ratio and how
 * usual they are. One ratio does not tell two causes apart; settings that were read back do, since they strike causes out.
 */

/** What two causes of one explanation have to differ in. */
type Group = 'unit' | 'wheel' | 'roll-out' | 'poles' | 'gear' | 'magnets' | 'display';

export interface SpeedCause {
  readonly id: string;
  readonly group: Group;
  readonly name: string;
  /** True speed over shown speed that it makes. */
  readonly factor: number;
  /** By how much that may be off, a share. */
  readonly spread: number;
  /** The setting that cures it. */
  readonly cure: string;
  /** The setting of the sheet that it is about; empty where none is. */
  readonly setting: '' | 'roll-out' | 'poles';
  /** How usual it is against the others. */
  readonly weight: number;
}

export interface Explanation {
  readonly causes: readonly SpeedCause[];
  readonly factor: number;
  /** What is left over: ratio over factor. */
  readonly left: number;
  /** Share of all explanations, 0 to 1. */
  readonly share: number;
}

export interface SpeedFacts {
  /** True roll-out of the wheel, mm. */
  readonly rolloutMm: number;
  readonly polePairs: number;
  /** Turns of the motor for one of the wheel. */
  readonly reduction: number;
  /** What the controller shows that it is set to; undefined where nobody has read it. */
  readonly readRolloutMm: number | undefined;
  readonly readPulses: number | undefined;
}

/** Nominal roll-outs of wheels as displays offer them, mm. From memory, with usual tyres. */
const WHEELS = [
  ['16 in', 1272],
  ['18 in', 1430],
  ['20 in', 1570],
  ['22 in', 1770],
  ['24 in', 1910],
  ['26 in', 2070],
  ['27.5 in', 2190],
  ['28 in', 2220],
  ['29 in', 2290],
] as const;
const MILE_KM = 1.609344;
/** A typed size against the tyre that is on. */
const WHEEL_SPREAD = 0.02;
const EXACT = 0.003;
/** A set wheel so near the true one is no cause. */
const SAME_WHEEL = 0.015;

function wheelCauses({ rolloutMm, readRolloutMm }: SpeedFacts): readonly SpeedCause[] {
  if (readRolloutMm !== undefined) {
    const factor = rolloutMm / readRolloutMm;
    return Math.abs(factor - 1) < 0.004
      ? []
      : [
          {
            id: 'roll-out-read',
            group: 'wheel',
            name: `Roll-out set to ${readRolloutMm.toFixed(0)} mm, as it was read back`,
            factor,
            spread: EXACT,
            cure: `Set the roll-out to ${rolloutMm.toFixed(0)} mm.`,
            setting: 'roll-out',
            weight: 20,
          },
        ];
  }
  return [
    ...WHEELS.filter(([, mm]) => Math.abs(rolloutMm / mm - 1) > SAME_WHEEL).map(([name, mm]): SpeedCause => ({
      id: `wheel-${name}`,
      group: 'wheel',
      name: `Wheel set to ${name}`,
      factor: rolloutMm / mm,
      spread: WHEEL_SPREAD,
      cure: `Set the wheel, or the roll-out to ${rolloutMm.toFixed(0)} mm.`,
      setting: 'roll-out',
      weight: 1,
    })),
    {
      id: 'roll-out-unloaded',
      group: 'roll-out',
      name: 'Roll-out measured without a rider on it',
      factor: 0.985,
      spread: 0.006,
      cure: `Measure it with the rider on, and set ${rolloutMm.toFixed(0)} mm.`,
      setting: 'roll-out',
      weight: 1,
    },
  ];
}

function poleCauses({ polePairs, reduction, readPulses }: SpeedFacts): readonly SpeedCause[] {
  const pulses = polePairs * reduction;
  const cause = (
    id: string,
    group: Group,
    name: string,
    factor: number,
    cure: string,
    weight = 1,
  ): SpeedCause => ({
    id,
    group,
    name,
    factor,
    spread: EXACT,
    cure,
    setting: 'poles',
    weight,
  });
  const right = `Set ${pulses.toFixed(0)} pulses a turn of the wheel.`;
  if (readPulses !== undefined)
    return Math.abs(readPulses / pulses - 1) < 0.004
      ? []
      : [
          cause(
            'poles-read',
            'poles',
            `Set to ${readPulses.toFixed(0)} pulses a turn, as it was read back`,
            readPulses / pulses,
            right,
            20,
          ),
        ];
  return [
    cause('magnets-for-pairs', 'poles', 'Magnets set in place of pole pairs', 2, right, 2),
    cause('halves', 'poles', 'Half of the pole pairs set', 0.5, right),
    cause('one-pair-more', 'poles', 'One pole pair too many', (polePairs + 1) / polePairs, right),
    ...(polePairs > 1
      ? [cause('one-pair-less', 'poles', 'One pole pair too few', (polePairs - 1) / polePairs, right)]
      : []),
    ...(reduction > 1.05
      ? [
          cause('reduction-left-out', 'gear', 'Reduction left out', 1 / reduction, right, 2),
          cause('reduction-twice', 'gear', 'Reduction counted twice', reduction, right),
        ]
      : []),
  ];
}

/** Every cause for a machine. */
export function speedCauses(facts: SpeedFacts): readonly SpeedCause[] {
  const plain = (
    id: string,
    group: Group,
    name: string,
    factor: number,
    cure: string,
    spread = EXACT,
  ): SpeedCause => ({
    id,
    group,
    name,
    factor,
    spread,
    cure,
    setting: '',
    weight: 1,
  });
  return [
    plain(
      'miles-as-km',
      'unit',
      'Shown in mph, read as km/h',
      MILE_KM,
      'Set the display to km/h, or read it as mph.',
    ),
    plain(
      'km-as-miles',
      'unit',
      'Shown in km/h, read as mph',
      1 / MILE_KM,
      'Set the display to mph, or read it as km/h.',
    ),
    ...wheelCauses(facts),
    ...poleCauses(facts),
    plain(
      'two-magnets',
      'magnets',
      'Two magnets on the wheel, one set',
      0.5,
      'Take one magnet off, or set two.',
    ),
    plain('one-magnet', 'magnets', 'One magnet on the wheel, two set', 2, 'Set one magnet.'),
    plain(
      'flattered',
      'display',
      'The display adds some per cent of its own',
      0.95,
      'Nothing cures it: correct in the head, or take the counter’s.',
      0.02,
    ),
  ];
}

const normal = (x: number, sd: number): number =>
  Math.exp((-x * x) / (2 * sd * sd)) / (sd * Math.sqrt(2 * Math.PI));

/** Shares before the ratio is looked at: nothing at all, one cause, two, and something that is not on the list. */
const PRIOR = { nothing: 0.1, one: 0.75, two: 0.12, else: 0.03 } as const;
/** Something else may be any ratio from a quarter to four. */
const ANY = Math.log(16);

/**
 * Explanations of a ratio of true over shown speed, the likeliest first: single causes and pairs of two different kinds, each scored
 * by a normal density of the logarithms. One that leaves more unexplained than noise and its own spread fades.
 * @param ratio true speed over shown speed, above 0
 * @param noise of the two readings together, a share (0.01 is one per cent)
 */
export function explainRatio(ratio: number, noise: number, facts: SpeedFacts): readonly Explanation[] {
  const causes = speedCauses(facts);
  const pairs = causes.flatMap((a, i) =>
    causes.slice(i + 1).flatMap((b) => (a.group === b.group ? [] : [[a, b] as const])),
  );
  const total = causes.reduce((sum, c) => sum + c.weight, 0);
  const totalPairs = pairs.reduce((sum, [a, b]) => sum + a.weight * b.weight, 0);
  const scored = (list: readonly SpeedCause[], prior: number) => {
    const factor = list.reduce((product, c) => product * c.factor, 1);
    const sd = Math.hypot(noise, ...list.map((c) => c.spread));
    return {
      causes: list,
      factor,
      left: ratio / factor,
      score: prior * normal(Math.log(ratio / factor), sd),
    };
  };
  const all = [
    scored([], PRIOR.nothing),
    ...causes.map((c) => scored([c], (PRIOR.one * c.weight) / total)),
    ...pairs.map((p) => scored(p, (PRIOR.two * p[0].weight * p[1].weight) / totalPairs)),
  ];
  const sum = all.reduce((s, e) => s + e.score, PRIOR.else / ANY);
  return all
    .map(({ score, ...rest }): Explanation => ({ ...rest, share: score / sum }))
    .toSorted((a, b) => b.share - a.share || a.causes.length - b.causes.length);
}
