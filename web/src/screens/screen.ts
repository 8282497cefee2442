import type { FigureId, QuantityPath } from '@apple-cart/core';

/** One view of a stage: the id stands in the address. */
interface View<V extends string = string> {
  readonly id: V;
  readonly name: string;
}

/** A page of a build that is made to be printed. */
export interface PrintedPage {
  /** Beneath the build's address. */
  readonly path: string;
  /** As the find box offers it; other words that find it stand with the box. */
  readonly name: string;
}

/**
 * The screen's side of a stage; what it owns, checks and says of itself is in the core under the same id, and its sheet
 * among the stages. Everything that lists stages goes through the one list of these.
 */
export interface StageScreen {
  readonly name: string;
  /** What the builder asks at it. */
  readonly question: string;
  /** The figure that answers it; none for a stage that is filled in. A card says it first. */
  readonly answer?: FigureId;
  /** Pressed after G it goes here. */
  readonly key: string;
  /** None for a stage that is one sheet. */
  readonly views: readonly View[];
  /** The view at which a quantity of the stage is entered; undefined where it is the first, or there are none. */
  readonly viewOf?: (path: QuantityPath) => string | undefined;
  readonly prints: readonly PrintedPage[];
}
