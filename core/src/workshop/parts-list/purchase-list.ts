import type { BuildDocument } from '../../document/document.ts';
import {
  NOTHING_SAID,
  paidFor,
  type AddedLine,
  type BoughtLine,
  type LineState,
} from '../../document/purchase.ts';
import { drivenAsMade, stays, type KeptPart } from '../../document/kept.ts';
import { motorCount } from '../../document/motors.ts';
import type { Part } from '../../parts/part.ts';
import { phraseText } from '../../quantity/phrase.ts';
import type { Line, LineGroup } from './line.ts';
import { likely, partsFor, type Likely } from './likely.ts';

/** Things in whose box others come along. */
export const KITS = ['motor', 'pack'] as const;
export type Kit = (typeof KITS)[number];
/** A kit with its box, or a donor that was electric already and keeps it. */
type Bringer = Kit | 'donor';

/** Lines of what may stay of an electric donor, by their rules. */
const OF_DONOR: Readonly<Partial<Record<string, KeptPart>>> = {
  motor: 'motor',
  pack: 'pack',
  charger: 'charger',
  controller: 'controller',
  display: 'display',
  throttle: 'throttle',
  'battery-lead': 'leads',
  plugs: 'leads',
  'brake-sensors': 'levers',
  'assist-sensor': 'sensors',
  'speed-sensor': 'sensors',
  'shift-sensor': 'sensors',
};

/** Made for the motor: there where it stays with its controller, or with its leads. Those of another motor have other plugs. */
const BETWEEN: ReadonlySet<string> = new Set(['phase-lead', 'motor-plug']);

/** How many pieces of a line are on the donor already; of several packs the first. */
function onDonor(build: BuildDocument, { rule, pack, quantity }: Line): number {
  const part = OF_DONOR[rule];
  if (part !== undefined && (pack ?? 0) === 0 && stays(build, part)) return quantity;
  const joined = drivenAsMade(build) || (stays(build, 'motor') && stays(build, 'leads'));
  if (BETWEEN.has(rule) && joined) return quantity;
  // Arms are on the axle that stays in its dropouts; more may be asked for.
  return rule === 'torque-arms' && stays(build, 'motor')
    ? Math.min(quantity, motorCount(build) * build.drive.torqueArms)
    : 0;
}

/** One row of the shopping: a line with what was said of it. */
export interface Row {
  readonly key: string;
  /** `added` was put there by hand, `gone` is not asked for any more. */
  readonly from: 'build' | 'added' | 'gone';
  readonly line: Line | undefined;
  /** In words for rows that no rule makes. */
  readonly what: string;
  readonly group: LineGroup;
  /** Pieces that are still to be bought beside what comes along with a kit. */
  readonly quantity: number;
  /** All of them come along in the box of this one. */
  readonly broughtBy: Bringer | undefined;
  readonly said: BoughtLine | AddedLine;
  readonly state: LineState;
  /** For all pieces, in the build's currency; null is not known, and never counted as nought. */
  readonly price: number | null;
  /** By the shelf, where no price is known. */
  readonly likely: Likely | undefined;
}

/** The donor stands in the shed, unless somebody says that it is still to be bought. */
const usualState = (key: string): LineState => (key === 'donor' ? 'owned' : 'needed');

/** Kits that the list asks for, that nobody put off and that are bought: no other box brings anything. */
export const kitsOn = (build: BuildDocument, rows: readonly { readonly key: string }[]): readonly Kit[] =>
  KITS.filter(
    (kit) =>
      !stays(build, kit) &&
      build.purchase.lines[kit]?.state !== 'not-needed' &&
      rows.some(({ key }) => key === kit),
  );

/** How many of a line come along with a kit, and with which. */
function broughtOf(
  build: BuildDocument,
  line: Line,
  kits: readonly Kit[],
): { readonly count: number; readonly by: Bringer | undefined } {
  const kept = onDonor(build, line);
  if (kept > 0) return { count: kept, by: 'donor' };
  const { brings } = build.purchase;
  const { key, broughtAs } = line;
  for (const by of kits) {
    const count = brings[by]?.[broughtAs];
    if (key !== by && count !== undefined) return { count, by };
  }
  return { count: 0, by: undefined };
}

/** A line of the build as a row. */
function askedRow(
  build: BuildDocument,
  line: Line,
  kits: readonly Kit[],
  states: (key: string) => LineState,
  shelf: readonly Part[],
): Row {
  const said = build.purchase.lines[line.key] ?? NOTHING_SAID;
  const { count, by } = broughtOf(build, line, kits);
  const quantity = Math.max(0, line.quantity - count);
  const broughtBy = quantity === 0 ? by : undefined;
  const paid = paidFor(build, said);
  const price = broughtBy === undefined ? (paid ?? line.price) : 0;
  return {
    key: line.key,
    from: 'build',
    line,
    what: phraseText(line.what),
    group: line.group,
    quantity: broughtBy === undefined ? quantity : line.quantity,
    broughtBy,
    said,
    state: said.state ?? (broughtBy === undefined ? usualState(line.key) : states(broughtBy)),
    price,
    likely: price === null ? likely(partsFor(shelf)(line), build.money.currency, quantity) : undefined,
  };
}

/**
 * Every line of the list with what was said of it, then what was added by hand, then what the build asks for no more but of
 * which something was said: nothing is dropped in silence.
 * @param shelf parts by which the price of a line is guessed, that has none
 */
export function purchaseList(
  build: BuildDocument,
  lines: readonly Line[],
  shelf: readonly Part[] = [],
): readonly Row[] {
  const { purchase } = build;
  const stateOf = (key: string): LineState => purchase.lines[key]?.state ?? usualState(key);
  const kits = kitsOn(build, lines);
  const asked = lines.map((line) => askedRow(build, line, kits, stateOf, shelf));
  const alone = (said: BoughtLine | AddedLine) => ({
    line: undefined,
    group: 'fitting' as const,
    broughtBy: undefined,
    said,
    state: said.state ?? 'needed',
    price: paidFor(build, said),
    likely: undefined,
  });
  const added = purchase.added.map((said): Row => ({
    ...alone(said),
    key: said.key,
    from: 'added',
    what: said.what,
    quantity: said.quantity,
  }));
  const keys = new Set(lines.map((l) => l.key));
  const gone = Object.entries(purchase.lines)
    .filter(([key]) => !keys.has(key))
    .map(([key, said]): Row => ({
      ...alone(said),
      key,
      from: 'gone',
      what: said.was === '' ? key : said.was,
      quantity: 1,
    }));
  return [...asked, ...added, ...gone];
}

/** What counts: asked for or added, and not put off as not needed. */
export const counts = ({ from, state }: Pick<Row, 'from' | 'state'>): boolean =>
  from !== 'gone' && state !== 'not-needed';
