import type { State } from '../check/state.ts';
import type { BuildDocument } from '../document/document.ts';
import type { RuleBook } from '../law/rule-schema.ts';
import { applyPart } from '../parts/apply-part.ts';
import type { PartType } from '../document/part-types.ts';
import type { Part } from '../parts/part.ts';
import { study } from '../verdict/study.ts';
import { offerOf, type Offer } from './offer.ts';

/** What a build would be with a part of the shelf in the place of its own. */
export interface ShelfOffer extends Pick<
  Offer,
  'className' | 'classState' | 'hillKmh' | 'plannedKm' | 'heatState' | 'hottestC'
> {
  readonly id: string;
  /** Checks of fit that it adds: the worst of them, and what it is called. */
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
  const now = offerOf(study(build), book);
  const known = new Map([...now.stops, ...now.looks].map((c) => [c.id, c.state]));
  return parts.map((part): ShelfOffer => {
    const offer = offerOf(study(applyPart(build, part, packIndex)), book);
    const { className, classState, hillKmh, plannedKm, heatState, hottestC, stops, looks, waits } = offer;
    // What stands in the way already is not the part's doing.
    const [worst] = [...stops, ...looks].filter((c) => known.get(c.id) !== c.state);
    const waiting = waits > 0 ? 'unknown' : 'fine';
    return {
      id: part.id,
      className,
      classState,
      hillKmh,
      plannedKm,
      heatState,
      hottestC,
      fit: worst?.state ?? waiting,
      fitWords: worst?.title ?? (waits > 0 ? `${String(waits)} to measure` : 'nothing more in the way'),
    };
  });
}
