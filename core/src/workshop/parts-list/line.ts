import type { PartType } from '../../document/part-types.ts';
import type { Part } from '../../parts/part.ts';
import type { Phrase } from '../../quantity/phrase.ts';
import type { Job } from '../job.ts';
import { FITS } from './fits.ts';

/** Groups of the parts list, in its order. */
export const LINE_GROUPS = [
  'drive',
  'power',
  'fitting',
  'wiring',
  'controls',
  'wheels',
  'consumables',
  'tools',
] as const;
export type LineGroup = (typeof LINE_GROUPS)[number];

/** One thing that the build needs, worked out from it. */
export interface Line {
  /** Made of what it is, so that what a person adds stays with it when the build changes. */
  readonly key: string;
  /** The rule that put it there. */
  readonly rule: string;
  readonly group: LineGroup;
  /** Exact enough to ask for it at a counter. */
  readonly what: Phrase;
  /** Why it is on the list. */
  readonly why: Phrase;
  /** Where the rule comes from. */
  readonly origin: string;
  readonly quantity: number;
  readonly unit: LineUnit;
  /** What people forget: no motor, pack, controller or charger. */
  readonly small: boolean;
  /** The kind of small part by which the shelf is asked for a price; empty for what is named itself. */
  readonly kind: string;
  /** Under which a kit brings it along. */
  readonly broughtAs: string;
  /** Parts of the shelf that have figures of their own and may be bought for it. */
  readonly from: FromShelf | undefined;
  /** Amps that it is made for at least and at most; undefined where that is no matter. */
  readonly rated: Rated | undefined;
  /** What is cut to length: a longer one of the same serves as well; undefined where nothing is cut. */
  readonly cut: Cut | undefined;
  /** Something that the build leaves open, to be asked before it is ordered. */
  readonly ask: string;
  /** Checks of fit and of the power chain, and links of it, that say whether it fits together with the rest. */
  readonly checks: readonly string[];
  /** The pack that it is of, from nought; undefined where it is of none alone. */
  readonly pack: number | undefined;
  /** A price that stands elsewhere in the build, for all pieces. */
  readonly price: number | null;
}
interface Rated {
  readonly least: number;
  /** Undefined where a larger one serves as well. */
  readonly most: number | undefined;
}
interface Cut {
  readonly of: string;
  readonly length: number;
}
interface FromShelf {
  readonly type: PartType;
  readonly suits: (part: Part) => boolean;
}
type LineUnit = 'piece' | 'pair' | 'm' | 'set';

/** A rule that puts lines on the list, or none. */
export interface Rule {
  readonly id: string;
  readonly group: LineGroup;
  readonly origin: string;
  readonly lines: (job: Job) => readonly Draft[];
}

/** A line as a rule writes it: the rule's id is its key unless it makes several, and a kit brings it under its key unless told. */
export interface Draft {
  readonly key?: string;
  readonly what: Phrase;
  readonly why: Phrase;
  readonly quantity?: number;
  readonly unit?: LineUnit;
  readonly main?: boolean;
  readonly pack?: number;
  readonly kind?: string;
  readonly broughtAs?: string;
  readonly ask?: string;
  readonly from?: FromShelf;
  readonly rated?: Rated;
  readonly cut?: Cut;
  readonly price?: number | null;
}

/** A line of a draft, one piece of a small part unless it says more. */
export const lineOf = (rule: Rule, draft: Draft): Line => ({
  key: draft.key ?? rule.id,
  rule: rule.id,
  group: rule.group,
  what: draft.what,
  why: draft.why,
  origin: rule.origin,
  quantity: draft.quantity ?? 1,
  unit: draft.unit ?? 'piece',
  small: draft.main !== true,
  kind: draft.kind ?? rule.id,
  broughtAs: draft.broughtAs ?? draft.key ?? rule.id,
  ask: draft.ask ?? '',
  from: draft.from,
  rated: draft.rated,
  cut: draft.cut,
  checks: FITS[rule.id] ?? [],
  pack: draft.pack,
  price: draft.price ?? null,
});
