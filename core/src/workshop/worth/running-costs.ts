import type { Chemistry, DriveKind } from '../../document/choices.ts';
import type { Running } from '../../document/money-plans.ts';
import { formatNumber } from '../../quantity/format.ts';
import { qty, roughly, type Phrase } from '../../quantity/phrase.ts';
import { exactly, overSpan, sumOfSpans, timesSpan, type Span } from './span.ts';

/** Full cycles to 80 % of the capacity, by chemistry. From memory: data sheets give 300 to 800 for NMC, 2,000 for iron phosphate. */
const CYCLES: Readonly<Record<Chemistry, Span>> = {
  nmc: { least: 400, most: 800 },
  'nmc-power': { least: 300, most: 600 },
  lmo: { least: 400, most: 700 },
  lfp: { least: 1500, most: 3000 },
  'lead-acid': { least: 200, most: 400 },
};

/** Cycles against those from full, by where charging stops, percent. Common practice, no source: about twice at 85 %. */
const LIMIT_FACTOR: readonly (readonly [uptoPct: number, factor: number])[] = [
  [80, 2.3],
  [86, 2],
  [91, 1.5],
];

/** Over its life to 80 % a pack holds nine tenths on the mean. Derived. */
const MEAN_HEALTH = 0.9;

/** What wears, how long it lasts on a conversion, km. Common practice, no source; a mid-drive pulls through chain and cogs. */
const LIVES: Readonly<Record<'chain' | 'cogs' | 'tyres' | 'pads', Readonly<Record<'hub' | 'middle', Span>>>> =
  {
    chain: { hub: { least: 3000, most: 6000 }, middle: { least: 1500, most: 3000 } },
    cogs: { hub: { least: 6000, most: 12000 }, middle: { least: 3000, most: 6000 } },
    tyres: { hub: { least: 3000, most: 6000 }, middle: { least: 3000, most: 6000 } },
    pads: { hub: { least: 1500, most: 4000 }, middle: { least: 1500, most: 4000 } },
  };

export const WEARING = ['chain', 'cogs', 'tyres', 'pads'] as const;
export type Wearing = (typeof WEARING)[number];

/** What the costs are worked out from. Money in the build's currency. */
export interface InUse {
  readonly running: Running;
  readonly pricePerKwh: number | null;
  /** From the pack, with the rider and with legs resting; undefined where the speed is not held. */
  readonly whPerKm: Span | undefined;
  /** Of the charger, 0 to 1. */
  readonly chargerEfficiency: number;
  readonly chemistry: Chemistry;
  readonly packWh: number;
  /** Where charging stops, percent. */
  readonly chargeLimitPct: number;
  readonly packPrice: Span | undefined;
  readonly drive: DriveKind;
  readonly wheelCount: number;
  /** Ends with a brake that has pads, or may have. */
  readonly brakes: number;
  /** Of one piece, by the shelf, where nobody has entered a price. */
  readonly likelyPrice: (what: Wearing) => Span | undefined;
}

/** One cost per kilometre with its working; undefined is not known. */
export interface RunningLine {
  readonly id: 'energy' | 'pack' | Wearing;
  readonly perKm: Span | undefined;
  /** Where it comes from in words, with its numbers. */
  readonly how: Phrase;
  readonly missing: string;
}

export interface RunningCosts {
  readonly lines: readonly RunningLine[];
  /** Energy from the wall, Wh/km. */
  readonly wallWhPerKm: Span | undefined;
  /** Of what is known. */
  readonly perKm: Span;
  readonly complete: boolean;
  readonly packKm: Span | undefined;
  readonly packCycles: Span;
}

const rounded = ({ least, most }: Span): string =>
  least === most ? formatNumber(least, 0) : `${formatNumber(least, 0)} to ${formatNumber(most, 0)}`;

/** A distance that rests on lives from memory; what somebody has entered is told as it stands. */
const far = ({ least, most }: Span): Phrase =>
  least === most ? [qty(least, 'km', 0)] : [roughly(least, 'km'), ' to ', roughly(most, 'km')];

/** Full cycles that a pack is worth at its habit; what is entered wins. */
function cyclesOf({ running, chemistry, chargeLimitPct }: InUse): Span {
  if (running.packCycles !== null) return exactly(running.packCycles);
  // Blocks of lead are at their best when always full.
  if (chemistry === 'lead-acid') return CYCLES[chemistry];
  const [, factor] = LIMIT_FACTOR.find(([upto]) => chargeLimitPct <= upto) ?? [100, 1];
  return timesSpan(CYCLES[chemistry], factor);
}

function energyLine(use: InUse, wall: Span | undefined): RunningLine {
  const { pricePerKwh } = use;
  return {
    id: 'energy',
    perKm: wall === undefined || pricePerKwh === null ? undefined : timesSpan(wall, pricePerKwh / 1000),
    how:
      wall === undefined
        ? []
        : [
            qty(wall.least, 'Wh/km', 1),
            ...(wall.least === wall.most ? [] : [' to ', qty(wall.most, 'Wh/km', 1)]),
            ` from the wall, charger ${(100 * use.chargerEfficiency).toFixed(0)} %`,
          ],
    missing: wall === undefined ? 'the speed of the brief is not held' : 'price of a kilowatt-hour',
  };
}

function packLine(use: InUse, packKm: Span | undefined, cycles: Span): RunningLine {
  return {
    id: 'pack',
    perKm: packKm === undefined || use.packPrice === undefined ? undefined : overSpan(use.packPrice, packKm),
    how:
      packKm === undefined
        ? []
        : [
            `${rounded(cycles)} full cycles to 80 %${use.running.packCycles === null ? ' (from memory)' : ''}, `,
            roughly(packKm.least, 'km'),
            ...(packKm.least === packKm.most ? [] : [' to ', roughly(packKm.most, 'km')]),
          ],
    missing: use.packPrice === undefined ? 'price of the pack' : 'energy for the way',
  };
}

function wearLine(use: InUse, what: Wearing): RunningLine {
  const told = use.running[what];
  const middle = use.drive === 'mid-drive' || use.drive === 'external';
  const life = told.km === null ? LIVES[what][middle ? 'middle' : 'hub'] : exactly(told.km);
  const price = told.price === null ? use.likelyPrice(what) : exactly(told.price);
  const pieces = { chain: 1, cogs: 1, tyres: use.wheelCount, pads: use.brakes }[what];
  return {
    id: what,
    perKm: price === undefined || life.least <= 0 ? undefined : overSpan(timesSpan(price, pieces), life),
    how: [
      ...far(life),
      told.km === null ? ', common practice' : '',
      pieces > 1 ? `, ${String(pieces)} of them` : '',
      told.price === null ? ', price by the shelf' : '',
    ],
    missing: 'its price',
  };
}

/** What a kilometre costs: energy from the wall, the pack's wear to 80 %, and what wears. What is not known is left out and said. */
export function runningCosts(use: InUse): RunningCosts {
  const { whPerKm } = use;
  const wall = whPerKm === undefined ? undefined : timesSpan(whPerKm, 1 / use.chargerEfficiency);
  const cycles = cyclesOf(use);
  const life = timesSpan(cycles, use.packWh * MEAN_HEALTH);
  const packKm = whPerKm === undefined || whPerKm.least <= 0 ? undefined : overSpan(life, whPerKm);
  const lines = [
    energyLine(use, wall),
    packLine(use, packKm, cycles),
    ...WEARING.filter((what) => what !== 'pads' || use.brakes > 0).map((what) => wearLine(use, what)),
  ];
  return {
    lines,
    wallWhPerKm: wall,
    perKm: sumOfSpans(lines.flatMap((l) => l.perKm ?? [])),
    complete: lines.every((l) => l.perKm !== undefined),
    packKm,
    packCycles: cycles,
  };
}

/** Until when it has paid for itself. */
export type PaidBack =
  | { readonly kind: 'unknown'; readonly missing: string }
  | { readonly kind: 'never' }
  | { readonly kind: 'after'; readonly months: Span; readonly savedPerMonth: Span };

/**
 * Months until what was spent is saved against a car or a bus; some money may never come back.
 * @param spent what the machine costs in all, with the builder's hours where they count
 */
export function paidBack(running: Running, perKm: Span, spent: Span): PaidBack {
  const { kmPerYear, insteadPerKm, insteadPerMonth } = running;
  if (insteadPerKm === null && insteadPerMonth === null)
    return { kind: 'unknown', missing: 'what the car or the bus costs' };
  if (kmPerYear === null) return { kind: 'unknown', missing: 'how far a year' };
  const kmPerMonth = kmPerYear / 12;
  const instead = (insteadPerKm ?? 0) * kmPerMonth + (insteadPerMonth ?? 0);
  const saved = {
    least: instead - perKm.most * kmPerMonth,
    most: instead - perKm.least * kmPerMonth,
  };
  if (saved.most <= 0) return { kind: 'never' };
  return {
    kind: 'after',
    months: {
      least: spent.least / saved.most,
      most: saved.least <= 0 ? Infinity : spent.most / saved.least,
    },
    savedPerMonth: saved,
  };
}
