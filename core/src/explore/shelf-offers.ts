import { isWorse, type State } from '../check/state.ts';
import type { BuildDocument } from '../document/document.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { applyPart } from '../parts/apply-part.ts';
import type { PartType } from '../document/part-types.ts';
import type { Part } from '../parts/part.ts';
import { study, type Study } from '../verdict/study.ts';
import { opensBy } from './change/opens.ts';
import { offerOf, type Offer } from './offer.ts';

/** What a build would be with a part of the shelf in the place of its own. */
export interface ShelfOffer extends Pick<
  Offer,
  'className' | 'classState' | 'hillKmh' | 'plannedKm' | 'heatState' | 'hottestC'
> {
  readonly id: string;
  /** What it adds that is amiss, of fit and of the power chain: the worst state, and what is in it. */
  readonly fit: State;
  readonly fitWords: string;
}

/** Types that change what a build can do; leads, plugs and chargers are chosen by their own figures. */
const OFFERED: readonly PartType[] = ['motor', 'pack', 'cell', 'controller', 'ring', 'cogs', 'tyre'];
export const isOffered = (type: PartType): boolean => OFFERED.includes(type);

/** The figure that parts of a type are ranked by, with its unit written out; more is more. */
export function ratingOf(part: Part): number {
  switch (part.type) {
    case 'motor':
      return part.ratedPowerW;
    case 'pack':
      return part.nominalV * part.capacityAh;
    case 'controller':
      return part.batteryCurrentA;
    case 'donor':
      return part.massKg;
    case 'ring':
      return part.teeth;
    case 'cogs':
      return Math.max(...part.cogTeeth);
    case 'cell':
      return part.capacityAh;
    case 'charger':
      return part.currentA;
    case 'connector':
      return part.connectorA;
    case 'wire':
      return part.leadMm2;
    case 'tyre':
      return part.tyreMm;
    case 'fitting':
    case 'consumable':
    case 'tool':
      return part.massKg;
  }
}

/** What is changed along with a part and costs little: it asks for another, and stops nobody. */
const GOES_WITH: ReadonlySet<string> = new Set(['charger-volts', 'fuse-volts']);

interface Amiss {
  readonly key: string;
  readonly state: 'stop' | 'look';
  readonly title: string;
}

/** What stops a build or asks for a look: checks of fit and of the power chain, and links that are too small. */
function amissIn({ checks, powerChecks, chain }: Study): readonly Amiss[] {
  const found = [...checks, ...powerChecks].flatMap(({ id, state, title }): Amiss[] => {
    if (state !== 'stop' && state !== 'look') return [];
    return [{ key: id, title, state: [...GOES_WITH].some((one) => id.startsWith(one)) ? 'look' : state }];
  });
  const short = chain.links
    .filter(({ margin }) => margin !== undefined && margin < 0)
    .map(({ id, pack, name }): Amiss => ({
      key: `${id} ${String(pack)}`,
      state: 'stop',
      title: `${name} too small`,
    }));
  return [...found, ...short];
}

const NAMED = 3;
const someOf = (titles: readonly string[]): string =>
  titles.length > NAMED
    ? `${titles.slice(0, NAMED).join('; ')} and ${String(titles.length - NAMED)} more`
    : titles.join('; ');

/** Whether a part goes with the rest, in words: what stands in the way already is not its doing. */
function fitOf(own: Study, then: Study): Pick<ShelfOffer, 'fit' | 'fitWords'> {
  const before = new Map(amissIn(own).map((one) => [one.key, one.state]));
  const news = amissIn(then).filter((one) => isWorse(one.state, before.get(one.key) ?? 'fine'));
  const named = (state: Amiss['state']): readonly string[] =>
    news.filter((one) => one.state === state).map((one) => one.title);
  const [stops, looks, opens] = [named('stop'), named('look'), opensBy(own, then)];
  if (stops.length > 0) return { fit: 'stop', fitWords: someOf(stops) };
  if (opens.length > 0)
    return { fit: 'unknown', fitWords: `to be found out: ${someOf([...opens, ...looks])}` };
  if (looks.length > 0) return { fit: 'look', fitWords: someOf(looks) };
  const waits = then.checks.filter((c) => c.state === 'unknown').length;
  return waits > 0
    ? { fit: 'unknown', fitWords: `${String(waits)} to measure` }
    : { fit: 'fine', fitWords: 'nothing more in the way' };
}

/**
 * The build with each part in turn.
 * @param packIndex which pack a pack or a cell is for
 */
export function shelfOffers(
  build: BuildDocument,
  parts: readonly Part[],
  packIndex: number,
  book: RuleBook,
): readonly ShelfOffer[] {
  const own = study(build);
  return parts.map((part): ShelfOffer => {
    const then = study(applyPart(build, part, packIndex));
    const { className, classState, hillKmh, plannedKm, heatState, hottestC } = offerOf(then, book);
    return {
      id: part.id,
      className,
      classState,
      hillKmh,
      plannedKm,
      heatState,
      hottestC,
      ...fitOf(own, then),
    };
  });
}
