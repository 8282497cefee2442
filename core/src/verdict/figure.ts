import type { State } from '../check/state.ts';
import type { Known, KnownSource } from '../document/known-build.ts';
import type { Phrase } from '../quantity/phrase.ts';
import type { Unit } from '../quantity/units.ts';

/** One number of a working, with where it comes from. */
export interface WorkingRow {
  readonly label: string;
  readonly symbol: string;
  readonly value: number | string;
  readonly unit: Unit;
  readonly source: KnownSource;
  /** Where a default or a constant comes from. */
  readonly origin: string;
}

/** How a figure was worked out, complete enough to be done again by hand. */
interface Working {
  readonly formulas: readonly string[];
  readonly inputs: readonly WorkingRow[];
  readonly steps: readonly WorkingRow[];
  /** Sources of the formulas, and how sure they are. */
  readonly sources: readonly string[];
  /** What the figure leaves out. */
  readonly leftOut: readonly string[];
}

export const FIGURE_IDS = [
  'class',
  'top-speed',
  'hill',
  'start',
  'range',
  'consumption',
  'heat',
  'weakest',
  'mass',
  'price',
] as const;
export type FigureId = (typeof FIGURE_IDS)[number];

/** Figures of the tray, in its order. The others stand on the sheet of their stage. */
export const TRAY: readonly FigureId[] = [
  'class',
  'top-speed',
  'hill',
  'range',
  'heat',
  'weakest',
  'mass',
  'price',
];

/** A headline figure: the value, in what conditions, whether it will do, and its working. */
export interface Figure {
  readonly id: FigureId;
  readonly label: string;
  readonly state: State;
  /** Undefined when there is no number (a class, a hill that is not climbed, a price not known). */
  readonly value: number | undefined;
  /** The far end of a band that begins at `value`; undefined for a single number. */
  readonly upTo: number | undefined;
  readonly unit: Unit;
  /** Shown in place of a number. */
  readonly words: string | undefined;
  readonly condition: Phrase;
  /** Written when it is read: the tray shows ten figures, and opens one working. */
  readonly working: Working;
}

/** The same figure where it promises less than it says: in another state, with what that rests on, also in its working. */
export const restingFigure = (
  figure: Figure,
  { state, condition, leftOut }: Pick<Figure, 'state' | 'condition'> & { readonly leftOut: string },
): Figure => ({
  // Written out: spreading would write the working.
  id: figure.id,
  label: figure.label,
  state,
  value: figure.value,
  upTo: figure.upTo,
  unit: figure.unit,
  words: figure.words,
  condition,
  get working() {
    const { working } = figure;
    return { ...working, leftOut: [leftOut, ...working.leftOut] };
  },
});

/** A known quantity as an input row. */
export const inputRow = (symbol: string, known: Known): WorkingRow => ({
  label: known.label,
  symbol,
  value: known.value,
  unit: known.unit,
  source: known.source,
  origin: known.origin,
});

/** A value worked out on the way. */
export const stepRow = (symbol: string, label: string, value: number | string, unit: Unit): WorkingRow => ({
  label,
  symbol,
  value,
  unit,
  source: 'worked',
  origin: '',
});
