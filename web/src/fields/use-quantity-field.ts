import { useShallow } from 'zustand/react/shallow';
import {
  helpedBy,
  takes,
  knownIfAny,
  phraseText,
  quantityAt,
  type KnownSource,
  type QuantityPath,
  type Sourced,
  type State,
  type UnitSystem,
} from '@apple-cart/core';
import { useBuild } from '../state/build-store.ts';
import { verdictOf } from '../state/verdicts.ts';

/** What a field shows of a quantity of the build in hand. */
export interface QuantityInField {
  readonly entered: Sourced;
  /** What it is taken as, in its own unit, from where, and why. */
  readonly value: number;
  readonly source: KnownSource;
  readonly origin: string;
  readonly used: boolean;
  /** The first finding about it, and its words. */
  readonly finding: State | undefined;
  readonly detail: string | undefined;
  /** What can be measured for it. */
  readonly measures: ReturnType<typeof helpedBy>;
}

/**
 * A quantity as its field shows it; undefined for a pack that the build has not. A stage has up to seventy fields:
 * what this returns is the same object for as long as nothing of its own has changed, so that a field need not be drawn
 * anew. Rules and shelf are watched by the stage around the field, which asks again when they change.
 */
export function useQuantityField(path: QuantityPath, system: UnitSystem): QuantityInField | undefined {
  return useBuild(
    useShallow(({ document }) => {
      if (document === undefined) return undefined;
      const verdict = verdictOf(document);
      const known = knownIfAny(verdict.known, path);
      if (known === undefined) return undefined;
      const { value, source, origin } = known;
      const finding = verdict.findings.find((f) => f.path === path);
      return {
        entered: quantityAt(document, path),
        value,
        source,
        origin,
        used: takes(document, path),
        finding: finding?.state,
        detail: finding && phraseText(finding.detail, system),
        measures: helpedBy(document, path),
      };
    }),
  );
}
